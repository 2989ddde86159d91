import { everyEdition } from '../../codebook';
import { circuitAt } from '../../case';
import { plannedCircuits } from '../../loads';
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
  asked({
    id: 'loads/appliances-for-240-v',
    holds: 'Appliances that are meant to run on 240 V are marked for it.',
    severity: 'correction',
    cites: everyEdition('110.4'),
    notApplicable: (look) => {
      const planned = plannedCircuits(look);
      const volts = planned.map((i) => look.attempt((side) => side.need(circuitAt(i).volts)));
      if (volts.some(({ value }) => value === '240')) return undefined;
      look.requireAll(...volts);
      return 'nothing of 240 V is meant to run';
    },
    also: ['loads.circuits.plan', 'loads.circuits.volts'],
    fact: 'loads.for240',
    right: 'yes',
    good: 'All are marked for 240 V.',
    bad: 'An appliance that is marked for 208 V alone hangs on 240 V; it draws more than it is made for.',
    remedy: 'Keep it off, and have one fitted that is marked for 240 V.',
  }),
] satisfies Rule[];
