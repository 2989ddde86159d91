import { movedIn2020 } from '../../codebook';
import { STRETCH_FACTS, rounded, smallestStretchSize, stretchAmpacity, type Look } from '../../electrical';
import { holds, rule, violation, without } from '../rule';
import { stretchName, worstStretch, type Judged } from './worst-stretch';

function judge(look: Look, index: number): Judged {
  const ampacity = look.attempt((side) => stretchAmpacity(side, index));
  const device = look.attempt((side) => side.need('source.outletBreakerA'));
  look.requireAll(ampacity, device);
  const { ampacityA, deviceA } = ampacity.value!;
  const aheadA = device.value!;
  const detail = { found: aheadA, allowed: deviceA, unit: 'A' };
  const found = `${rounded(ampacityA)} A ampacity (${stretchName(look, index)}), ${aheadA} A device ahead of it.`;
  if (aheadA <= deviceA) return { least: ampacityA, finding: holds(found, detail) };
  const better = smallestStretchSize(look, index, aheadA);
  const stays =
    deviceA > 0 ? `The largest device that may stay is ${deviceA} A` : 'No device may stand ahead of it as it is';
  const larger = better ? `; ${better} AWG would be the smallest conductor here for ${aheadA} A.` : '.';
  return { least: ampacityA, finding: violation(found, stays + larger, detail) };
}

export default rule({
  id: 'feeder/ampacity',
  holds: 'Every stretch of the feeder carries what the device ahead of it, the source outlet’s breaker, lets pass.',
  severity: 'hazard',
  cites: movedIn2020(['240.4', '310.15'], ['240.4', '310.14', '310.15']),
  not: 'The backfed breaker behind the feeder: breaker/not-above-weakest-link; and the exception for short hot stretches, which could only allow more.',
  facts: ['transfer.otherKind', 'source.outletBreakerA', ...STRETCH_FACTS],
  notApplicable: without('feeder'),
  check: (look) => worstStretch(look, judge),
});
