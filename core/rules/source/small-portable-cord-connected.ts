import { everyEdition } from '../../codebook';
import { firstOf, holds, rule, violation, without } from '../rule';
import { above15kW } from './size';

export default rule({
  id: 'source/small-portable-cord-connected',
  holds: 'A source of 15 kW or less hangs on a cord and plug, or can be disconnected otherwise.',
  severity: 'correction',
  cites: everyEdition('702.12(B)', '225.31'),
  facts: [
    'transfer.kind',
    'transfer.otherKind',
    'source.runningW',
    'source.connection',
    'source.disconnect',
    'source.buildingDisconnect',
  ],
  notApplicable: firstOf(without('inlet'), above15kW(false)),
  check: (look) => {
    if (look.need('source.connection') === 'cord-and-plug')
      return holds('Cord and plug: drawing the plug disconnects it.');
    if (look.known('source.disconnect') === 'yes' || look.known('source.buildingDisconnect') === 'yes')
      return holds('Wired permanently, and a disconnecting means opens all its ungrounded conductors.');
    look.needAll('source.disconnect', 'source.buildingDisconnect');
    return violation(
      'Wired permanently, and nothing disconnects it.',
      'Connect it through a cord and a flanged inlet, or fit a disconnecting means.',
    );
  },
});
