import { useLocalSearchParams, useRouter } from 'expo-router';
import { Suspense, lazy, useCallback, useEffect, useEffectEvent, useMemo, useRef, useState } from 'react';
import { ScrollView, View, useWindowDimensions } from 'react-native';
import { STATIONS, STATION_NAMES, factAt, lastingPath, listOf, type Station } from '@careful-latch/core/case';
import { functionTestAt } from '@careful-latch/core/interlock';
import { evidenceOfFact } from '@careful-latch/core/record';
import {
  aboutWhat,
  factsOf,
  partOfEntry,
  partsAt,
  stateOfPart,
  wantedBy,
  type Reading,
} from '@careful-latch/core/walk';
import { stationState } from '@careful-latch/core/verdict';
import { Find } from './find';
import { EvidenceKey, EvidencePane } from '../evidence/evidence';
import { PathStrip } from '../drawn/path-line';
import type { Seen } from '../drawn/spot';
import { ClaimedAndFound } from '../inspection/claimed';
import { Differing } from '../inspection/differing';
import { OwnItems } from '../inspection/own-items';
import { SaveLine } from '../inspection/save-line';
import { useWalk } from '../inspection/use-inspection';
import type { Walk } from '../inspection/walk';
import { MeterPane, useMeter } from '../meter/meter';
import { Plate } from '../plates/plate';
import { record, useInspections } from '../stores/inspections';
import { usePreferences } from '../stores/preferences';
import { Strip } from '../strip/strip';
import { BackHome } from '../inspection/back-home';
import { useWide } from '../theme/screen';
import { usePalette } from '../theme/theme';
import { Quiet, Title } from '../theme/words';
import { AtItsSize } from './at-its-size';
import { Drawing, Entries } from './drawing';
import { useHand, type Said } from './hand';
import { valueOf } from './part-value';
import { useOffered } from './offered';

/** The table of wide screens; a phone needs none of it. */
const CircuitsTable = lazy(async () => ({ default: (await import('../tables/tables')).CircuitsTable }));

const Help = lazy(async () => ({ default: (await import('../help/help')).Help }));

/** Below this height a drawing and the strip under it have no room. */
const LOW_PX = 520;

/** A station as it hangs on the wall: drawn from what is recorded, each part a target, and the strip under the thumb. */
export function WallScreen({ station }: { station: Station }) {
  const walk = useWalk();
  return walk ? <Wall key={`${walk.inspection.id} ${station}`} walk={walk} station={station} /> : null;
}

