import { everyEdition } from '../../codebook';
import { SAFE_FIRST, answered, rule, without } from '../rule';

export default rule({
  id: 'breaker/both-legs',
  holds: 'The two poles of the backfed breaker stand on the two legs.',
  severity: 'hazard',
  cites: everyEdition('110.3(B)', '240.15(B)'),
  facts: ['transfer.kind', 'transfer.otherKind', 'breaker.acrossBothLegs'],
  notApplicable: without('backfedBreaker'),
  check: (look) =>
    answered(look, 'breaker.acrossBothLegs', 'yes', {
      good: 'One pole on each leg: 240 V between them.',
      bad: 'Both poles stand on one leg: 0 V between them, and the other leg is not fed or switched as it seems.',
      remedy: `${SAFE_FIRST}open the main too, and move it so that its poles take adjacent rows, one on each leg; no tandem. The main’s own line side stays live until the utility pulls the meter.`,
    }),
});
