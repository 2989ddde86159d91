import type { ReactNode } from 'react';
import { Modal, Pressable } from 'react-native';
import { cut, usePalette } from './theme';

/** A sheet over a darkened screen, at the thumb or in the middle; a touch beside it, or Escape, closes it. */
export function Overlay({
  label,
  middle = false,
  onClose,
  children,
}: {
  label: string;
  middle?: boolean;
  onClose: () => void;
  children: ReactNode;
}) {
  const palette = usePalette();
  return (
    <Modal visible transparent animationType="none" onRequestClose={onClose}>
      <Pressable
        aria-label="Close"
        onPress={onClose}
        style={{
          flex: 1,
          backgroundColor: '#0008',
          justifyContent: middle ? 'center' : 'flex-end',
          alignItems: 'center',
        }}
      >
        <Pressable
          role="dialog"
          aria-label={label}
          onPress={() => undefined}
          style={[
            {
              width: '100%',
              maxWidth: middle ? 480 : 620,
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
