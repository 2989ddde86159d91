import { everyEdition } from '../../codebook';
import { absence } from '../../case';
import { Missing, conductorOf, smallConductorLimitA, type Look } from '../../electrical';
import { holds, kindOf, rule, violation, without } from '../rule';
import { stretchName, worstStretch, type Judged } from './worst-stretch';

const SMALL = everyEdition('240.4(D)');

/** The device ahead of the feeder, and the backfed breaker behind it, which is ahead of it where the source has none. */
function devices(look: Look) {
  const paths = ['source.outletBreakerA', 'breaker.ratingA'] as const;
  return absence('backfed breaker', kindOf(look)) ? paths.slice(0, 1) : paths;
}

function judge(look: Look, index: number): Judged {
  const { metal, size } = conductorOf(look, index);
  const limitA = smallConductorLimitA(metal, size);
  if (limitA === undefined)
    return { least: Infinity, finding: holds(`${size} AWG is larger than the section speaks of.`) };
  look.step(`Largest device for ${size} AWG`, limitA, 'A', SMALL);
  const missing: string[] = [];
  let largestA = 0;
  for (const path of devices(look)) {
    const deviceA = look.known(path);
    if (deviceA === undefined) missing.push(path);
    else largestA = Math.max(largestA, deviceA);
  }
  const detail = { found: largestA, allowed: limitA, unit: 'A' };
  if (largestA > limitA) {
    // From the source’s side a device of its own that is small enough protects it, however large the breaker behind is.
    const aheadA = look.known('source.outletBreakerA') ?? Infinity;
    const protectedAhead = aheadA <= limitA && look.known('source.outletDevice') === 'own';
    return {
      least: limitA,
      finding: violation(
        `${size} AWG may stand behind ${limitA} A at most, ${largestA} A found (${stretchName(look, index)}).`,
        `The largest device that may stay on ${size} AWG is ${limitA} A.`,
        { ...detail, ...(protectedAhead ? { severity: 'correction' as const } : {}) },
      ),
    };
  }
  if (missing.length > 0) throw new Missing(missing);
  return { least: limitA, finding: holds(`${size} AWG behind ${largestA} A; ${limitA} A allowed.`, detail) };
}

export default rule({
  id: 'feeder/small-conductor',
  holds: 'Conductors of 14, 12 and 10 AWG stand behind no more than 15, 20 and 30 A (copper).',
  severity: 'hazard',
  weighs:
    'correction where the source has a device of its own that is small enough, and only the breaker behind is too large',
  cites: SMALL,
  facts: [
    'transfer.kind',
    'transfer.otherKind',
    'source.outletDevice',
    'feeder.stretches.place',
    'feeder.stretches.sizeAwg',
    'feeder.stretches.metal',
    'source.outletBreakerA',
    'breaker.ratingA',
  ],
  notApplicable: without('feeder'),
  check: (look) => worstStretch(look, judge),
});
