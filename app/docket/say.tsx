import { useState } from 'react';
import { View } from 'react-native';
import { Plate } from '../plates/plate';
import { Input } from '../theme/elements';

/** Asks for words and does something with them. What is often said stands on plates, and is said at one touch. */
export function Say({
  label,
  act,
  offers = [],
  onSay,
  onClose,
}: {
  label: string;
  /** What is done with the words. */
  act: string;
  offers?: readonly string[];
  onSay: (words: string) => void;
  onClose: () => void;
}) {
  const [text, setText] = useState('');
  return (
    <View style={{ gap: 8 }}>
      {offers.length > 0 && (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          {offers.map((one) => (
            <Plate key={one} role="button" label={one} onPress={() => onSay(one)} />
          ))}
        </View>
      )}
      <Input
        label={label}
        aria-label={label}
        value={text}
        onChangeText={setText}
        onSubmitEditing={() => onSay(text.trim())}
        multiline={offers.length === 0}
        renderErrorMessage={false}
        containerStyle={{ paddingHorizontal: 0 }}
      />
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Plate role="button" label={act} onPress={() => onSay(text.trim())} />
        <Plate role="button" quiet label="Not now" onPress={onClose} />
      </View>
    </View>
  );
}
