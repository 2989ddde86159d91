import type { ReactNode } from 'react';
import { Modal, Pressable, ScrollView, View } from 'react-native';
import { cut, usePalette } from './theme';

/** A small sheet in the middle of a darkened screen; a touch beside it, or Escape, closes it. */
export function Overlay({ label, onClose, children }: { label: string; onClose: () => void; children: ReactNode }) {
  const palette = usePalette();
  return (
    <Modal visible transparent animationType="none" onRequestClose={onClose}>
      <Pressable
        aria-label="Close"
        onPress={onClose}
        style={{ flex: 1, backgroundColor: '#0008', justifyContent: 'center', alignItems: 'center' }}
      >
        <Pressable
          role="dialog"
          aria-label={label}
          onPress={() => undefined}
          style={[
            {
              width: '100%',
              maxWidth: 480,
              backgroundColor: palette.paper,
              padding: 16,
              paddingBottom: 28,
              gap: 12,
              cursor: 'auto' as never,
            },
            cut(18),
          ]}
        >
          {children}
        </Pressable>
      </Pressable>
    </Modal>
  );
}

/** A page over the screen that was there, which comes back as it was; what it ends with stands at the thumb. Escape closes it. */
export function Page({
  label,
  onClose,
  act,
  children,
}: {
  label: string;
  onClose: () => void;
  act: ReactNode;
  children: ReactNode;
}) {
  const palette = usePalette();
  const column = { width: '100%', maxWidth: 932, alignSelf: 'center', padding: 16 } as const;
  return (
    <Modal visible transparent animationType="none" onRequestClose={onClose}>
      <View role="dialog" aria-label={label} style={{ flex: 1, backgroundColor: palette.paper }}>
        <ScrollView tabIndex={0} style={{ flex: 1 }} contentContainerStyle={[column, { gap: 12 }]}>
          {children}
        </ScrollView>
        <View style={[column, { borderTopWidth: 1, borderColor: palette.hairline }]}>{act}</View>
      </View>
    </Modal>
  );
}
