import { Suspense, lazy, memo, useMemo, useState } from 'react';
import { View } from 'react-native';
import { STATION_NAMES, factAt, listOf, type Station } from '@careful-latch/core/case';
import { doubtOf, factsOf, partOfEntry, partsAt, stateOfPart, stationState, wantedBy } from '@careful-latch/core/walk';
import type { Hung } from '../drawn/spot';
import { ClaimedAndFound } from '../inspection/claimed';
import { Differing } from '../inspection/differing';
import { OwnItems } from '../inspection/own-items';
import type { Walk } from '../inspection/walk';
import { Plate } from '../plates/plate';
import { record } from '../stores/inspections';
import { usePreferences } from '../stores/preferences';
import { useWide } from '../theme/screen';
import { useSoon } from '../theme/use-soon';
import { Quiet, Title } from '../theme/words';
import { AtItsSize } from './at-its-size';
import { Drawing, Entries } from './drawing';
import { Find } from './find';
import type { Acts } from './hand';
import { valueOf } from './part-value';

/** The table of wide screens; a phone needs none of it. */
const CircuitsTable = lazy(async () => ({ default: (await import('../tables/tables')).CircuitsTable }));

interface Props {
  readonly walk: Walk;
  readonly station: Station;
  /** The part in hand, and the cord, stretch or circuit to which it belongs. */
  readonly part: string | undefined;
  readonly entry: number | undefined;
  /** The one fact that is asked. */
  readonly asked: string | undefined;
  /** The circuit that waits for the one that shares its neutral. */
  readonly pairing: number | undefined;
  readonly acts: Acts;
}

/** A station as it hangs on the wall. It follows a frame after the strip, where the answer to a touch stands. */
export const StationDrawn = memo(function StationDrawn({ walk, station, part, entry, asked, pairing, acts }: Props) {
  const shows = useSoon(useMemo(() => ({ walk, part, entry, asked, pairing }), [walk, part, entry, asked, pairing]));
  return <Drawn {...shows} station={station} acts={acts} />;
});

const Drawn = memo(function Drawn({ walk, station, part, entry, asked, pairing, acts }: Props) {
  const wide = useWide();
  const [finding, setFinding] = useState(false);
  const setAllFacts = usePreferences((one) => one.setAllFacts);
  const { inspection, evaluation } = walk;
  const { id, case: c } = inspection;
  /** The cord, stretch or circuit whose parts are drawn. */
  const shown = entry ?? 0;
  const wanted = useMemo(() => wantedBy(evaluation), [evaluation]);
  const parts = useMemo(
    () =>
      partsAt(c, station)
        .filter((one) => one.index === undefined || one.index === shown)
        .map((one): Hung => ({
          id: one.id,
          name: one.part.name,
          state: stateOfPart(c, evaluation, one, wanted, inspection.rules?.profile),
          value: valueOf(c, one),
          inHand: one.id === part,
          here: one,
          doubted: factsOf(c, one).some((path) => doubtOf(evaluation, path) !== undefined),
        })),
    [c, station, evaluation, wanted, inspection.rules?.profile, shown, part],
  );
  const absent =
    stationState(c, evaluation, station) === 'absent'
      ? evaluation.outcomes.find((one) => one.station === station && one.outcome === 'not-applicable')?.reason
      : undefined;
  const list = listOf(station);
  const count = list ? ((factAt(c, list.list) as unknown[] | undefined)?.length ?? 0) : 0;
  return (
    <View style={{ paddingHorizontal: 12, paddingBottom: 10, gap: 8 }}>
      <View
        style={{
          flexDirection: 'row',
          flexWrap: 'wrap',
          alignItems: 'center',
          justifyContent: 'space-between',
          gap: 8,
        }}
      >
        <Title style={{ fontSize: 24, lineHeight: 30 }}>{STATION_NAMES[station]}</Title>
        <View style={{ flexDirection: 'row', gap: 8 }}>
          <Plate role="button" quiet label={finding ? 'Close' : 'Find'} onPress={() => setFinding(!finding)} />
          <Plate role="button" quiet label="All facts" onPress={() => setAllFacts(true)} />
        </View>
      </View>
      {finding && (
        <Find
          site={c}
          onPick={(path) => {
            setFinding(false);
            acts.pick(path);
          }}
        />
      )}
      <Differing inspection={inspection} station={station} />
      {absent ? (
        <Quiet>{absent}</Quiet>
      ) : (
        <AtItsSize inHand={part}>
          <Drawing
            walk={walk}
            station={station}
            parts={parts}
            asked={asked}
            entry={entry}
            pairing={pairing}
            acts={acts}
          />
        </AtItsSize>
      )}
      <OwnItems inspection={inspection} station={station} />
      <ClaimedAndFound inspection={inspection} station={station} />
      {wide && !absent && station === 'loads' && (
        <Suspense fallback={null}>
          <CircuitsTable inspection={id} site={c} />
        </Suspense>
      )}
      {list && !absent && station !== 'loads' && (
        <Entries
          word={list.word}
          list={list.list}
          count={count}
          shown={shown}
          onTouch={(index) => acts.touch(partOfEntry(c, station, index)!.id)}
          onAdd={acts.add}
          onRemove={(index) => record({ type: 'remove', inspection: id, list: list.list, index })}
        />
      )}
    </View>
  );
});