function Wall({ walk, station }: { walk: Walk; station: Station }) {
  const palette = usePalette();
  const wide = useWide();
  const { width, height } = useWindowDimensions();
  const router = useRouter();
  const { part, fact } = useLocalSearchParams<{ part?: string; fact?: string }>();
  const { inspection, evaluation } = walk;
  const id = inspection.id;
  const c = inspection.case;
  const offered = useOffered(id);
  const [finding, setFinding] = useState(false);
  const setAllFacts = usePreferences((one) => one.setAllFacts);
  const go = useCallback(
    (to: Station, at?: string) =>
      router.replace(`/inspection/${id}/${to}${at === undefined ? '' : `?part=${encodeURIComponent(at)}`}` as never),
    [router, id],
  );
  const hand = useHand(walk, station, offered, go);
  const { inHand, acts } = hand;
  const { touch, pick } = acts;
  const onNamed = useEffectEvent(() => {
    if (part !== undefined) touch(part);
    if (fact !== undefined) pick(fact);
  });
  useEffect(() => onNamed(), [part, fact]); // once for each part or fact that the address names
  const canUndo = useInspections((one) => one.undos.some((each) => each.inspection === id));
  /** The cord, stretch or circuit whose parts are drawn. */
  const shown = inHand.here?.index ?? 0;
  const wanted = useMemo(() => wantedBy(evaluation), [evaluation]);
  const parts = useMemo(
    () =>
      partsAt(c, station)
        .filter((one) => one.index === undefined || one.index === shown)
        .map((one): Seen => ({
          id: one.id,
          name: one.part.name,
          state: stateOfPart(c, evaluation, one, wanted),
          value: valueOf(c, one),
          inHand: one.id === inHand.here?.id,
        })),
    [c, station, evaluation, wanted, shown, inHand.here?.id],
  );
  const absent =
    stationState(c, evaluation, station) === 'absent'
      ? evaluation.outcomes.find((one) => one.station === station && one.outcome === 'not-applicable')?.reason
      : undefined;
  const meter = useMeter(inspection.header.address);
  const again = useRef<() => void>(undefined);
  const measure = (paths: readonly string[], reading?: Reading) => {
    again.current = () => measure(paths, reading);
    void meter.take(paths, (taken, instrument) => {
      const says: Said[] = reading ? acts.says(reading).map(([path, value]) => [path, value, 'touched']) : [];
      acts.say([...says, ...taken.map(({ path, value }): Said => [path, value])], 'meter', instrument);
    });
  };
  // A reading is for the part that was in hand when it was asked for.
  const stop = meter.stop;
  useEffect(() => stop, [stop, inHand.here?.id]);
  /** The fact whose photos and notes are looked at: the one that is asked, or the first of a part that is read at one glance. */
  const { here, question } = inHand;
  const about = question?.kind === 'fact' ? question.path : here && factsOf(c, here)[0];
  const [shows, setShows] = useState<string>();
  /** What the apprentice asked how to look at. */
  const [helping, setHelping] = useState<string>();
  const asked = here && question && aboutWhat(here, question);
  const evidence = about === undefined ? [] : evidenceOfFact(inspection.evidence, c, about);
  const onNext = (to: Station | undefined) => (to ? go(to) : router.replace(`/inspection/${id}/findings`));
  const list = listOf(station);
  const count = list ? ((factAt(c, list.list) as unknown[] | undefined)?.length ?? 0) : 0;
  const head = !wide && (
    <View style={{ paddingHorizontal: 12, paddingTop: 4 }}>
      <BackHome inspection={inspection} />
      <PathStrip states={walk.states} here={STATIONS.indexOf(station)} />
    </View>
  );
  const drawn = (
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
            pick(path);
          }}
        />
      )}
      <Differing inspection={inspection} station={station} />
      {absent ? (
        <Quiet>{absent}</Quiet>
      ) : (
        <AtItsSize inHand={here?.id}>
          <Drawing walk={walk} station={station} parts={parts} hand={hand} />
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
          onTouch={(index) => touch(partOfEntry(c, station, index)!.id)}
          onAdd={acts.add}
          onRemove={(index) => record({ type: 'remove', inspection: id, list: list.list, index })}
        />
      )}
    </View>
  );
  const strip = (
    <Strip
      site={c}
      station={station}
      hand={hand}
      there={offered.address}
      trials={station === 'function' ? functionTestAt(c) : []}
      canUndo={canUndo}
      onNext={onNext}
      onMeter={measure}
      instead={
        meter.now ? (
          <MeterPane meter={meter} onAgain={() => again.current?.()} />
        ) : here && asked !== undefined && helping === asked ? (
          <Suspense fallback={null}>
            <Help site={c} here={here} />
          </Suspense>
        ) : about !== undefined && shows === about ? (
          <EvidencePane inspection={id} about={lastingPath(c, about)} evidence={evidence} />
        ) : null
      }
      onHelp={() => setHelping(helping === asked ? undefined : asked)}
      evidence={
        about !== undefined && (
          <EvidenceKey
            count={evidence.length}
            open={shows === about}
            onPress={() => setShows(shows === about ? undefined : about)}
          />
        )
      }
      save={wide ? null : <SaveLine />}
    />
  );
  const room = { flex: 1, backgroundColor: palette.paper } as const;
  // A phone on its side has the strip beside the drawing; where letters are large, one is scrolled to from the other.
  if (height < LOW_PX && width > height)
    return (
      <View style={[room, { flexDirection: 'row' }]}>
        <ScrollView tabIndex={0} style={{ flex: 1 }}>
          {head}
          {drawn}
        </ScrollView>
        <ScrollView style={{ flex: 1 }}>{strip}</ScrollView>
      </View>
    );
  if (height < LOW_PX)
    return (
      <ScrollView tabIndex={0} style={room}>
        {head}
        {drawn}
        {strip}
      </ScrollView>
    );
  return (
    <View style={room}>
      {head}
      <ScrollView tabIndex={0} style={{ flex: 1 }}>
        {drawn}
      </ScrollView>
      {strip}
    </View>
  );
}
