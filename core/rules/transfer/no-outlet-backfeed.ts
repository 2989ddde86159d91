import { everyEdition } from '../../codebook';
import { holds, rule, violation } from '../rule';

export default rule({
  id: 'transfer/no-outlet-backfeed',
  holds: 'No cord feeds the house through a dryer, range, welder, air-conditioner or other outlet.',
  severity: 'hazard',
  cites: everyEdition('702.5', '406.7'),
  facts: ['transfer.kind', 'transfer.otherKind', 'transfer.backfeedsOutlet'],
  check: (look) => {
    const fed = look.attempt((side) => side.has('wired') && !side.has('inlet'));
    look.adopt(fed);
    if (fed.value || look.known('transfer.backfeedsOutlet') === 'yes')
      return violation(
        'The house is fed backwards through an outlet or its breaker; only a habit keeps the utility line dead.',
        'Stop work. Stop the source and see it stand still (a battery: output off), open the outlet’s breaker and the house main, and prove the outlet dead with a tester that is tried before and after; then draw the house end of the cord first, the source end after it. Connect only through an inlet and listed transfer equipment.',
      );
    const outlets = look.attempt((side) => side.need('transfer.backfeedsOutlet'));
    look.requireAll(fed, outlets);
    return holds('No outlet is used to feed the house.');
  },
});
