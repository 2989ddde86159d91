import { useState } from 'react';
import { View } from 'react-native';
import { Plate } from '../plates/plate';
import { office } from '../stores/office';
import { Trouble } from '../theme/trouble';
import { Heading, Quiet, Reading } from '../theme/words';

/** The way into whatever calendar somebody keeps: an address of one’s own, that can be taken back. */
export function Feed() {
  const [path, setPath] = useState<string | null>();
  const [trouble, setTrouble] = useState<string>();
  const ask = async (work: () => Promise<string | null>) => {
    try {
      setPath(await work());
      setTrouble(undefined);
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  return (
    <View style={{ gap: 8 }}>
      <Heading>In a calendar elsewhere</Heading>
      <Trouble>{trouble}</Trouble>
      {path ? (
        <>
          <Quiet>Give this address to the calendar; whoever has it sees streets and days, and needs no password.</Quiet>
          <Reading
            testID="feed-address"
            selectable
            style={{ fontSize: 16 }}
          >{`${window.location.origin}${path}`}</Reading>
        </>
      ) : (
        <Quiet>
          {path === null ? 'The address leads nowhere any more.' : 'An address that a calendar reads by itself.'}
        </Quiet>
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Plate
          role="button"
          quiet
          label="A new address"
          onPress={() => void ask(async () => (await office.feed()).path)}
        />
        <Plate
          role="button"
          quiet
          label="Take it back"
          onPress={() => void ask(() => office.dropFeed().then(() => null))}
        />
      </View>
    </View>
  );
}
