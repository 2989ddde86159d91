import { everyEdition } from '../../codebook';
import { holds, rule, violation } from '../rule';
import { noExhaust } from './exhaust';

/** Below this distance from any opening, ft, the exhaust counts as drawn into the house. */
const LEAST_FT = 5;

export default rule({
  id: 'siting/clear-of-openings',
  holds: 'The exhaust is at least 5 ft from every door, window and vent.',
  severity: 'correction',
  cites: everyEdition('listing', '110.3(B)', 'guidance'),
  facts: ['source.kind', 'siting.openingFt'],
  notApplicable: noExhaust,
  check: (look) => {
    const distanceFt = look.need('siting.openingFt');
    look.step('Least distance to an opening', LEAST_FT, 'ft', 'makers’ instructions, 110.3(B)');
    const detail = { found: distanceFt, allowed: LEAST_FT, unit: 'ft' };
    if (distanceFt < LEAST_FT)
      return violation(
        `${distanceFt} ft from the nearest opening; less than ${LEAST_FT} ft draws exhaust into the house.`,
        `Move it to ${LEAST_FT} ft at the very least; 20 ft is the public-health advice.`,
        detail,
      );
    return holds(
      distanceFt < 20
        ? `${distanceFt} ft from the nearest opening; 20 ft would be better.`
        : `${distanceFt} ft from the nearest opening.`,
      detail,
    );
  },
});
