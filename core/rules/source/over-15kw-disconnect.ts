import { everyEdition } from '../../codebook';
import { firstOf, holds, rule, violation, without } from '../rule';
import { above15kW } from './size';

export default rule({
  id: 'source/over-15kw-disconnect',
  holds: 'A source above 15 kW can be disconnected: at the building, or at the source in sight and readily reached.',
  severity: 'correction',
  cites: everyEdition('225.31', '702.12(A)'),
  not: '445.18, which excepts cord-and-plug portables; and what stops the engine.',
  facts: ['transfer.kind', 'transfer.otherKind', 'source.runningW', 'source.disconnect', 'source.buildingDisconnect'],
  notApplicable: firstOf(without('inlet'), above15kW(true)),
  check: (look) => {
    if (look.known('source.disconnect') === 'yes')
      return holds('A switch at the source, in sight and readily reached, opens all ungrounded conductors.');
    if (look.known('source.buildingDisconnect') === 'yes')
      return holds('A switch at the building opens all ungrounded conductors.');
    look.needAll('source.disconnect', 'source.buildingDisconnect');
    return violation(
      'Above 15 kW, and nothing at the building or in sight at the source opens all its ungrounded conductors.',
      'Fit a disconnecting means where the feeder enters, or one at the source in sight and readily reached; it must open all ungrounded conductors.',
    );
  },
});
