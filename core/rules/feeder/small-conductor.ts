import { everyEdition } from '../../codebook';
import { absence } from '../../case';
import { Missing, conductorOf, smallConductorLimitA, type Look } from '../../electrical';
import { holds, rule, violation, without } from '../rule';
import { stretchName, worstStretch, type Judged } from './worst-stretch';

const SMALL = everyEdition('240.4(D)');

/** The devices at both ends of the feeder; the larger decides. */
function devices(look: Look) {
  const paths = ['source.outletBreakerA', 'breaker.ratingA'] as const;
  return absence('backfed breaker', look.need('transfer.kind')) ? paths.slice(0, 1) : paths;
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
  if (largestA > limitA)
    return {
      least: limitA,
      finding: violation(
        `${size} AWG may stand behind ${limitA} A at most, ${largestA} A found (${stretchName(look, index)}).`,
        `The largest device that may stay on ${size} AWG is ${limitA} A.`,
        detail,
      ),
    };
  if (missing.length > 0) throw new Missing(missing);
  return { least: limitA, finding: holds(`${size} AWG behind ${largestA} A; ${limitA} A allowed.`, detail) };
}

export default rule({
  id: 'feeder/small-conductor',
  holds: 'Conductors of 14, 12 and 10 AWG stand behind no more than 15, 20 and 30 A (copper).',
  severity: 'hazard',
  cites: SMALL,
  facts: [
    'transfer.kind',
    'feeder.stretches.sizeAwg',
    'feeder.stretches.metal',
    'source.outletBreakerA',
    'breaker.ratingA',
  ],
  notApplicable: without('feeder'),
  check: (look) => worstStretch(look, judge),
});
