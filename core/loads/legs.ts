import { circuitAt, valueText } from '../case';
import { Missing, rounded, smallConductorLimitA, type Look } from '../electrical';
import {
  MAY_BE_CONTINUOUS,
  SIZED_BY_NAMEPLATE,
  everyEdition,
  standardDeviceAtOrAboveA,
  tableAmpacityA,
} from '../codebook';

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
  return look.once(computePlannedCircuits);
}

function computePlannedCircuits(look: Look): number[] {
  const all = indexesTo(look.circuits);
  look.needOfEach(all, circuitAt, PLAN);
  return all.filter((i) => look.need(circuitAt(i).plan) !== 'off');
}

const PLAN = ['plan'] as const;

/** Every load that may be on, with its leg. Throws `Missing` where facts lack. */
export function plannedLoads(look: Look): readonly Load[] {
  return look.once(computePlannedLoads);
}

function computePlannedLoads(look: Look): Load[] {
  const inPanel = look.has('wired');
  const planned = plannedCircuits(look);
  look.needOfEach(planned, circuitAt, ['volts', 'runningW', ...(inPanel ? [legFact(look)] : [])]);
  return planned.map((index) => {
    const at = circuitAt(index);
    return {
      index,
      plan: look.need(at.plan) as 'run' | 'in-turn',
      volts: look.need(at.volts) === '240' ? 240 : 120,
      runningW: look.need(at.runningW),
      legs: inPanel ? legsOf(look, index) : undefined,
    };
  });
}

const BOTH_LEGS: readonly Leg[] = ['A', 'B'];

/** The fact that says on which leg of the source a circuit stands: its handle at a load-side switch, its slot elsewhere. */
export const legFact = (look: Look): 'sourceLeg' | 'slot' => (look.has('handlePerPole') ? 'sourceLeg' : 'slot');

/** Legs of the source that a circuit takes. Throws `Missing` where facts lack. */
export function legsOf(look: Look, index: number): readonly Leg[] {
  const at = circuitAt(index);
  if (look.has('handlePerPole')) {
    const leg = look.need(at.sourceLeg);
    return leg === 'both' ? BOTH_LEGS : [leg];
  }
  return look.need(at.volts) === '240' ? BOTH_LEGS : [legOf(look.need(at.slot))];
}

/** Facts that the legs of a planned circuit may need. */
export const PLAN_FACTS = [
  'transfer.kind',
  ...['plan', 'volts', 'runningW', 'slot', 'sourceLeg'].map((key) => `loads.circuits.${key}`),
];

export interface LegSums {
  readonly A: number;
  readonly B: number;
  readonly total: number;
}

/**
 * Running watts at once on each leg and in all, W: everything that runs, and the largest of those that take turns. A 240 V
 * load takes half on each leg.
 */
export function legSums(loads: readonly Load[]): LegSums {
  const run = { A: 0, B: 0, total: 0 };
  const turn = { A: 0, B: 0, total: 0 };
  for (const { plan, runningW, legs } of loads) {
    const a = legs?.includes('A') ? runningW / legs.length : 0;
    const b = legs?.includes('B') ? runningW / legs.length : 0;
    if (plan === 'run') {
      run.A += a;
      run.B += b;
      run.total += runningW;
    } else {
      turn.A = Math.max(turn.A, a);
      turn.B = Math.max(turn.B, b);
      turn.total = Math.max(turn.total, runningW);
    }
  }
  return {
    A: rounded(run.A + turn.A),
    B: rounded(run.B + turn.B),
    total: rounded(run.total + turn.total),
  };
}

/** The smallest of some loads that is enough by itself: with it changed, the sums are as they should be. Undefined if none is. */
const smallest = (
  among: readonly Load[],
  changed: (one: Load) => readonly Load[],
  right: (sums: LegSums) => boolean,
): Load | undefined => [...among].sort((a, b) => a.runningW - b.runningW).find((one) => right(legSums(changed(one))));

/**
 * The smallest 120 V load whose move to the other leg makes the sums right; undefined if none does. Only one with a neutral of
 * its own: of two that share theirs, a move would put both on one leg, and the neutral would carry the sum.
 */
export const loadToMove = (look: Look, loads: readonly Load[], right: (sums: LegSums) => boolean): Load | undefined =>
  smallest(
    loads.filter(
      ({ volts, legs, index }) =>
        volts === 120 && legs !== undefined && look.peek(circuitAt(index).neutralGroup) === 'own',
    ),
    (moved) => loads.map((one) => (one === moved ? { ...one, legs: [one.legs![0] === 'A' ? 'B' : 'A'] } : one)),
    right,
  );

