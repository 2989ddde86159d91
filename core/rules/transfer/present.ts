import { everyEdition } from '../../codebook';
import { TRANSFER_KINDS } from '../../case';
import { SAFE_FIRST, holds, rule, violation, without } from '../rule';

export default rule({
  id: 'transfer/present',
  holds: 'Transfer equipment keeps the source and the utility apart.',
  severity: 'hazard',
  cites: everyEdition('702.5'),
  facts: ['transfer.kind', 'transfer.otherKind'],
  notApplicable: without('wired'),
  check: (look) => {
    return !look.has('inlet')
      ? violation(
          'Nothing keeps the source and the utility apart; a line worker is one forgotten main away from death.',
          `Stop work. ${SAFE_FIRST}part the source from the house, its house end first, and fit listed transfer equipment before it is ever connected again.`,
        )
      : holds(`Transfer equipment: ${TRANSFER_KINDS[look.need('transfer.kind')].toLowerCase()}.`);
  },
});
