import { absence, circuitAt, valueText } from '../case';
import { Missing, smallConductorLimitA, type Look } from '../electrical';
import { tableAmpacityA, type WireSize } from '../codebook';

export type Leg = 'A' | 'B';

/** Leg of a slot: slots stand in rows of two, odd left and even right; rows alternate between the legs, a tandem's halves share one. */
export function legOf(slot: number): Leg {
  return Math.ceil(slot / 2) % 2 === 1 ? 'A' : 'B';
}

/** A circuit or appliance that is meant to run on the source. */
export interface Load {
  readonly index: number;
  readonly plan: 'run' | 'in-turn';
  readonly volts: 120 | 240;
  readonly runningW: number;
  /** Both legs for 240 V; undefined where there is no panel. */
  readonly legs: readonly Leg[] | undefined;
}

/** How a circuit is called in a finding: "circuit 3, Well pump". */
export function circuitName(look: Look, index: number): string {
  const path = circuitAt(index).use;
  const use = look.peek(path);
  return use === undefined ? `circuit ${index + 1}` : `circuit ${index + 1}, ${valueText(path, use)}`;
}

/** Indexes of the circuits that may be on while the source runs. Throws `Missing` while a plan is unknown. */
export function plannedCircuits(look: Look): readonly number[] {
  return look.once('planned circuits', computePlannedCircuits);
}

function computePlannedCircuits(look: Look): number[] {
  look.needAll(...Array.from({ length: look.circuits }, (_, i) => circuitAt(i).plan));
  return Array.from({ length: look.circuits }, (_, i) => i).filter((i) => look.need(circuitAt(i).plan) !== 'off');
}

/** Every load that may be on, with its leg. Throws `Missing` where facts lack. */
export function plannedLoads(look: Look): readonly Load[] {
  return look.once('planned loads', computePlannedLoads);
}

function computePlannedLoads(look: Look): Load[] {
  const inPanel = absence('transfer', look.need('transfer.kind')) === undefined;
  const planned = plannedCircuits(look);
  look.needAll(
    ...planned.flatMap((i) => [circuitAt(i).volts, circuitAt(i).runningW, ...(inPanel ? [circuitAt(i).slot] : [])]),
  );
  return planned.map((i) => {
    const volts = look.need(circuitAt(i).volts) === '240' ? 240 : 120;
    return {
      index: i,
      plan: look.need(circuitAt(i).plan) as 'run' | 'in-turn',
      volts,
      runningW: look.need(circuitAt(i).runningW),
      legs: inPanel ? (volts === 240 ? ['A', 'B'] : [legOf(look.need(circuitAt(i).slot))]) : undefined,
    };
  });
}

/** Watts that may be on at once: everything that runs, and the largest of those that take turns. */
const atOnce = (loads: readonly Load[], wattsOf: (load: Load) => number): number =>
  loads.filter((one) => one.plan === 'run').reduce((sum, one) => sum + wattsOf(one), 0) +
  Math.max(0, ...loads.filter((one) => one.plan === 'in-turn').map(wattsOf));

const onLeg = (leg: Leg) => (load: Load) => (load.legs?.includes(leg) ? load.runningW / load.legs.length : 0);

export interface LegSums {
  readonly A: number;
  readonly B: number;
  readonly total: number;
}

/** Running watts at once on each leg and in all, W; a 240 V load takes half on each leg. */
export function legSums(loads: readonly Load[]): LegSums {
  return { A: atOnce(loads, onLeg('A')), B: atOnce(loads, onLeg('B')), total: atOnce(loads, (one) => one.runningW) };
}

/** The smallest 120 V load whose move to the other leg brings both within a limit; undefined if none does. */
export function loadToMove(loads: readonly Load[], limitW: number): Load | undefined {
  const swapped = (moved: Load): Load[] =>
    loads.map((one) => (one === moved ? { ...one, legs: [one.legs![0] === 'A' ? 'B' : 'A'] } : one));
  return [...loads]
    .filter((one) => one.volts === 120 && one.legs !== undefined)
    .sort((a, b) => a.runningW - b.runningW)
    .find((one) => {
      const { A, B } = legSums(swapped(one));
      return A <= limitW && B <= limitW;
    });
}

/** Largest device for a branch conductor of copper, A: 240.4(D), above its sizes the 60 °C column. */
export const branchLimitA = (size: WireSize): number =>
  smallConductorLimitA('copper', size) ?? tableAmpacityA('copper', size, 60)!;

/** Circuits that share a neutral, by group. Throws `Missing` while a group is unknown. */
export function neutralGroups(look: Look, among: readonly number[]): number[][] {
  look.needAll(...among.map((i) => circuitAt(i).neutralGroup));
  const groups = new Map<string, number[]>();
  for (const i of among) {
    const group = look.need(circuitAt(i).neutralGroup);
    if (group !== 'own') groups.set(group, [...(groups.get(group) ?? []), i]);
  }
  return [...groups.values()].filter((one) => one.length > 1);
}

/** Ends with `Missing` naming the circuits' facts; for rules that look at every circuit. */
export function needOfEach(
  look: Look,
  among: readonly number[],
  ...keys: ('moved' | 'neutralGroup' | 'sizeAwg')[]
): void {
  const missing = among.flatMap((i) =>
    keys.map((key) => circuitAt(i)[key]).filter((path) => look.known(path) === undefined),
  );
  if (missing.length > 0) throw new Missing(missing);
}