/** What to keep off so that the sums are right: the smallest load that is enough by itself, else what is too much. */
export function whatToKeepOff(
  look: Look,
  loads: readonly Load[],
  tooMuch: string,
  right: (sums: LegSums) => boolean,
): string {
  const off = smallest(loads, (left) => loads.filter((one) => one !== left), right);
  return off ? circuitName(look, off.index) : tooMuch;
}

/** 0, 1, 2 … and so many of them. */
export function indexesTo(count: number): number[] {
  const indexes: number[] = [];
  for (let i = 0; i < count; i++) indexes.push(i);
  return indexes;
}

/** Largest device for a branch conductor, A: 240.4(D) up to its sizes, above them the 60 °C column and the next device. Throws `Missing` where the tables have no such conductor. */
export function branchLimit(look: Look, index: number): number {
  const at = circuitAt(index);
  look.needAll(at.sizeAwg, at.metal);
  const [size, metal] = [look.need(at.sizeAwg), look.need(at.metal)];
  const ampacityA = tableAmpacityA(metal, size, 60);
  if (ampacityA === undefined)
    throw new Missing([at.sizeAwg], `The tables have no ${size} AWG ${metal} conductor; read its marking again.`);
  const small = smallConductorLimitA(metal, size);
  if (small !== undefined)
    return look.step(`Largest device for ${size} AWG ${metal}`, small, 'A', everyEdition('240.4(D)'));
  return look.step(
    `Largest device for ${size} AWG ${metal}, ${ampacityA} A at 60 °C`,
    standardDeviceAtOrAboveA(ampacityA, look.edition) ?? ampacityA,
    'A',
    everyEdition('240.4(B)', '310.16'),
  );
}

/** Ampacity of a branch conductor that is a shared neutral, A: never above its 60 °C column or small-conductor limit. */
export function branchAmpacity(look: Look, index: number): number {
  const at = circuitAt(index);
  look.needAll(at.sizeAwg, at.metal);
  const [size, metal] = [look.need(at.sizeAwg), look.need(at.metal)];
  return smallConductorLimitA(metal, size) ?? tableAmpacityA(metal, size, 60) ?? 0;
}

/** Whether a circuit’s device and conductor follow the nameplate of its motor or appliance. Throws `Missing` while nobody looked. */
export function sizedByNameplate(look: Look, index: number): boolean {
  const at = circuitAt(index);
  if (!SIZED_BY_NAMEPLATE.includes(look.need(at.use))) return false;
  return look.need(at.byNameplate) === 'yes';
}

/** Circuits that share a neutral, by group. Throws `Missing` while a group is unknown. */
export const neutralGroups = (look: Look, among: readonly number[]): number[][] =>
  sharedNeutrals(look, among).filter((one) => one.length > 1);

/** The same, with those of which one circuit alone is recorded. */
export function sharedNeutrals(look: Look, among: readonly number[]): number[][] {
  look.needOfEach(among, circuitAt, NEUTRAL_GROUP);
  const groups = new Map<string, number[]>();
  for (const i of among) {
    const group = look.need(circuitAt(i).neutralGroup);
    if (group === 'own') continue;
    const others = groups.get(group);
    if (others) others.push(i);
    else groups.set(group, [i]);
  }
  return [...groups.values()];
}

const NEUTRAL_GROUP = ['neutralGroup'] as const;

/** A continuous load is held to this share of a device that is not rated for 100 % (210.20(A), 215.3). */
const CONTINUOUS_SHARE = 0.8;
/** Whether a circuit draws its largest current for three hours or more. Throws `Missing` where facts lack. */
export const isContinuous = (look: Look, index: number): boolean =>
  MAY_BE_CONTINUOUS.includes(look.need(circuitAt(index).use)) && look.need(circuitAt(index).continuous) === 'yes';

/** Amperes at once on one leg, or where one pole feeds all, A: all that runs, and the largest of those that take turns. Continuous loads count at 125 %. */
export function ampereAtOnce(
  loads: readonly (Load & { readonly continuous?: boolean })[],
  leg: Leg | undefined,
): number {
  const sum = { run: 0, turn: 0 };
  for (const { plan, volts, runningW, legs, continuous } of loads) {
    if (leg && legs && !legs.includes(leg)) continue;
    // On one pole every watt comes from 120 V, or the 240 V load gets none.
    const ampere = runningW / (leg ? volts : 120) / (continuous ? CONTINUOUS_SHARE : 1);
    if (plan === 'run') sum.run += ampere;
    else sum.turn = Math.max(sum.turn, ampere);
  }
  return rounded(sum.run + sum.turn);
}
