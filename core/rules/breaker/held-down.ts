import { everyEdition } from '../../codebook';
import { SAFE_FIRST, answered, rule, without } from '../rule';

export default rule({
  id: 'breaker/held-down',
  holds: 'A fastener holds the backfed breaker, so that a pull cannot free it.',
  severity: 'hazard',
  cites: everyEdition('408.36(D)'),
  facts: ['transfer.kind', 'transfer.otherKind', 'breaker.heldDown'],
  notApplicable: without('backfedBreaker'),
  check: (look) =>
    answered(look, 'breaker.heldDown', 'yes', {
      good: 'A fastener holds it in place.',
      bad: 'Nothing holds it down; pulled off the bus, its stabs stay live from the source.',
      remedy: `${SAFE_FIRST}open the main too, and fit the hold-down kit made for this breaker and panel; the main’s own line side stays live until the utility pulls the meter.`,
    }),
});
