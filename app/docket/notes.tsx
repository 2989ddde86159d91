import { useCallback, useEffect, useState } from 'react';
import { View } from 'react-native';
import { Plate } from '../plates/plate';
import { office, type Note } from '../stores/office';
import { momentText } from '../theme/dates';
import { Trouble } from '../theme/trouble';
import { Heading, Quiet, Words } from '../theme/words';
import { Say } from './say';

/** Who complained, and what else is for those who inspect alone. It stays at the office: on no device, no paper, in no file. */
export function Notes({ inspection }: { inspection: string }) {
  const [notes, setNotes] = useState<readonly Note[]>();
  const [asking, setAsking] = useState(false);
  const [trouble, setTrouble] = useState<string>();
  const load = useCallback(
    () =>
      office.notes(inspection).then(
        (found) => setNotes(found.notes),
        () => setNotes(undefined), // without signal nothing is known of them
      ),
    [inspection],
  );
  useEffect(() => void load(), [load]);
  const keep = async (words: string) => {
    try {
      await office.note(inspection, words);
      setAsking(false);
      setTrouble(undefined);
      await load();
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  return (
    <View style={{ gap: 8 }} testID="notes">
      <Heading>For those who inspect</Heading>
      <Quiet>Who complained, and the like. It stays at the office: on no paper, in no file.</Quiet>
      {notes === undefined && <Quiet>The office cannot be asked now.</Quiet>}
      {notes?.map((one) => (
        <View key={one.id}>
          <Words style={{ fontSize: 17 }}>{one.words}</Words>
          <Quiet>{`${one.by}, ${momentText(one.at)}`}</Quiet>
        </View>
      ))}
      <Trouble>{trouble}</Trouble>
      {asking ? (
        <Say
          label="The note"
          act="Keep it at the office"
          onSay={(words) => void keep(words)}
          onClose={() => setAsking(false)}
        />
      ) : (
        notes && (
          <View style={{ flexDirection: 'row' }}>
            <Plate role="button" quiet label="Write a note" onPress={() => setAsking(true)} />
          </View>
        )
      )}
    </View>
  );
}
