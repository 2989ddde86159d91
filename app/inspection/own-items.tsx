import { View } from 'react-native';
import { NOT_SEEN, factAt, type Station } from '@careful-latch/core/case';
import { touched, type Inspection } from '@careful-latch/core/record';
import { Plate, Plates } from '../plates/plate';
import { record } from '../stores/inspections';
import { usePalette } from '../theme/theme';
import { Heading, Quiet, Words } from '../theme/words';

interface Item {
  readonly path: string;
  readonly ask: string;
  readonly cite: string;
  readonly answers: Readonly<Record<string, string>>;
}

const YES_NO = { yes: 'Yes', no: 'No' };
const INSTALLER: Item = {
  path: 'local.installer',
  ask: 'Who did the work?',
  cite: 'as this office reads it',
  answers: { licensed: 'A licensed person', owner: 'The owner, or another' },
};

/** What the office asks of its own at a station. */
function itemsAt({ rules }: Inspection, station: Station): Item[] {
  if (!rules) return [];
  const { checklist, readings } = rules.profile;
  const own = checklist.filter((one) => one.station === station);
  const items = own.map(({ id, ask, cite }): Item => ({ path: `local.${id}`, ask, cite, answers: YES_NO }));
  return station === 'panel' && readings.installer === 'licensed' ? [INSTALLER, ...items] : items;
}

/** The office’s own items at a station, below what everybody asks; nothing where it has none. */
export function OwnItems({ inspection, station }: { inspection: Inspection; station: Station }) {
  const palette = usePalette();
  const items = itemsAt(inspection, station);
  if (items.length === 0) return null;
  return (
    <View style={{ gap: 10, paddingTop: 14 }} role="group" aria-label="The office’s own items">
      <Heading>The office’s own</Heading>
      {items.map(({ path, ask, cite, answers }) => {
        const value = factAt(inspection.case, path);
        const choices = { ...answers, [NOT_SEEN]: 'Looked, not seen' };
        return (
          <View key={path} style={{ gap: 6, borderTopWidth: 1, borderColor: palette.hairline, paddingTop: 8 }}>
            <Words style={{ fontWeight: '700' }}>{ask}</Words>
            <Quiet>{cite}</Quiet>
            <Plates label={ask}>
              {Object.entries(choices).map(([one, label]) => (
                <Plate
                  key={one}
                  label={label}
                  quiet={one === NOT_SEEN}
                  selected={value === one}
                  onPress={() => record(touched(inspection.id, path, value === one ? null : one))}
                />
              ))}
            </Plates>
          </View>
        );
      })}
    </View>
  );
}
