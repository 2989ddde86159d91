import { useRouter } from 'expo-router';
import { useCallback, useEffect, useState } from 'react';
import { View } from 'react-native';
import { KEPT, type Kept } from '@careful-latch/core/record';
import { Plate, Plates } from '../plates/plate';
import { office, type Keeping } from '../stores/office';
import { Back } from '../theme/back';
import { dayText } from '../theme/dates';
import { Screen } from '../theme/screen';
import { usePalette } from '../theme/theme';
import { Trouble } from '../theme/trouble';
import { Heading, Quiet, Title, Words } from '../theme/words';
import { Say } from './say';

const YEARS = [1, 3, 5, 7, 10, 30] as const;

/** What is kept how long; nothing is destroyed by itself, and nothing at all while it is held. Decisions and papers stay. */
export function KeepingScreen() {
  const palette = usePalette();
  const router = useRouter();
  const [keeping, setKeeping] = useState<Keeping>();
  const [asking, setAsking] = useState<string>();
  const [trouble, setTrouble] = useState<string>();
  const load = useCallback(() => office.keeping().then(setKeeping, (error: Error) => setTrouble(error.message)), []);
  useEffect(() => void load(), [load]);
  const tried = async (work: () => Promise<object>) => {
    try {
      await work();
      setAsking(undefined);
      setTrouble(undefined);
      await load();
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  return (
    <Screen narrow head={<Back to="/" label="Inspections" />}>
      <View style={{ gap: 14 }}>
        <Title>Kept, and destroyed</Title>
        <Quiet>
          How long records are kept is the law of your place; ask there. Decisions, papers and seals stay; of a name its
          hash stays in them. Nothing goes by itself, and nothing of a house whose record is held.
        </Quiet>
        <Trouble>{trouble}</Trouble>
        {keeping &&
          (Object.keys(KEPT) as Kept[]).map((kind) => (
            <View key={kind} style={{ gap: 8 }}>
              <Heading>{KEPT[kind]}</Heading>
              <Plates label={KEPT[kind]}>
                {YEARS.map((one) => (
                  <Plate
                    key={one}
                    label={`${one} ${one === 1 ? 'year' : 'years'}`}
                    selected={keeping.years[kind] === one}
                    onPress={() => void tried(() => office.keepFor({ ...keeping.years, [kind]: one }))}
                  />
                ))}
                <Plate
                  label="For ever"
                  selected={keeping.years[kind] === null}
                  onPress={() => void tried(() => office.keepFor({ ...keeping.years, [kind]: null }))}
                />
              </Plates>
            </View>
          ))}
        <Heading>{`Over its time: ${keeping?.due.length ?? 0}`}</Heading>
        {keeping?.due.map((one) => {
          const key = `${one.inspection} ${one.kind}`;
          return (
            <View key={key} style={{ gap: 6, paddingVertical: 8, borderTopWidth: 1, borderColor: palette.hairline }}>
              <Words style={{ fontWeight: '700', fontSize: 17 }}>{one.address}</Words>
              <Words style={{ fontSize: 16 }}>
                {`${KEPT[one.kind]}${one.kind === 'owner' ? '' : `: ${one.n}`}, since ${dayText(one.since)}${one.held ? '. Held: they stay.' : ''}`}
              </Words>
              {asking === key ? (
                <Say
                  label="By what rule they go"
                  act="Destroy them"
                  offers={['Their time is over, by the schedule of the office.']}
                  onSay={(reason) =>
                    void tried(() => office.destroy({ inspection: one.inspection, kind: one.kind, reason }))
                  }
                  onClose={() => setAsking(undefined)}
                />
              ) : (
                <View style={{ flexDirection: 'row', gap: 8 }}>
                  <Plate
                    role="button"
                    label="Look"
                    onPress={() => router.navigate(`/inspection/${one.inspection}/record`)}
                  />
                  {!one.held && <Plate role="button" quiet label="Destroy" onPress={() => setAsking(key)} />}
                </View>
              )}
            </View>
          );
        })}
      </View>
    </Screen>
  );
}
