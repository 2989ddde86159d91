import { Button } from '../theme/elements';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { memo, useCallback, useState } from 'react';
import { View } from 'react-native';
import { MOST_PARTS, STATIONS, STATION_NAMES, listOf, type Station } from '@careful-latch/core/case';
import type { Trial } from '@careful-latch/core/interlock';
import { touched, type ChangeBody } from '@careful-latch/core/record';
import { FactField } from '../plates/fact-field';
import { Plate } from '../plates/plate';
import { record } from '../stores/inspections';
import { usePalette } from '../theme/theme';
import { Heading, Quiet, Title, Words } from '../theme/words';
import { NeutralDrawing } from './neutral-drawing';
import { ClaimedAndFound } from './claimed';
import { Differing } from './differing';
import { OwnItems } from './own-items';
import { RatingRow } from './rating-row';
import { useFact, useSheet, useWalkSoon } from './use-inspection';
import type { Walk } from './walk';

const PLURAL: Readonly<Record<string, string>> = {
  cord: 'another cord',
  run: 'another run',
  circuit: 'another circuit',
};
/** Facts of other stations that decide here too, shown on the sheet so that nobody walks back for them. */
const ALSO: Readonly<Partial<Record<Station, string[]>>> = { neutral: ['source.neutralBond'] };

interface FactProps {
  readonly inspection: string;
  readonly path: string;
  readonly focused: boolean;
  readonly onRecord: (path: string, value: string | number | null, asRead?: string) => void;
  readonly trials: readonly Trial[] | undefined;
}

/** A fact by itself: a tap on it draws neither the sheet nor any other fact that it does not change. */
const Fact = memo(function Fact({ inspection, ...rest }: FactProps) {
  return <FactField {...rest} {...useFact(inspection, rest.path)} />;
});

/** What is drawn from several facts of the sheet; follows the answer. */
const Drawing = memo(function Drawing({ station }: { station: Station }) {
  const walk = useWalkSoon();
  if (!walk) return null;
  const site = walk.inspection.case;
  return station === 'neutral' ? <NeutralDrawing site={site} /> : <RatingRow site={site} />;
});

/** The office's own items; they follow the answer. */
const Own = memo(function Own({ station }: { station: Station }) {
  const walk = useWalkSoon();
  return walk ? (
    <>
      <OwnItems inspection={walk.inspection} station={station} />
      <ClaimedAndFound inspection={walk.inspection} station={station} />
    </>
  ) : null;
});

const Differ = memo(function Differ({ station }: { station: Station }) {
  const walk = useWalkSoon();
  return walk ? <Differing inspection={walk.inspection} station={station} /> : null;
});

/** A station's facts, each with its plates and its answer. */
export const StationSheet = memo(function StationSheet({
  inspection,
  station,
}: {
  inspection: string;
  station: Station;
}) {
  const palette = usePalette();
  const { fact } = useLocalSearchParams<{ fact?: string }>();
  const [trouble, setTrouble] = useState<string>();
  const change = useCallback((body: ChangeBody) => {
    try {
      record(body);
      setTrouble(undefined);
    } catch (error) {
      setTrouble((error as Error).message);
    }
  }, []);
  const onRecord = useCallback(
    (path: string, value: string | number | null, asRead?: string) => change(touched(inspection, path, value, asRead)),
    [change, inspection],
  );
  const list = listOf(station);
  const [shown, setShown] = useState(1); // an added cord or stretch is only shown until its first fact is recorded
  const own = useSheet(inspection, station, shown);
  if (!own) return null;
  const { groups, recorded, absent, moves } = own;
  const entries = groups.filter((group) => group.entry).length;
  const field = (path: string) => (
    <Fact
      key={path}
      inspection={inspection}
      path={path}
      onRecord={onRecord}
      focused={path === fact}
      trials={moves?.filter((one) => one.fact === path)}
    />
  );
  return (
    <View style={{ gap: 4 }}>
      <Title>{STATION_NAMES[station]}</Title>
      <Differ station={station} />
      {trouble && (
        <Words role="alert" color={palette.violation}>
          {trouble}
        </Words>
      )}
      {absent ? (
        <Quiet style={{ paddingVertical: 12 }}>{absent}</Quiet>
      ) : (
        <>
          {moves?.length === 0 && (
            <Quiet style={{ paddingVertical: 12 }}>
              {`Which moves to try depends on how the sources are kept apart: record that at ${STATION_NAMES.transfer} first.`}
            </Quiet>
          )}
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
                        if (index < recorded) change({ type: 'remove', inspection, list: list!.list, index });
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
      <Own station={station} />
      {station === 'breaker' && !absent && (
        <View style={{ marginTop: 18 }}>
          <Drawing station={station} />
        </View>
      )}
      {station === 'neutral' && <Drawing station={station} />}
    </View>
  );
});

/** The one main act of a sheet: on to the next station that applies, and from the last one to the findings. */
export const NextStation = memo(function NextStation({ walk, station }: { walk: Walk; station: Station }) {
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
});
