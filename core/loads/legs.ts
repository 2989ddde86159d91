import { absence, circuitAt, valueText } from '../case';
import { rounded, smallConductorLimitA, type Look } from '../electrical';
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
  const inPanel = absence('transfer', look.need('transfer.kind')) === undefined;
  const planned = plannedCircuits(look);
  look.needOfEach(planned, circuitAt, inPanel ? IN_PANEL : IN_NO_PANEL);
  return planned.map((index) => {
    const at = circuitAt(index);
    const volts = look.need(at.volts) === '240' ? 240 : 120;
    return {
      index,
      plan: look.need(at.plan) as 'run' | 'in-turn',
      volts,
      runningW: look.need(at.runningW),
      legs: inPanel ? (volts === 240 ? BOTH_LEGS : [legOf(look.need(at.slot))]) : undefined,
    };
  });
}

const IN_NO_PANEL = ['volts', 'runningW'] as const;
const IN_PANEL = [...IN_NO_PANEL, 'slot'] as const;
const BOTH_LEGS: readonly Leg[] = ['A', 'B'];

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

/** Largest device for a branch conductor of copper, A: 240.4(D), above its sizes the 60 °C column. */
export const branchLimitA = (size: WireSize): number =>
  smallConductorLimitA('copper', size) ?? tableAmpacityA('copper', size, 60)!;

/** Circuits that share a neutral, by group. Throws `Missing` while a group is unknown. */
export function neutralGroups(look: Look, among: readonly number[]): number[][] {
  look.needOfEach(among, circuitAt, NEUTRAL_GROUP);
  const groups = new Map<string, number[]>();
  for (const i of among) {
    const group = look.need(circuitAt(i).neutralGroup);
    if (group === 'own') continue;
    const others = groups.get(group);
    if (others) others.push(i);
    else groups.set(group, [i]);
  }
  return [...groups.values()].filter((one) => one.length > 1);
}

const NEUTRAL_GROUP = ['neutralGroup'] as const;
