import { everyEdition } from '../../codebook';
import { AHEAD_FACTS, aheadOfInlet, conductorOf, smallConductorLimitA, type Look } from '../../electrical';
import { holds, rule, violation, withoutFeeder } from '../rule';
import { stretchName, worstStretch, type Judged } from './worst-stretch';

const SMALL = everyEdition('240.4(D)');

function judge(look: Look, index: number): Judged {
  const { metal, size } = conductorOf(look, index);
  const limitA = smallConductorLimitA(metal, size);
  if (limitA === undefined)
    return { least: Infinity, finding: holds(`${size} AWG is larger than the section speaks of.`) };
  look.step(`Largest device for ${size} AWG`, limitA, 'A', SMALL);
  // A source without a device is no device; its current is feeder/ampacity’s.
  const ahead = look.attempt((side) => aheadOfInlet(side));
  const behind = look.attempt((side) => (side.has('backfedBreaker') ? side.need('breaker.ratingA') : 0));
  look.adopt(ahead);
  look.adopt(behind);
  const aheadA = ahead.value?.isDevice ? ahead.value.ampsA : 0;
  const largestA = Math.max(aheadA, behind.value ?? 0);
  const detail = { found: largestA > 0 ? largestA : undefined, allowed: limitA, unit: 'A' };
  if (largestA > limitA) {
    // From the source’s side a device of its own that is small enough protects it, however large the breaker behind is.
    const protectedAhead = ahead.value?.isDevice === true && aheadA <= limitA;
    return {
      least: limitA,
      finding: violation(
        `${size} AWG may stand behind ${limitA} A at most, ${largestA} A found (${stretchName(look, index)}).`,
        `The largest device that may stay on ${size} AWG is ${limitA} A.`,
        { ...detail, ...(protectedAhead ? { severity: 'correction' as const } : {}) },
      ),
    };
  }
  look.requireAll(ahead, behind);
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
    'inlet.builtIn',
    'transfer.kind',
    'transfer.otherKind',
    'feeder.stretches.place',
    'feeder.stretches.sizeAwg',
    'feeder.stretches.metal',
    ...AHEAD_FACTS,
    'breaker.ratingA',
  ],
  notApplicable: withoutFeeder,
  check: (look) => worstStretch(look, judge),
});
