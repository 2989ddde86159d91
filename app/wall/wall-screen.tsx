import { useLocalSearchParams, useRouter } from 'expo-router';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { ScrollView, View } from 'react-native';
import {
  NOT_SEEN,
  STATIONS,
  STATION_NAMES,
  factAt,
  listOf,
  metaOf,
  partName,
  recordedAt,
  valueText,
  type Station,
} from '@careful-latch/core/case';
import { functionTestAt } from '@careful-latch/core/interlock';
import {
  factsOf,
  partsAt,
  stateOfPart,
  wantedBy,
  type PartHere,
  type Question,
  type Reading,
} from '@careful-latch/core/walk';
import { stationState } from '@careful-latch/core/verdict';
import { Find } from './find';
import { Disagreements } from './disagreements';
import { Currents, Pole } from '../drawn/currents';
import { MechanismAt } from '../drawn/mechanism';
import { PanelHandles } from '../drawn/panel';
import { PathStrip } from '../drawn/path-line';
import { Row } from '../drawn/row';
import { Behind, SCENES } from '../drawn/scenes';
import { Sheet, type Seen } from '../drawn/spot';
import { SaveLine } from '../inspection/save-line';
import { useWalk } from '../inspection/use-inspection';
import type { Walk } from '../inspection/walk';
import { MeterPane, useMeter } from '../meter/meter';
import { Plate } from '../plates/plate';
import { record, useInspections } from '../stores/inspections';
import { usePreferences } from '../stores/preferences';
import { Strip } from '../strip/strip';
import { Back } from '../theme/back';
import { useWide } from '../theme/screen';
import { usePalette } from '../theme/theme';
import { Quiet, Title } from '../theme/words';
import { useHand, type Said } from './hand';
import { useUsual } from './usual';

/** A part's readings in a few words: the first that are known. */
function valueOf(walk: Walk, here: PartHere): string {
  const c = walk.inspection.case;
  const known = factsOf(c, here).filter((path) => factAt(c, path) !== undefined);
  // What was read at one glance, as it was read.
  const said = known.map((path) => recordedAt(c, path)).filter((one) => one?.how === 'reading' || one?.how === 'usual');
  if (said.length > 1 && said.length === known.length && said.every((one) => one!.said === said[0]!.said))
    return said[0]!.said ?? '';
  // What is read off a part says more than that somebody nodded.
  const weight = (path: string) => {
    const { kind, drawing, unit } = metaOf(path);
    return kind === 'yes-no' || (kind === 'amount' && unit === '')
      ? 2
      : kind === 'choice' && drawing !== 'configuration'
        ? 1
        : 0;
  };
  const [first, second] = known.toSorted((a, b) => weight(a) - weight(b));
  if (first === undefined) return '';
  const both = second !== undefined && weight(second) < 2 ? [first, second] : [first];
  return both
    .map((path) => {
      const value = factAt(c, path);
      return value === NOT_SEEN ? 'not seen' : valueText(path, value);
    })
    .join(', ');
}

/** A station as it hangs on the wall: drawn from what is recorded, each part a target, and the strip under the thumb. */
export function WallScreen({ station }: { station: Station }) {
  const walk = useWalk();
  return walk ? <Wall key={`${walk.inspection.id} ${station}`} walk={walk} station={station} /> : null;
}

