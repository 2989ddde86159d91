import { everyEdition } from '../../codebook';
import { SAFE_FIRST, answered, rule, without } from '../rule';

export default rule({
  id: 'breaker/suitable-for-backfeed',
  holds: 'The backfed breaker may be fed from its load side.',
  severity: 'hazard',
  cites: everyEdition('110.3(B)', '408.36(D)'),
  facts: ['transfer.kind', 'transfer.otherKind', 'breaker.lineLoadMarked'],
  notApplicable: without('backfedBreaker'),
  check: (look) =>
    answered(look, 'breaker.lineLoadMarked', 'no', {
      good: 'It bears no LINE and LOAD marking; it may be fed from either side.',
      bad: 'It is marked LINE and LOAD, so it must not be fed backwards.',
      remedy: `${SAFE_FIRST}open the main too, and fit a breaker without LINE and LOAD marking, listed for the panel.`,
    }),
});
