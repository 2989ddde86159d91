import { dropV, runs } from './drop';
import { rounded, type Look } from './look';
import { BRIDGED_FACTS, bridged } from './source';

/** What three readings at the panel tell of the way from source to loads. */
export type LegsTell = 'as-meant' | 'open-neutral' | 'leg-dead' | 'one-pole' | 'three-phase' | 'two-poles-unsaid';

/** Facts that the readings may need. */
export const LEG_FACTS = [
  ...BRIDGED_FACTS,
  'function.legAV',
  'function.legBV',
  'function.legsV',
  'source.runningW',
  'cord.sizeAwg',
  'cord.lengthFt',
  ...['metal', 'sizeAwg', 'lengthFt'].map((key) => `feeder.stretches.${key}`),
] as const;

/** Below this a leg counts as not fed at all, V. */
const FED_V = 60;
/** Two legs of a three-phase source stand so far apart, V. */
const THREE_PHASE_V = [200, 216] as const;
/** Above this the two legs stand against each other, V. */
const ACROSS_V = 180;
/** The sum of the legs is the volts across them to within this share, where a meter reads all three. */
const SUM_PERCENT = 5;
/** No cord of a dwelling makes two legs differ by this much, V. */
export const NO_CORD_V = 40;

/**
 * Most by which the legs may differ with the source’s whole current on one of them, V: that leg loses its own drop and lifts
 * the other by the neutral’s, which comes to three conductors’ worth, and the source sags; never more than any cord makes. Throws `Missing` where facts lack.
 */
export function legDifferenceV(look: Look): number {
  const over = look.attempt((side) => runs(side));
  const power = look.attempt((side) => side.need('source.runningW'));
  look.requireAll(over, power);
  const currentA = rounded(power.value! / (bridged(look) ? 120 : 240));
  const dropped = look.step(
    'Drop with all of it on one leg',
    rounded(1.5 * dropV(over.value!, currentA)),
    'V',
    `3 conductors × R × ${currentA} A, Chapter 9 Table 8`,
  );
  const percent = look.number('sagPercent');
  return look.step(
    'Most that the legs may differ',
    Math.min(NO_CORD_V, rounded(dropped + 1.2 * percent)),
    'V',
    `${dropped} V + ${percent} % of 120 V, and ${NO_CORD_V} V at most`,
  );
}

/** What the readings of the legs tell. Throws `Missing` where facts lack and the answer is not certain without them. */
export function legsTell(look: Look): LegsTell {
  return look.once(computeLegsTell);
}

function computeLegsTell(look: Look): LegsTell {
  look.needAll('function.legAV', 'function.legBV', 'function.legsV');
  const [a, b, across] = [look.need('function.legAV'), look.need('function.legBV'), look.need('function.legsV')];
  look.step('A leg counts as fed from', FED_V, 'V', 'guidance');
  if (a < FED_V || b < FED_V) return 'leg-dead';
  const onePole = bridged(look);
  look.step('Two poles are told from one by', ACROSS_V, 'V', 'guidance');
  if (onePole) return across >= ACROSS_V ? 'two-poles-unsaid' : 'as-meant';
  if (across < ACROSS_V) return 'one-pole';
  const differV = look.step('The legs differ by', rounded(Math.abs(a - b)), 'V', `${a} V against ${b} V`);
  const sums = Math.abs(a + b - across) <= (SUM_PERCENT / 100) * across;
  if (sums && differV > NO_CORD_V) return 'open-neutral';
  if (!sums && across >= THREE_PHASE_V[0] && across <= THREE_PHASE_V[1]) return 'three-phase';
  return sums && differV > legDifferenceV(look) ? 'open-neutral' : 'as-meant';
}
