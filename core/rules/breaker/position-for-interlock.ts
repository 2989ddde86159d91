import { everyEdition } from '../../codebook';
import { answered, rule, without } from '../rule';

export default rule({
  id: 'breaker/position-for-interlock',
  holds: 'The backfed breaker sits in the one position that the interlock reaches.',
  severity: 'correction',
  cites: everyEdition('702.5', '110.3(B)'),
  facts: ['transfer.kind', 'transfer.otherKind', 'breaker.atInterlock'],
  notApplicable: (look) =>
    without('backfedBreaker')(look) ??
    (look.has('onPanel') ? undefined : 'a factory-linked pair has no position to miss'),
  check: (look) =>
    answered(look, 'breaker.atInterlock', 'yes', {
      good: 'The interlock reaches its handle.',
      bad: 'The interlock does not reach its handle, so it blocks the wrong breaker.',
      remedy: 'Move the breaker to the position that the interlock covers.',
    }),
});
