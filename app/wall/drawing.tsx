import { View } from 'react-native';
import { isAsked, partName, valueText, type Case, type Station } from '@careful-latch/core/case';
import { functionTestAt, type Positions } from '@careful-latch/core/interlock';
import { atPlace, atRing, partOfEntry, turnedExhaust } from '@careful-latch/core/walk';
import { Currents, Pole } from '../drawn/currents';
import { useMechanism } from '../drawn/mechanism';
import { PanelHandles } from '../drawn/panel';
import { Row } from '../drawn/row';
import { ThingSheet } from '../drawn/thing-sheet';
import { THINGS } from '../drawn/things';
import type { Thing } from '../drawn/things/thing';
import { BODY } from '../drawn/things/transfer';
import { WhichPanel } from '../drawn/which-panel';
import { SitingDrawn, SitingTargets } from '../drawn/siting';
import { sitingPlan } from '../drawn/siting-plan';
import type { Place } from '../drawn/list';
import { Sheet, type Hung, type Seen } from '../drawn/spot';
import type { Walk } from '../inspection/walk';
import { Plate } from '../plates/plate';
import { usePalette } from '../theme/theme';
import { Disagreements } from './disagreements';
import type { Acts } from './hand';

/** Stations that see their neighbors: each of them may be the weakest. */
const IN_ROW: readonly Station[] = ['cord', 'inlet', 'feeder', 'breaker'];

/** The drawing of a station, and a tag for each part that has no place of its own in it. */
export function Drawing({
  walk,
  station,
  parts,
  asked,
  entry,
  pairing,
  acts,
}: {
  walk: Walk;
  station: Station;
  parts: readonly Hung[];
  /** The one fact that is asked. */
  asked: string | undefined;
  /** The circuit in hand. */
  entry: number | undefined;
  /** The circuit that waits for the one that shares its neutral. */
  pairing: number | undefined;
  acts: Acts;
}) {
  const c = walk.inspection.case;
  /** How the mechanism must stand for the move that is asked for. */
  const given = functionTestAt(c).find((one) => one.fact === asked)?.at;
  if (station === 'loads') {
    return (
      <>
        {!onCords(c) && <PanelHandles site={c} inHand={entry} pairing={pairing} onSlot={acts.slot} />}
        <InNoSlot site={c} acts={acts} />
        <Tags parts={parts} onTouch={acts.touch} />
      </>
    );
  }
  const thing = THINGS[station];
  if (thing)
    return (
      <>
        {IN_ROW.includes(station) && <Row site={c} here={station} />}
        {station === 'panel' && <WhichPanel site={c} />}
        {station === 'function' && (
          <Disagreements site={c} onHand={acts.pick} onMechanism={() => acts.pick('transfer.mechanism')} />
        )}
        {station === 'transfer' || station === 'function' ? (
          <Moving site={c} thing={thing} parts={parts} given={given} onTouch={acts.touch} />
        ) : (
          <ThingSheet thing={thing} site={c} entry={entry ?? 0} parts={parts} onTouch={acts.touch} />
        )}
        {station === 'neutral' && <Currents site={c} />}
        {station === 'transfer' && <Pole site={c} />}
      </>
    );
  return <Siting walk={walk} parts={parts} acts={acts} />;
}

/** Transfer equipment: where its model joins the two sources, the way there is played in the picture, a move at a time. */
function Moving({
  site,
  thing,
  parts,
  given,
  onTouch,
}: {
  site: Case;
  thing: Thing;
  parts: readonly Hung[];
  given: Positions | undefined;
  onTouch: (id: string) => void;
}) {
  const { at, joined, play } = useMechanism(site, given);
  return (
    <>
      <ThingSheet
        thing={thing}
        site={site}
        entry={0}
        parts={parts}
        at={at}
        joined={joined ? BODY : undefined}
        onTouch={onTouch}
      />
      {play}
    </>
  );
}

/** Where the parts hang that the plan of the house does not show. */
const SITING: { readonly height: number; readonly places: Readonly<Record<string, Place>> } = {
  height: 382,
  places: {
    'siting/place': [8, 204, 166, 60],
    'siting/exhaust': [184, 204, 166, 60],
    'siting/alarms': [8, 274, 166, 48],
    'siting/around': [184, 274, 166, 48],
    'siting/gas': [8, 330, 166, 48],
  },
};

/** The plan of the house: its places, rings and the exhaust record what they show. */
function Siting({ walk, parts, acts }: { walk: Walk; parts: readonly Seen[]; acts: Acts }) {
  const { case: site, rules } = walk.inspection;
  const plan = sitingPlan(site, rules?.profile?.numbers);
  const { height, places } = SITING;
  const against = new Set(walk.evaluation.outcomes.filter((one) => one.outcome === 'violation').map((one) => one.rule));
  return (
    <Sheet
      height={height}
      parts={parts}
      places={places}
      onTouch={acts.touch}
      over={
        <SitingTargets
          site={site}
          plan={plan}
          height={height}
          onPlace={(place) => acts.say(atPlace(place), 'touched')}
          onRing={(feet) => acts.say(atRing(site, feet), 'touched')}
          onExhaust={() => {
            const turned = turnedExhaust(site);
            if (turned) acts.say([turned], 'touched');
            else acts.touch('siting/exhaust');
          }}
        />
      }
    >
      <SitingDrawn plan={plan} against={against} />
    </Sheet>
  );
}

const onCords = (site: Case) => site.transfer?.kind === 'none-cords';

/** Circuits that the panel does not show: what hangs on cords of its own, and what nobody has found the slot of. */
function InNoSlot({ site, acts }: { site: Case; acts: Acts }) {
  const cords = onCords(site);
  const circuits = (site.loads?.circuits ?? []).map((circuit, index) => {
    const hasSlot = isAsked(site, `loads.circuits[${index}].slot`);
    return { ...circuit, index, hasSlot, placed: hasSlot && typeof circuit.slot === 'number' };
  });
  if (!cords && circuits.every((one) => one.placed)) return null;
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
      {circuits
        .filter((one) => !one.placed)
        .map(({ id, index, use, hasSlot }) => (
          <Plate
            key={id}
            role="button"
            testID={`in-no-slot-${index}`}
            label={use === undefined ? `Load ${index + 1}` : valueText(`loads.circuits[${index}].use`, use)}
            {...(hasSlot && { note: 'in no slot yet' })}
            onPress={() => acts.touch(partOfEntry(site, 'loads', index)!.id)}
          />
        ))}
      {cords && <Plate role="button" quiet label="Add another circuit" onPress={acts.add} />}
    </View>
  );
}

function Tags({ parts, onTouch }: { parts: readonly Seen[]; onTouch: (id: string) => void }) {
  const palette = usePalette();
  const color = {
    hazard: palette.violation,
    violated: palette.violation,
    known: palette.ink,
    open: palette.unproven,
    untouched: palette.quiet,
  };
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

/** Cords, stretches or circuits side by side: the one whose parts are shown, the others, and one more. */
export function Entries({
  word,
  list,
  count,
  shown,
  onTouch,
  onAdd,
  onRemove,
}: {
  word: string;
  list: string;
  count: number;
  shown: number;
  onTouch: (index: number) => void;
  onAdd: () => void;
  onRemove: (index: number) => void;
}) {
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
