import { everyEdition } from '../../codebook';
import { holds, rule, violation } from '../rule';
import { noExhaust } from './exhaust';

export default rule({
  id: 'siting/clear-of-openings',
  holds: 'The exhaust keeps its distance from every door, window and vent: 5 ft at least, 20 ft advised.',
  severity: 'correction',
  cites: everyEdition('listing', '110.3(B)', 'guidance'),
  facts: ['source.kind', 'siting.openingFt'],
  notApplicable: noExhaust,
  check: (look) => {
    const distanceFt = look.need('siting.openingFt');
    const leastFt = look.number('leastOpeningFt');
    const advisedFt = look.number('advisedOpeningFt');
    if (distanceFt < leastFt)
      return violation(
        `${distanceFt} ft from the nearest opening; less than ${leastFt} ft draws exhaust into the house.`,
        `Move it to ${leastFt} ft at the very least; ${advisedFt} ft is the public-health advice.`,
        { found: distanceFt, allowed: leastFt, unit: 'ft' },
      );
    const detail = { found: distanceFt, allowed: advisedFt, unit: 'ft' };
    return distanceFt < advisedFt
      ? violation(
          `${distanceFt} ft from the nearest opening; ${advisedFt} ft is advised.`,
          `Move it to ${advisedFt} ft.`,
          {
            ...detail,
            severity: 'advisory',
          },
        )
      : holds(`${distanceFt} ft from the nearest opening.`, detail);
  },
});
