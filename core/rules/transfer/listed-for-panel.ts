import { everyEdition } from '../../codebook';
import { answered, rule, withoutEquipment } from '../rule';

export default rule({
  id: 'transfer/listed-for-panel',
  holds: 'The transfer equipment is listed for the very panel or place where it is used.',
  severity: 'correction',
  cites: everyEdition('110.3(B)', '702.5'),
  right: { 'transfer.listedForPanel': ['yes'] },
  facts: ['transfer.kind', 'transfer.otherKind', 'transfer.listedForPanel'],
  notApplicable: withoutEquipment,
  check: (look) =>
    answered(look, 'transfer.listedForPanel', 'yes', {
      good: 'It is listed for this panel or place.',
      bad: 'It is not listed for this panel; that it came as a kit proves nothing.',
      remedy: 'Replace it with one whose own list names this panel.',
    }),
});
