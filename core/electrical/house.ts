import { conductorOhm, runs, type Run } from './drop';
import type { Look } from './look';
import { type Feed, feedOf, outletRunningW } from './source';
import { neutralSwitched } from './derived-neutral';
import { aheadOfInlet } from './ahead';
import { JOINED_OHM, Network, type Solution } from './network';

/** What the case does not record, and the network must have; named in every answer that uses it. */
export const ASSUMED = {
  /** Each half of the utility transformer with the service drop, Ω. */
  utilityOhm: 0.02,
  /** Electrodes of house and transformer, and a rod at the generator, each to earth, Ω. */
  electrodeOhm: 25,
  /** A source with a regulator loses so much of its volts up to its rated current, %. */
  regulationPercent: 1.5,
  /** Beyond its rated current it sags, down to nothing at this many times that current: a dead short. */
  shortCircuitTimes: 4,
  /** A breaker opens within seconds from this many times its rating on. */
  opensAtTimes: 2,
  /** A bond beyond the service stands behind so much neutral and so much ground, Ω. */
  subpanelOhm: 0.05,
} as const;

/** How everything stands while the network is asked. */
export interface Situation {
  readonly utility: 'live' | 'dead';
  readonly running: boolean;
  /** Which contacts of the transfer equipment are closed. */
  readonly closed: { readonly utility: boolean; readonly generator: boolean };
  readonly plugged: boolean;
  /** Loads from a leg to neutral, or from leg to leg, W. */
  readonly loadsW?: { readonly A?: number; readonly B?: number; readonly both?: number };
  /** A hot of leg A touches grounded metal in the house, or the frame of the source. */
  readonly fault?: 'house' | 'frame';
  /** The neutral is open between source and house. */
  readonly neutralOpen?: boolean;
}

/** A source at work, transferred, plugged in, utility dead: how it is meant to be used. */
export const ON_SOURCE: Situation = {
  utility: 'dead',
  running: true,
  closed: { utility: false, generator: true },
  plugged: true,
};

const loadOhm = (volts: number, watts: number | undefined) => (watts ? (volts * volts) / watts : Infinity);
const total = (over: readonly Run[], sizeOf: (run: Run) => Run['size']) =>
  over.reduce((sum, run) => sum + conductorOhm(run.metal, sizeOf(run), run.lengthFt), 0) || JOINED_OHM;

interface Parts {
  readonly sourceV: Feed;
  readonly bonded: boolean;
  readonly switched: boolean;
  readonly houseBond: boolean;
  readonly otherBond: boolean;
  /** Neutral and ground meet at the inlet. */
  readonly inletBond: boolean;
  /** The main bonding jumper is there. */
  readonly mainJumper: boolean;
  readonly rod: boolean;
  readonly groundOpen: boolean;
  readonly ratedA: number;
  readonly cord: readonly Run[];
  readonly feeder: readonly Run[];
}

/** What the network needs of a case. Throws `Missing` where facts lack. */
function partsOf(look: Look): Parts {
  return look.once(computeParts);
}

function computeParts(look: Look): Parts {
  const wired = look.has('inlet');
  look.needAll('source.runningW', 'source.neutralBond', 'grounding.rod', 'grounding.frameToPanelOhm');
  const over = runs(look, wired);
  const switched = wired && neutralSwitched(look);
  const other = look.known('neutral.otherBond') ?? 'none';
  // The utility's neutral tied in the enclosure is tied beside its main bonding jumper, and carries nothing of the source.
  const ties = other === 'transfer-enclosure' ? look.need('neutral.jumperTies') : undefined;
  const tiesSource = ties === 'source';
  const sourceV = feedOf(look);
  const rod = look.need('grounding.rod');
  return {
    sourceV,
    bonded: look.need('source.neutralBond') === 'bonded',
    switched,
    houseBond: switched && (tiesSource || ['house', 'both'].includes(look.known('neutral.derivedBond') ?? '')),
    otherBond: other === 'subpanel' || (ties !== undefined && (ties === 'load' || (!switched && ties === 'source'))),
    inletBond: other === 'inlet',
    mainJumper: (look.known('panel.mainBondingJumper') ?? 'yes') === 'yes',
    rod: rod !== 'none',
    groundOpen: rod === 'only-path' || look.need('grounding.frameToPanelOhm') >= 1_000_000,
    ratedA: outletRunningW(look) / (sourceV === '120' ? 120 : 240),
    cord: over.filter((run) => run.name.startsWith('cord')),
    feeder: over.filter((run) => run.name.startsWith('feeder')),
  };
}

