import { useState } from 'react';
import { View } from 'react-native';
import { entryOf } from '../inspection/save-line';
import { Plate } from '../plates/plate';
import { office, type HeldEntries } from '../stores/office';
import { momentText } from '../theme/dates';
import { usePalette } from '../theme/theme';
import { Trouble } from '../theme/trouble';
import { Heading, Quiet, Words } from '../theme/words';
import { Say } from './say';

/** What came from who was switched off, house by house: the lead takes it in as theirs, or leaves it out. */
export function LateList({
  entries,
  isLead,
  onSettled,
}: {
  entries: readonly HeldEntries[];
  isLead: boolean;
  onSettled: () => void;
}) {
  const palette = usePalette();
  const [leaving, setLeaving] = useState<HeldEntries>();
  const [trouble, setTrouble] = useState<string>();
  const [said, setSaid] = useState<string>();
  const settle = async ({ inspection, by, address }: HeldEntries, words?: string) => {
    setTrouble(undefined);
    try {
      const { taken, refused } = await office.settleEntries({ inspection, by, take: words === undefined, ...(words !== undefined && { words }) }); // prettier-ignore
      setLeaving(undefined);
      setSaid([`${address}: ${taken} taken in.`, ...refused].join(' '));
      onSettled();
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  if (entries.length === 0 && said === undefined) return null;
  return (
    <View testID="late" style={{ gap: 6 }}>
      <Heading>Sent after being switched off</Heading>
      <Trouble>{trouble}</Trouble>
      {said !== undefined && <Words role="status">{said}</Words>}
      {entries.map((one) => (
        <View
          key={`${one.inspection} ${one.by}`}
          style={{ gap: 6, paddingVertical: 8, borderTopWidth: 1, borderColor: palette.hairline }}
        >
          <Words style={{ fontWeight: '700', fontSize: 17 }}>{one.address}</Words>
          <Words style={{ fontSize: 16, lineHeight: 22 }}>
            {`${one.name} entered ${one.entries === 1 ? 'something' : `${one.entries} things`}, ${momentText(one.from)}${one.entries === 1 ? '' : ` to ${momentText(one.to)}`}. Nothing of it counts yet.`}
          </Words>
          {one.facts.length > 0 && <Quiet>{one.facts.map(({ path, value }) => entryOf(path, value)).join(', ')}</Quiet>}
          {isLead && leaving !== one && (
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
              <Plate role="button" label="Take it in as theirs" onPress={() => void settle(one)} />
              <Plate role="button" quiet label="Leave it out" onPress={() => setLeaving(one)} />
            </View>
          )}
          {leaving === one && (
            <Say
              label="Why it is left out"
              act="Leave it out"
              onSay={(words) => void settle(one, words)}
              onClose={() => setLeaving(undefined)}
            />
          )}
        </View>
      ))}
    </View>
  );
}
