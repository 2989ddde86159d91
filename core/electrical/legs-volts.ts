import { dropV, runs } from './drop';
import { Missing, rounded, type Look } from './look';
import { BRIDGED_FACTS, OUTLET_W_FACTS, bridged, outletRunningW } from './source';

/** What three readings at the panel tell of the way from source to loads. */
export type LegsTell = 'as-meant' | 'open-neutral' | 'leg-dead' | 'one-pole' | 'three-phase' | 'two-poles-unsaid';

/** Facts that the readings may need. */
export const LEG_FACTS = [
  ...BRIDGED_FACTS,
  'function.legAV',
  'function.legBV',
  'function.legsV',
  ...OUTLET_W_FACTS,
  'cord.part',
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
  const power = look.attempt(outletRunningW);
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
  const paths = ['function.legAV', 'function.legBV', 'function.legsV'] as const;
  const known = paths.map((path) => look.known(path));
  const [legA, legB, over] = known;
  // A leg without volts is a dead pole or an open neutral: what stands across the two tells them apart.
  if (known.includes(undefined)) {
    const dead = [legA, legB].some((volts) => volts !== undefined && volts < FED_V);
    const lacks = paths.filter((_, i) => known[i] === undefined);
    throw new Missing(
      lacks,
      dead
        ? 'One leg reads no volts: read the other leg, and across the two. A dead pole reads about 120 V across, an open neutral 240.'
        : undefined,
    );
  }
  const [a, b, across] = [legA!, legB!, over!];
  const differV = look.step('The legs differ by', rounded(Math.abs(a - b)), 'V', `${a} V against ${b} V`);
  look.step('A leg counts as fed from', FED_V, 'V', 'guidance');
  if (a < FED_V || b < FED_V) {
    if (across < ACROSS_V) return 'leg-dead';
    look.step('Across a dead pole stand less than', ACROSS_V, 'V', 'guidance');
    if (Math.abs(a + b - across) <= (SUM_PERCENT / 100) * across) return 'open-neutral';
    throw new Missing(
      paths,
      `${a} V, ${b} V and ${across} V cannot all be so: with one leg dead about 120 V stand across the two. Measure all three again.`,
    );
  }
  const onePole = bridged(look);
  look.step('Two poles are told from one by', ACROSS_V, 'V', 'guidance');
  if (onePole) return across >= ACROSS_V ? 'two-poles-unsaid' : 'as-meant';
  if (across < ACROSS_V) return 'one-pole';
  const sums = Math.abs(a + b - across) <= (SUM_PERCENT / 100) * across;
  if (sums && differV > NO_CORD_V) return 'open-neutral';
  if (!sums && across >= THREE_PHASE_V[0] && across <= THREE_PHASE_V[1]) return 'three-phase';
  return sums && differV > legDifferenceV(look) ? 'open-neutral' : 'as-meant';
}
