import { stretchAt } from '../../case';
import { everyEdition } from '../../codebook';
import { holds, rule, violation, withoutFeeder } from '../rule';
import { stretchName, worstStretch } from './worst-stretch';

export default rule({
  id: 'feeder/physical-protection',
  holds: 'Every run is guarded where it can be hit, nailed or mown.',
  severity: 'correction',
  cites: everyEdition('300.4', '300.5(D)'),
  right: { 'feeder.stretches.protected': ['yes'] },
  facts: [
    'inlet.builtIn',
    'transfer.kind',
    'transfer.otherKind',
    'feeder.stretches.protected',
    'feeder.stretches.place',
  ],
  notApplicable: withoutFeeder,
  check: (look) =>
    worstStretch(look, (side, index) =>
      side.need(stretchAt(index).protected) === 'yes'
        ? { least: 1, finding: holds('Guarded all the way.') }
        : {
            least: 0,
            finding: violation(
              `Not guarded from damage (${stretchName(side, index)}).`,
              'Add nail plates, guards, or conduit; where it leaves the earth, from 18 in below grade to 8 ft above.',
            ),
          },
    ),
});
