import { circuitAt, cordAt, type FactPath } from '../case';
import { CONFIGURATIONS, everyEdition, type ConfigurationName } from '../codebook';
import { rounded, type Look } from './look';
import { FEED_FACTS, OUTLET_W_FACTS, feedV, outletRunningW } from './source';

/** Conductors from the terminals of a source that has no overcurrent device carry so much of its nameplate current (445.13). */
const NAMEPLATE_SHARE = 1.15;

/** What lets a current into a part of the way: a device, or where there is none what the source can give. */
export interface Ahead {
  /** What conductors behind it must carry, A: the device, or the share of the nameplate current that 445.13 asks for. */
  readonly ampsA: number;
  /** What may flow, A: the device, or the nameplate current. */
  readonly flowsA: number;
  /** How it is called in a finding, as in “30 A outlet breaker”. */
  readonly words: string;
  /** False where nothing opens: the source alone limits the current. */
  readonly isDevice: boolean;
}

/** Facts that what stands ahead may need. */
export const AHEAD_FACTS = [
  'source.outletDevice', 'source.outletBreakerA', ...OUTLET_W_FACTS, 'source.limitsItself', ...FEED_FACTS,
  'cord.part', 'cord.breakerA', 'cord.breakerPoles',
] as const; // prettier-ignore

/** What the source lets into its outlet: its breaker; where it has none, 115 % of the nameplate current, or 100 % where its design prevents overload (445.13). Throws `Missing` where facts lack. */
export function atOutlet(look: Look): Ahead {
  return look.once(computeAtOutlet);
}

function computeAtOutlet(look: Look): Ahead {
  if (look.known('source.outletDevice') !== 'none') {
    look.needAll('source.outletBreakerA', 'source.outletDevice');
    const ampsA = look.need('source.outletBreakerA');
    return { ampsA, flowsA: ampsA, words: `${ampsA} A outlet breaker`, isDevice: true };
  }
  const power = look.attempt(outletRunningW);
  const volts = look.attempt(feedV);
  const limits = look.attempt((side) => side.need('source.limitsItself') === 'yes');
  look.requireAll(power, volts, limits);
  const share = limits.value ? 1 : NAMEPLATE_SHARE;
  const ampsA = look.step(
    limits.value ? 'Nameplate current of a source that limits itself' : '115 % of the nameplate current',
    rounded((share * power.value!) / volts.value!),
    'A',
    everyEdition('445.13'),
  );
  const flowsA = look.step(
    'Nameplate current',
    rounded(power.value! / volts.value!),
    'A',
    `${power.value} W ÷ ${volts.value} V`,
  );
  return {
    ampsA,
    flowsA,
    words: `${ampsA} A from a source without an overcurrent device (445.13)`,
    isDevice: false,
  };
}

/** The breaker of an adapter protects what follows it where the adapter is listed and the breaker opens both hots (240.21); undefined where there is none such. Throws `Missing` where facts lack. */
export function adapterAhead(look: Look, index: number): Ahead | undefined {
  const at = cordAt(index);
  if (look.need(at.part) !== 'adapter-listed' || !look.asks(at.breakerA)) return undefined;
  const ampsA = look.known(at.breakerA);
  if (ampsA === undefined || look.need(at.breakerPoles) !== '2') return undefined;
  return { ampsA, flowsA: ampsA, words: `${ampsA} A breaker in the adapter`, isDevice: true };
}

/** Whether cords hang side by side, each on its own, rather than one behind the other on the way to an inlet. */
const sideBySide = (look: Look): boolean => !look.has('wired');

/** The cord that a cord hangs on; undefined where it hangs on the source. Throws `Missing` where facts lack. */
export function cordBehind(look: Look, index: number): number | undefined {
  if (index === 0) return undefined;
  if (!sideBySide(look)) return index - 1;
  return look.peek(cordAt(index).part) === 'cord' && look.need(cordAt(index).daisyChained) === 'no'
    ? undefined
    : index - 1;
}

/** What stands ahead of a cord. Throws `Missing` where facts lack. */
export function aheadOfCord(look: Look, index: number): Ahead {
  const behind = cordBehind(look, index);
  if (behind === undefined) return atOutlet(look);
  const before = aheadOfCord(look, behind);
  const own = adapterAhead(look, behind);
  return own && own.ampsA < before.ampsA ? own : before;
}

