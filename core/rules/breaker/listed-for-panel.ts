import { everyEdition } from '../../codebook';
import { answered, rule, without } from '../rule';

export default rule({
  id: 'breaker/listed-for-panel',
  holds: 'The backfed breaker is of a type that the panel’s label names.',
  severity: 'correction',
  cites: everyEdition('110.3(B)'),
  right: { 'breaker.listedForPanel': ['yes'] },
  facts: ['transfer.kind', 'transfer.otherKind', 'breaker.listedForPanel'],
  notApplicable: without('backfedBreaker'),
  check: (look) =>
    answered(look, 'breaker.listedForPanel', 'yes', {
      good: 'Its type stands on the panel label.',
      bad: 'Its type does not stand on the panel label; that it fits proves nothing.',
      remedy: 'Fit a breaker of a type that the panel label names.',
    }),
});
