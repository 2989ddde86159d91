import { Modal, Pressable, View } from 'react-native';
import { Plate } from '../plates/plate';
import { cut, usePalette } from '../theme/theme';
import { Heading, Reading, Words } from '../theme/words';
import { KEYS } from './use-keys';

/** What the keys of the wide layout do. */
export function KeySheet({ onClose }: { onClose: () => void }) {
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
          aria-label="Keys"
          onPress={() => undefined}
          style={[
            { width: 480, backgroundColor: palette.paper, padding: 20, gap: 12, cursor: 'auto' as never },
            cut(18),
          ]}
        >
          <Heading>Keys</Heading>
          <View role="list">
            {KEYS.map(([keys, words]) => (
              <View key={keys} role="listitem" style={{ flexDirection: 'row', gap: 14, paddingVertical: 4 }}>
                <Reading style={{ width: 90, fontSize: 17 }}>{keys}</Reading>
                <Words style={{ flex: 1 }}>{words}</Words>
              </View>
            ))}
          </View>
          <Plate role="button" label="Close" onPress={onClose} />
        </Pressable>
      </Pressable>
    </Modal>
  );
}