function Wall({ walk, station }: { walk: Walk; station: Station }) {
  const palette = usePalette();
  const wide = useWide();
  const router = useRouter();
  const { part, fact } = useLocalSearchParams<{ part?: string; fact?: string }>();
  const { inspection, evaluation } = walk;
  const id = inspection.id;
  const c = inspection.case;
  const usual = useUsual(id);
  const [finding, setFinding] = useState(false);
  const setAllFacts = usePreferences((one) => one.setAllFacts);
  const go = useCallback(
    (to: Station, at?: string) =>
      router.replace(`/inspection/${id}/${to}${at === undefined ? '' : `?part=${encodeURIComponent(at)}`}` as never),
    [router, id],
  );
  const hand = useHand(walk, station, usual, go);
  const { inHand, acts } = hand;
  const touch = acts.touch;
  useEffect(() => {
    if (part !== undefined) touch(part);
  }, [part]); // eslint-disable-line react-hooks/exhaustive-deps -- once for each part that the address names
  const pick = acts.pick;
  useEffect(() => {
    if (fact !== undefined) pick(fact);
  }, [fact]); // eslint-disable-line react-hooks/exhaustive-deps -- once for each fact that the address names
  const canUndo = useInspections((one) => one.undos.some((each) => each.inspection === id));
  const entry = inHand.here?.entry;
  const wanted = useMemo(() => wantedBy(evaluation), [evaluation]);
  const parts = useMemo(
    () =>
      partsAt(c, station)
        .filter((one) => one.entry === undefined || one.entry === (entry ?? firstEntry(station)))
        .map((one): Seen => ({
          id: one.id,
          name: one.part.name,
          state: stateOfPart(c, evaluation, one, wanted),
          value: valueOf(walk, one),
          inHand: one.id === inHand.here?.id,
        })),
    [c, station, evaluation, wanted, walk, entry, inHand.here?.id],
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
  const onNext = (to: Station | undefined) => (to ? go(to) : router.replace(`/inspection/${id}/findings`));
  const list = listOf(station);
  const count = list ? ((factAt(c, list.list) as unknown[] | undefined)?.length ?? 0) : 0;
  return (
    <View style={{ flex: 1, backgroundColor: palette.paper }}>
      {!wide && (
        <View style={{ paddingHorizontal: 12, paddingTop: 4 }}>
          <Back to={`/inspection/${id}`} label={inspection.header.address} />
          <PathStrip states={walk.states} here={STATIONS.indexOf(station)} />
        </View>
      )}
      <ScrollView
        tabIndex={0}
        style={{ flex: 1 }}
        contentContainerStyle={{ paddingHorizontal: 12, paddingBottom: 10, gap: 8 }}
      >
        <View style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between', gap: 8 }}>
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
        {absent ? <Quiet>{absent}</Quiet> : <Drawing walk={walk} station={station} parts={parts} hand={hand} />}
        {list && !absent && station !== 'loads' && (
          <Entries
            word={list.word}
            list={list.list}
            count={count}
            entry={entry}
            onTouch={(index) => touch(partsAt(c, station).find((one) => one.entry === `${list.list}[${index}]`)!.id)}
            onAdd={acts.add}
            onRemove={(index) => record({ type: 'remove', inspection: id, list: list.list, index })}
          />
        )}
      </ScrollView>
      <Strip
        site={c}
        station={station}
        hand={hand}
        trials={station === 'function' ? functionTestAt(c) : []}
        canUndo={canUndo}
        onNext={onNext}
        onMeter={measure}
        meter={meter.now && <MeterPane meter={meter} onAgain={() => again.current?.()} />}
        save={wide ? null : <SaveLine />}
      />
    </View>
  );
}

const firstEntry = (station: Station) => {
  const list = listOf(station);
  return list && `${list.list}[0]`;
};

/** Cords, stretches or circuits side by side: the one whose parts are shown, the others, and one more. */
function Entries({
  word,
  list,
  count,
  entry,
  onTouch,
  onAdd,
  onRemove,
}: {
  word: string;
  list: string;
  count: number;
  entry: string | undefined;
  onTouch: (index: number) => void;
  onAdd: () => void;
  onRemove: (index: number) => void;
}) {
  const shown = entry === undefined ? 0 : Number(/\[(\d+)\]/.exec(entry)![1]);
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
      {count > 1 &&
        Array.from({ length: count }, (_, i) => (
          <Plate
            key={i}
            role="radio"
            selected={i === shown}
            label={partName(`${list}[${i}]`)!}
            onPress={() => onTouch(i)}
          />
        ))}
      <Plate role="button" quiet label={`Add another ${word}`} onPress={onAdd} />
      {count > 1 && (
        <Plate role="button" quiet label={`Take out ${word} ${shown + 1}`} onPress={() => onRemove(shown)} />
      )}
    </View>
  );
}

/** How the mechanism must stand for the move that is asked for. */
const GIVEN: Readonly<Record<string, Readonly<Record<string, number>>>> = {
  'function.generatorWithMainOn': { utility: 1 },
  'function.mainWithGeneratorOn': { generator: 1, plate: 2, 'generator plate': 1 },
  'function.bothWithPartMoved': { utility: 1, plate: 1 },
  'function.opensFirst': { utility: 1, 'handle 1': 1 },
};
const givenFor = (question: Question | undefined) =>
  (question?.kind === 'fact' ? GIVEN[question.path] : undefined) ?? {};

