import { Button } from '../theme/elements';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useCallback, useState } from 'react';
import { View } from 'react-native';
import { MOST_PARTS, STATIONS, STATION_NAMES, factAt, listOf, sheet, type Station } from '@careful-latch/core/case';
import type { ChangeBody } from '@careful-latch/core/record';
import { FactField } from '../plates/fact-field';
import { Plate } from '../plates/plate';
import { record } from '../stores/inspections';
import { usePalette } from '../theme/theme';
import { Heading, Quiet, Title, Words } from '../theme/words';
import { NeutralDrawing } from './neutral-drawing';
import { RatingRow } from './rating-row';
import { outcomesBeside } from './answers';
import type { Walk } from './use-inspection';

const PLURAL: Readonly<Record<string, string>> = {
  cord: 'another cord',
  stretch: 'another stretch',
  circuit: 'another circuit',
};
/** Facts of other stations that decide here too, shown on the sheet so that nobody walks back for them. */
const ALSO: Readonly<Partial<Record<Station, string[]>>> = { neutral: ['source.neutralBond'] };

/** A station's facts, each with its plates and its answer. */
export function StationSheet({ walk, station }: { walk: Walk; station: Station }) {
  const palette = usePalette();
  const { fact } = useLocalSearchParams<{ fact?: string }>();
  const [trouble, setTrouble] = useState<string>();
  const { inspection, evaluation, states } = walk;
  const id = inspection.id;
  const change = useCallback((body: ChangeBody) => {
    try {
      record(body);
      setTrouble(undefined);
    } catch (error) {
      setTrouble((error as Error).message);
    }
  }, []);
  const onRecord = useCallback(
    (path: string, value: string | number | null) => change({ type: 'fact', inspection: id, path, value }),
    [change, id],
  );
  const list = listOf(station);
  const recorded = list ? ((factAt(inspection.case, list.list) as unknown[] | undefined)?.length ?? 0) : 0;
  const [shown, setShown] = useState(1); // an added cord or stretch is only shown until its first fact is recorded
  const groups = sheet(inspection.case, station, shown);
  const entries = groups.filter((group) => group.entry).length;
  const absent = states[STATIONS.indexOf(station)] === 'absent';
  const why = evaluation.outcomes.find((one) => one.station === station && one.outcome === 'not-applicable')?.reason;
  const field = (path: string) => (
    <FactField
      key={path}
      path={path}
      value={factAt(inspection.case, path)}
      outcomes={outcomesBeside(evaluation, path)}
      onRecord={onRecord}
      focused={path === fact}
    />
  );
  return (
    <View style={{ gap: 4 }}>
      <Title>{STATION_NAMES[station]}</Title>
      {trouble && (
        <Words role="alert" color={palette.violation}>
          {trouble}
        </Words>
      )}
      {absent && why ? (
        <Quiet style={{ paddingVertical: 12 }}>{why}</Quiet>
      ) : (
        <>
          {ALSO[station]?.map(field)}
          {groups.map((group) => (
            <View key={group.entry ?? 'single'}>
              {group.title && (
                <View
                  style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between', marginTop: 14 }}
                >
                  <Heading style={{ textTransform: 'capitalize' }}>{group.title}</Heading>
                  {entries > 1 && (
                    <Plate
                      role="button"
                      quiet
                      label={`Take out ${group.title}`}
                      onPress={() => {
                        const index = Number(/\[(\d+)\]$/.exec(group.entry!)![1]);
                        if (index < recorded) change({ type: 'remove', inspection: id, list: list!.list, index });
                        setShown(entries - 1);
                      }}
                    />
                  )}
                </View>
              )}
              {group.paths.map(field)}
            </View>
          ))}
          {list && entries < MOST_PARTS && (
            <View style={{ flexDirection: 'row', marginTop: 12 }}>
              <Plate role="button" label={`Add ${PLURAL[list.word]}`} onPress={() => setShown(entries + 1)} />
            </View>
          )}
        </>
      )}
      {station === 'breaker' && !absent && (
        <View style={{ marginTop: 18 }}>
          <RatingRow site={inspection.case} />
        </View>
      )}
      {station === 'neutral' && <NeutralDrawing site={inspection.case} />}
    </View>
  );
}

/** The one main act of a sheet: on to the next station that applies, and from the last one to the findings. */
export function NextStation({ walk, station }: { walk: Walk; station: Station }) {
  const router = useRouter();
  const next = STATIONS.slice(STATIONS.indexOf(station) + 1).find(
    (one) => walk.states[STATIONS.indexOf(one)] !== 'absent',
  );
  return (
    <Button
      title={next ? `Next: ${STATION_NAMES[next]}` : 'Findings'}
      onPress={() => router.replace(`/inspection/${walk.inspection.id}/${next ?? 'findings'}`)}
    />
  );
}
