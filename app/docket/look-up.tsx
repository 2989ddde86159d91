import { useState } from 'react';
import { View } from 'react-native';
import { Plate } from '../plates/plate';
import { office, type FoundPermit } from '../stores/office';
import { shortDayText } from '../theme/dates';
import { Trouble } from '../theme/trouble';
import { Quiet, Words } from '../theme/words';

/** Asks the permit office, by the number where there is one, else by the address; what it has is taken over at a touch. */
export function LookUp({
  number,
  address,
  onFound,
}: {
  number: string;
  address: string;
  onFound: (permit: FoundPermit) => void;
}) {
  const [found, setFound] = useState<readonly FoundPermit[]>();
  const [trouble, setTrouble] = useState<string>();
  const [asking, setAsking] = useState(false);
  const ask = async () => {
    setTrouble(undefined);
    if (number.trim() === '' && address.trim() === '')
      return setTrouble('Give the number of the permit, or the address.');
    setAsking(true);
    try {
      setFound((await office.permits(number.trim() ? { number: number.trim() } : { address: address.trim() })).permits);
    } catch (error) {
      setTrouble((error as Error).message);
    }
    setAsking(false);
  };
  return (
    <View style={{ gap: 8 }} testID="look-up">
      <View style={{ flexDirection: 'row' }}>
        <Plate role="button" quiet label={asking ? 'Asking…' : 'Ask the permit office'} onPress={() => void ask()} />
      </View>
      <Trouble>{trouble}</Trouble>
      {found?.length === 0 && <Quiet>The permit office has none like it.</Quiet>}
      {found?.map((one) => (
        <View key={one.number} style={{ gap: 2 }}>
          <View style={{ flexDirection: 'row' }}>
            <Plate
              role="button"
              label={`${one.number}, ${one.address}`}
              onPress={() => {
                setFound(undefined);
                onFound(one);
              }}
            />
          </View>
          <Words style={{ fontSize: 16 }}>
            {[one.owner, one.contractor, one.status, one.until && `until ${shortDayText(one.until)}`]
              .filter(Boolean)
              .join(' · ')}
          </Words>
        </View>
      ))}
    </View>
  );
}