/** Stations that see their neighbors: each of them may be the weakest. */
const IN_ROW: readonly Station[] = ['cord', 'inlet', 'feeder', 'breaker'];

/** The drawing of a station, and a tag for each part that has no place of its own in it. */
function Drawing({
  walk,
  station,
  parts,
  hand: { inHand, acts },
}: {
  walk: Walk;
  station: Station;
  parts: readonly Seen[];
  hand: ReturnType<typeof useHand>;
}) {
  const c = walk.inspection.case;
  const onSlot = (slot: number, index: number | undefined) => {
    if (index !== undefined)
      return acts.touch(partsAt(c, 'loads').find((one) => one.entry === `loads.circuits[${index}]`)!.id);
    const circuits = c.loads?.circuits ?? [];
    const free = circuits.findIndex((one) => one.slot === undefined);
    acts.say([[`loads.circuits[${free >= 0 ? free : circuits.length}].slot`, slot]], 'touched');
  };
  if (station === 'loads') {
    const cords = c.transfer?.kind === 'none-cords';
    const entry = inHand.here?.entry;
    return (
      <>
        {cords ? (
          <Loads walk={walk} acts={acts} />
        ) : (
          <PanelHandles
            site={c}
            inHand={entry === undefined ? undefined : Number(/\[(\d+)\]/.exec(entry)![1])}
            onSlot={onSlot}
          />
        )}
        <Tags parts={parts} onTouch={acts.touch} />
      </>
    );
  }
  if (station === 'function')
    return (
      <>
        <View style={{ flexDirection: 'row', gap: 12 }}>
          <MechanismAt site={c} at={givenFor(inHand.question)} />
          <View style={{ flex: 1, minWidth: 0 }}>
            <Tags parts={parts} onTouch={acts.touch} />
          </View>
        </View>
        <Disagreements site={c} onHand={acts.pick} onMechanism={() => acts.pick('transfer.mechanism')} />
      </>
    );
  const scene = SCENES[station];
  const places = scene.places;
  const tags = parts.filter((one) => places[one.id.split(' ')[0]!] === undefined);
  return (
    <>
      {IN_ROW.includes(station) && <Row site={c} here={station} />}
      {station === 'transfer' ? (
        <View>
          <View style={{ position: 'absolute', left: 0, top: 0, zIndex: 0 }}>
            <MechanismAt site={c} />
          </View>
          <Sheet height={scene.height} parts={parts} places={places} onTouch={acts.touch} />
        </View>
      ) : (
        <Sheet height={scene.height} parts={parts} places={places} onTouch={acts.touch}>
          <Behind scene={scene} site={c} />
        </Sheet>
      )}
      {station === 'neutral' && <Currents site={c} />}
      {station === 'transfer' && <Pole site={c} />}
      {tags.length > 0 && <Tags parts={tags} onTouch={acts.touch} />}
    </>
  );
}

/** What hangs on cords of its own. */
function Loads({ walk, acts }: { walk: Walk; acts: ReturnType<typeof useHand>['acts'] }) {
  const circuits = walk.inspection.case.loads?.circuits ?? [];
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
      {circuits.map((circuit, i) => (
        <Plate
          key={circuit.id}
          role="button"
          label={circuit.use === undefined ? `Load ${i + 1}` : valueText(`loads.circuits[${i}].use`, circuit.use)}
          onPress={() =>
            acts.touch(partsAt(walk.inspection.case, 'loads').find((one) => one.entry === `loads.circuits[${i}]`)!.id)
          }
        />
      ))}
      <Plate role="button" quiet label="Add another circuit" onPress={acts.add} />
    </View>
  );
}

function Tags({ parts, onTouch }: { parts: readonly Seen[]; onTouch: (id: string) => void }) {
  const palette = usePalette();
  const color = { violated: palette.violation, known: palette.ink, open: palette.unproven, untouched: palette.quiet };
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8, marginTop: 6 }}>
      {parts.map((one) => (
        <View key={one.id} style={{ maxWidth: '100%', borderWidth: one.inHand ? 3 : 0, borderColor: palette.copper }}>
          <Plate
            role="button"
            testID={`part-${one.id}`}
            label={one.value ? `${one.name}: ${one.value}` : one.name}
            quiet={one.state === 'untouched'}
            style={{ borderBottomWidth: 3, borderColor: color[one.state] }}
            onPress={() => onTouch(one.id)}
          />
        </View>
      ))}
    </View>
  );
}