/** Whether a leg of the source is held by its regulator, or sags beyond its rated current. */
type Regime = 'held' | 'sagging';
type Regimes = Readonly<Record<'A' | 'B', Regime>>;

/** What a leg of the source looks like from outside, within a regime: volts behind Ω. Both meet at the rated current. */
function legOfSource(ratedA: number, regime: Regime): { volts: number; ohm: number } {
  const lostV = (120 * ASSUMED.regulationPercent) / 100;
  if (regime === 'held') return { volts: 120, ohm: lostV / ratedA };
  const ohm = (120 - lostV) / ((ASSUMED.shortCircuitTimes - 1) * ratedA);
  return { volts: ohm * ASSUMED.shortCircuitTimes * ratedA, ohm };
}

/** The connection in one situation, solved: each leg of the source in the regime that its own current puts it in. Throws `Missing` where facts lack. */
export function solveHouse(look: Look, at: Situation): Solution {
  const { ratedA } = partsOf(look);
  let regimes: Regimes = { A: 'held', B: 'held' };
  for (let round = 0; ; round++) {
    const solution = houseNetwork(look, at, regimes).solve();
    const regime = (leg: 'A' | 'B'): Regime =>
      Math.abs(solution.ampere(`source ${leg}`)) > ratedA * (1 + 1e-9) ? 'sagging' : 'held';
    const next: Regimes = { A: regime('A'), B: regime('B') };
    // Two legs have four pairs of regimes; what has not settled by then stands at its edge, where both are the same.
    if ((next.A === regimes.A && next.B === regimes.B) || round === 4) return solution;
    regimes = next;
  }
}

function houseNetwork(look: Look, at: Situation, regimes: Regimes): Network {
  const parts = partsOf(look);
  const net = new Network();
  // Utility: a transformer with a grounded middle, the service conductors up to the transfer equipment.
  if (at.utility === 'live') {
    net.source('utility A', 'line A', 'utility N', 120, ASSUMED.utilityOhm);
    net.source('utility B', 'line B', 'utility N', -120, ASSUMED.utilityOhm);
  }
  net.resistance('utility neutral', 'utility N', 'panel N', ASSUMED.utilityOhm);
  net.resistance('utility electrode', 'utility N', 'earth', ASSUMED.electrodeOhm);
  net.resistance('house electrode', 'panel G', 'earth', ASSUMED.electrodeOhm);
  if (parts.mainJumper) net.join('main bonding jumper', 'panel N', 'panel G');

  // Transfer equipment.
  if (at.closed.utility) net.join('main A', 'line A', 'bus A').join('main B', 'line B', 'bus B');
  if (at.closed.generator) net.join('generator A', 'house A', 'bus A').join('generator B', 'house B', 'bus B');
  if (!parts.switched) net.join('neutral bar', 'panel N', 'load N').join('feeder neutral', 'house N', 'load N');
  else {
    if (at.closed.utility) net.join('neutral bar', 'panel N', 'load N');
    if (at.closed.generator) net.join('feeder neutral', 'house N', 'load N');
  }
  if (parts.houseBond) net.join('system bonding jumper', 'house N', 'panel G');
  if (parts.otherBond)
    net
      .resistance('subpanel neutral', 'load N', 'subpanel', ASSUMED.subpanelOhm)
      .resistance('subpanel ground', 'panel G', 'subpanel', ASSUMED.subpanelOhm);

  // Feeder, inlet, cord.
  const size = (run: Run) => run.size;
  const ground = (run: Run) => run.groundSize ?? run.size;
  for (const wire of ['A', 'B', 'N'] as const) {
    net.resistance(
      `feeder ${wire}`,
      `inlet ${wire}`,
      `house ${wire}`,
      total(parts.feeder, wire === 'N' ? (run) => run.neutralSize ?? run.size : size),
    );
    if (at.plugged && !(wire === 'N' && at.neutralOpen))
      net.resistance(`cord ${wire}`, `source ${wire}`, `inlet ${wire}`, total(parts.cord, size));
  }
  net.resistance('feeder ground', 'inlet G', 'panel G', total(parts.feeder, ground));
  if (at.plugged && !parts.groundOpen) net.resistance('cord ground', 'frame', 'inlet G', total(parts.cord, ground));

  if (parts.inletBond) net.join('inlet bond', 'inlet N', 'inlet G');

  // Source.
  if (parts.bonded) net.join('source bond', 'source N', 'frame');
  if (parts.rod) net.resistance('rod', 'frame', 'earth', ASSUMED.electrodeOhm);
  if (at.running) {
    const [a, b] = [legOfSource(parts.ratedA, regimes.A), legOfSource(parts.ratedA, regimes.B)];
    net.source('source A', 'source A', 'source N', a.volts, a.ohm);
    if (parts.sourceV === '120') net.join('bridge', 'source A', 'source B');
    else net.source('source B', 'source B', 'source N', -b.volts, b.ohm);
  }

  const back = parts.otherBond ? 'subpanel' : 'load N';
  net.resistance('load A', 'bus A', back, loadOhm(120, at.loadsW?.A));
  net.resistance('load B', 'bus B', back, loadOhm(120, at.loadsW?.B));
  net.resistance('load 240', 'bus A', 'bus B', loadOhm(240, at.loadsW?.both));
  if (at.fault === 'house') net.join('fault', 'bus A', 'panel G');
  if (at.fault === 'frame') net.join('fault', 'source A', 'frame');
  return net;
}

