import { everyEdition } from '../../codebook';
import { holds, rule, violation, withoutEquipment } from '../rule';

export default rule({
  id: 'transfer/unaltered',
  holds: 'The transfer equipment is as it came: not cut, filed, bent or drilled, nothing missing.',
  severity: 'hazard',
  cites: everyEdition('110.3(B)', '702.5'),
  facts: ['transfer.kind', 'transfer.otherKind', 'transfer.alteration'],
  notApplicable: withoutEquipment,
  check: (look) => {
    const alteration = look.need('transfer.alteration');
    if (alteration === 'none') return holds('It is as it came.');
    return violation(
      alteration === 'parts-missing'
        ? 'Parts of it are missing.'
        : `It was ${alteration === 'cut' ? 'cut or filed' : alteration} to fit.`,
      'Do not energize; replace it with an unaltered one that is listed for this panel; a trimmed part may let both handles on.',
    );
  },
});
