import { everyEdition } from '../../codebook';
import { holds, onlyWith, rule, violation } from '../rule';

export default rule({
  id: 'transfer/works-without-cover',
  holds: 'The interlock still works with the cover off.',
  severity: 'advisory',
  weighs: 'correction where the office refuses it',
  cites: everyEdition('702.5', 'guidance'),
  not: 'Whether it blocks with the cover on: that is tried, and judged by transfer/prevents-parallel.',
  reading: 'interlockOnCover',
  facts: ['transfer.kind', 'transfer.otherKind', 'transfer.mountedOn'],
  notApplicable: onlyWith('onPanel', 'only an interlock on a panel can hang on its cover'),
  check: (look) => {
    if (look.need('transfer.mountedOn') === 'panel') return holds('It is fixed to the panel or the breakers.');
    return look.reading('interlockOnCover') === 'accepted'
      ? violation(
          'It hangs on the removable cover: four screws away from no interlock at all.',
          'Accepted here where it is listed for the panel and tested with the cover on; say on the label that the cover must be on. A kit fixed to the breakers is better.',
        )
      : violation(
          'It hangs on the removable cover; this office accepts none that is gone with the cover.',
          'Fit a kit that is fixed to the panel or the breakers and listed for this panel.',
          { severity: 'correction' },
        );
  },
});