/** What stands ahead of the inlet and of all behind it. Throws `Missing` where facts lack. */
export function aheadOfInlet(look: Look): Ahead {
  return look.once(computeAheadOfInlet);
}

function computeAheadOfInlet(look: Look): Ahead {
  const last = look.cords - 1;
  if (last < 0) return atOutlet(look);
  const before = aheadOfCord(look, last);
  const own = adapterAhead(look, last);
  return own && own.ampsA < before.ampsA ? own : before;
}

/** Whether the switch has no breaker for a circuit on it: only one that circuits are spliced to may have none. */
export const isUnfused = (look: Look, index: number): boolean =>
  look.asks(circuitAt(index).unfused) && look.known(circuitAt(index).unfused) === 'yes';

/** What opens a circuit on the transfer equipment: its breaker there; behind an unfused switch what stands ahead of the inlet. Throws `Missing` where facts lack. */
export function aheadOfMoved(look: Look, index: number): Ahead {
  const at = circuitAt(index);
  if (isUnfused(look, index)) {
    const ahead = aheadOfInlet(look);
    return { ...ahead, words: `an unfused switch and ${ahead.words}` };
  }
  const ampsA = look.need(at.switchBreakerA);
  return { ampsA, flowsA: ampsA, words: `${ampsA} A in the switch`, isDevice: true };
}
export const AHEAD_OF_MOVED_FACTS = [
  'loads.circuits.switchBreakerA',
  'loads.circuits.unfused',
  ...AHEAD_FACTS,
] as const;

const FACES = everyEdition('110.3(B)', '210.21(B)', '406.7');

/** Amperes that a face bears behind a device of so many, A: its rating, but a 15 A receptacle may stand on 20 A (210.21(B)(3)). */
export const faceBearsA = (face: ConfigurationName, deviceA: number): number => {
  const { ratingA } = CONFIGURATIONS[face];
  return ratingA === 15 && deviceA === 20 ? 20 : ratingA;
};

/** The lesser of what is stamped on a part and what its face says, A; what is stamped where the face is unknown. */
function lesserA(look: Look, stampedA: number, face: FactPath): number {
  const name = look.known(face) as ConfigurationName | undefined;
  if (name === undefined) return stampedA;
  const { ratingA } = CONFIGURATIONS[name];
  return ratingA < stampedA ? look.step(`The face ${name} bears`, ratingA, 'A', FACES) : stampedA;
}

/** Rating of the inlet, A: the lesser of stamp and face (110.3(B), 406.7). Throws `Missing` where facts lack. */
export function inletA(look: Look): number {
  look.needAll('inlet.ratingA', 'inlet.configuration');
  return lesserA(look, look.need('inlet.ratingA'), 'inlet.configuration');
}
/** The most that the inlet may turn out to bear, A, while only stamp or face is known; undefined while neither is. */
export function inletAtMostA(look: Look): number | undefined {
  const face = look.known('inlet.configuration');
  const known = [
    look.known('inlet.ratingA'),
    face && look.step(`The face ${face} bears`, CONFIGURATIONS[face].ratingA, 'A', FACES),
  ].filter((one) => one !== undefined);
  return known.length > 0 ? Math.min(...known) : undefined;
}
export const INLET_FACTS = ['inlet.ratingA', 'inlet.configuration'] as const;

/** What the receptacle in use gives at most, A: the lesser of its breaker and its face; its face alone where it has no breaker. Throws `Missing` where facts lack. */
export function outletA(look: Look): number {
  const outlet = look.need('source.outlet');
  const ahead = atOutlet(look);
  const bearsA = faceBearsA(outlet, ahead.flowsA);
  if (ahead.isDevice && ahead.flowsA <= bearsA) return ahead.flowsA;
  return look.step(`The face ${outlet} bears`, bearsA, 'A', FACES);
}

/** The larger of what stands ahead of the feeder and of the backfed breaker behind it, A: by it go the equipment ground, and what counts as increased in size (250.122). */
export function largerDeviceA(look: Look): number {
  const ahead = look.attempt(aheadOfInlet);
  const behind = look.attempt((side) => (side.has('backfedBreaker') ? side.need('breaker.ratingA') : 0));
  look.requireAll(ahead, behind);
  const { ampsA, isDevice } = ahead.value!;
  return Math.max(isDevice || behind.value === 0 ? ampsA : 0, behind.value!);
}
export const LARGER_DEVICE_FACTS = [...AHEAD_FACTS, 'transfer.kind', 'breaker.ratingA'] as const;
