import { everyEdition } from '../../codebook';
import { TRANSFER_KINDS } from '../../case';
import { holds, rule, violation, without } from '../rule';

export default rule({
  id: 'transfer/present',
  holds: 'Transfer equipment keeps the source and the utility apart.',
  severity: 'hazard',
  cites: everyEdition('702.5'),
  facts: ['transfer.kind'],
  notApplicable: without('transfer'),
  check: (look) => {
    const kind = look.need('transfer.kind');
    return kind === 'none-backfed'
      ? violation(
          'Nothing keeps the source and the utility apart; a line worker is one forgotten main away from death.',
          'Stop work. Disconnect the source, and fit listed transfer equipment before it is ever connected again.',
        )
      : holds(`Transfer means: ${TRANSFER_KINDS[kind].toLowerCase()}.`);
  },
});
