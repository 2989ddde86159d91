import { movedIn2020 } from '../../codebook';
import {
  AHEAD_FACTS,
  aheadOfInlet,
  type Look,
  rounded,
  smallestStretchSize,
  STRETCH_FACTS,
  stretchAmpacity,
} from '../../electrical';
import { firstOf, holds, rule, violation, withoutFeeder } from '../rule';
import { stretchName, worstStretch, type Judged } from './worst-stretch';

function judge(look: Look, index: number): Judged {
  const ampacity = look.attempt((side) => stretchAmpacity(side, index));
  const device = look.attempt((side) => aheadOfInlet(side));
  look.requireAll(ampacity, device);
  const { ampacityA, deviceA } = ampacity.value!;
  const { ampsA: aheadA, words } = device.value!;
  const detail = { found: aheadA, allowed: deviceA, unit: 'A' };
  const found = `${rounded(ampacityA)} A ampacity (${stretchName(look, index)}), ${words} ahead of it.`;
  if (aheadA <= deviceA) return { least: ampacityA, finding: holds(found, detail) };
  const better = smallestStretchSize(look, index, aheadA);
  const stays =
    deviceA > 0 ? `The largest device that may stay is ${deviceA} A` : 'No device may stand ahead of it as it is';
  const larger = better ? `; ${better} AWG would be the smallest conductor here for ${aheadA} A.` : '.';
  return { least: ampacityA, finding: violation(found, stays + larger, detail) };
}

export default rule({
  id: 'feeder/ampacity',
  holds:
    'Every run of the feeder carries what the device ahead of it lets pass: the source outlet’s breaker, or one in an adapter.',
  severity: 'hazard',
  cites: movedIn2020(['240.4', '310.15'], ['240.4', '310.14', '310.15']),
  not: 'The backfed breaker behind the feeder: breaker/not-above-weakest-link; and the exception for short hot stretches, which could only allow more.',
  facts: ['inlet.builtIn', 'transfer.otherKind', ...AHEAD_FACTS, ...STRETCH_FACTS],
  notApplicable: firstOf(withoutFeeder, (look) =>
    aheadOfInlet(look).isDevice ? undefined : 'the source has no overcurrent device: feeder/nameplate-115',
  ),
  check: (look) => worstStretch(look, judge),
});
