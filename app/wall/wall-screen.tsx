import { useLocalSearchParams, useRouter } from 'expo-router';
import { Suspense, lazy, memo, useCallback, useEffect, useEffectEvent, useRef, useState } from 'react';
import { ScrollView, View, useWindowDimensions } from 'react-native';
import { STATIONS, lastingPath, type Station } from '@careful-latch/core/case';
import { functionTestAt } from '@careful-latch/core/interlock';
import { evidenceOfFact } from '@careful-latch/core/record';
import { aboutWhat, factsOf, type Reading } from '@careful-latch/core/walk';
import { EvidenceKey, EvidencePane } from '../evidence/evidence';
import { PathStrip } from '../drawn/path-line';
import { BackHome } from '../inspection/back-home';
import { SaveLine } from '../inspection/save-line';
import { useWalk } from '../inspection/use-inspection';
import type { Walk } from '../inspection/walk';
import { MeterPane, useMeter } from '../meter/meter';
import { useInspections } from '../stores/inspections';
import { Strip } from '../strip/strip';
import { useWide } from '../theme/screen';
import { usePalette } from '../theme/theme';
import { useSoon } from '../theme/use-soon';
import { useHand, type Said } from './hand';
import { useOffered } from './offered';
import { StationDrawn } from './station-drawn';

const Help = lazy(async () => ({ default: (await import('../help/help')).Help }));

/** Below this height a drawing and the strip under it have no room. */
const LOW_PX = 520;

/** A station as it hangs on the wall: drawn from what is recorded, each part a target, and the strip under the thumb. */
export function WallScreen({ station }: { station: Station }) {
  const walk = useWalk();
  return walk ? <Wall key={`${walk.inspection.id} ${station}`} walk={walk} station={station} /> : null;
}

/** Where this is on the path; follows the answer, as the drawing does. */
const StationHead = memo(function StationHead({ walk, station }: { walk: Walk; station: Station }) {
  const { inspection, states } = useSoon(walk);
  return (
    <View style={{ paddingHorizontal: 12, paddingTop: 4 }}>
      <BackHome inspection={inspection} />
      <PathStrip states={states} here={STATIONS.indexOf(station)} />
    </View>
  );
});

function Wall({ walk, station }: { walk: Walk; station: Station }) {
  const palette = usePalette();
  const wide = useWide();
  const { width, height } = useWindowDimensions();
  const router = useRouter();
  const { part, fact } = useLocalSearchParams<{ part?: string; fact?: string }>();
  const { inspection } = walk;
  const id = inspection.id;
  const c = inspection.case;
  const offered = useOffered(id);
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
  const meter = useMeter(inspection.header.address);
  const again = useRef<() => void>(undefined);
  const typed = useRef<(path: string) => void>(undefined);
  const measure = (paths: readonly string[], reading?: Reading) => {
    again.current = () => measure(paths, reading);
    typed.current = (path) => {
      meter.stop();
      const says = reading ? acts.says(reading) : [];
      // Of a marking that has begun the rest is asked by itself; what it says is not hidden by a question.
      if (says.length > 0) acts.say(says, 'touched');
      else acts.change(path);
    };
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
  const head = !wide && <StationHead walk={walk} station={station} />;
  const drawn = (
    <StationDrawn
      walk={walk}
      station={station}
      part={here?.id}
      entry={here?.index}
      asked={question?.kind === 'fact' ? question.path : undefined}
      pairing={inHand.pairing}
      acts={acts}
    />
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
          <MeterPane meter={meter} onAgain={() => again.current?.()} onType={(path) => typed.current?.(path)} />
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
      save={wide ? null : <SaveLine steady />}
      heightPx={height < LOW_PX ? undefined : Math.min(wide ? 340 : 420, height / 2)}
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
