import { View } from 'react-native';
import { Plate } from '../plates/plate';
import { Overlay } from '../theme/overlay';
import { Heading, Reading, Words } from '../theme/words';
import { KEYS } from './use-keys';

/** What the keys do. */
export function KeySheet({ onClose }: { onClose: () => void }) {
  return (
    <Overlay label="Keys" onClose={onClose}>
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
    </Overlay>
  );
}
