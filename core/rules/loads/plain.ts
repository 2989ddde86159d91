import { everyEdition } from '../../codebook';
import { asked, onlyWith, type Rule } from '../rule';

export default [
  asked({
    id: 'loads/others-off',
    holds: 'Every breaker that is not planned is off while the source runs.',
    severity: 'correction',
    cites: everyEdition('702.4'),
    notApplicable: onlyWith('wholeBusOnSource', 'only what was moved to it, or what it manages, can reach this source'),
    fact: 'loads.othersOff',
    right: 'yes',
    good: 'All others are off.',
    bad: 'Breakers that nobody planned are on; the source would meet them all at once.',
    remedy:
      'Switch every other breaker off before transferring, the water heater, heat strips and car charger first, for those are forgotten most; say so in the operating steps.',
  }),
] satisfies Rule[];