export interface Currents {
  /** Highest volts between any two of the inlet’s pins and ground, utility live, transfer at utility, nothing plugged in. */
  readonly pinsV: number;
  /** Highest volts of the service conductors against their neutral, utility dead, source at work. */
  readonly serviceV: number;
  /** Volts of the source’s frame against the house’s ground, under an unbalanced load. */
  readonly frameV: number;
  /** Current out on leg A, back on the neutral and back on the equipment ground, A. */
  readonly legA: number;
  readonly neutralA: number;
  readonly groundA: number;
  /** Neutral current that a second bond in the house sends over its equipment ground, A. */
  readonly houseGroundA: number;
  /** Volts at the load on leg A. */
  readonly loadV: number;
  /** Current through a dead fault from leg A to grounded metal, A, and whether the source’s breaker opens on it. */
  readonly faultA: number;
  readonly breakerOpens: boolean;
  /** Volts that a fault from leg A to the frame leaves on the frame, against the house’s ground. */
  readonly frameFaultV: number;
}

const highest = (solution: Solution, nodes: readonly string[]): number => {
  let most = 0;
  for (const one of nodes) for (const other of nodes) most = Math.max(most, Math.abs(solution.volt(one, other)));
  return most;
};

/**
 * The network’s own answers for a case with a load of `unbalancedW` on leg A. `joined` asks what happens where the transfer equipment lets
 * both sources be closed. Throws `Missing` where facts lack.
 */
export function currentsOf(look: Look, unbalancedW = 1440, joined = look.has('wired') && !look.has('inlet')): Currents {
  // Where the source has no device the first one is that of the house, if there is one.
  const { ampsA, isDevice } = aheadOfInlet(look);
  const deviceA = isDevice || !look.has('backfedBreaker') ? ampsA : look.need('breaker.ratingA');
  const load = solveHouse(look, {
    ...ON_SOURCE,
    closed: { utility: joined, generator: true },
    loadsW: { A: unbalancedW },
  });
  const fault = solveHouse(look, { ...ON_SOURCE, fault: 'house' });
  const frame = solveHouse(look, { ...ON_SOURCE, fault: 'frame' });
  const pins = solveHouse(look, {
    utility: 'live',
    running: false,
    closed: { utility: true, generator: joined },
    plugged: false,
  });
  const faultA = Math.abs(fault.ampere('fault'));
  return {
    pinsV: highest(pins, ['inlet A', 'inlet B', 'inlet N', 'inlet G']),
    serviceV: Math.max(
      Math.abs(load.volt('line A', 'utility N')),
      Math.abs(load.volt('line B', 'utility N')),
      Math.abs(load.volt('line A', 'line B')),
    ),
    frameV: Math.abs(load.volt('frame', 'panel G')),
    legA: Math.abs(load.ampere('feeder A')),
    neutralA: Math.abs(load.ampere('feeder N')),
    groundA: Math.abs(load.ampere('feeder ground')),
    loadV: Math.abs(load.volt('bus A', 'load N')),
    houseGroundA: Math.abs(load.ampere('subpanel ground')),
    faultA,
    frameFaultV: Math.abs(frame.volt('frame', 'panel G')),
    breakerOpens: faultA >= ASSUMED.opensAtTimes * deviceA,
  };
}
