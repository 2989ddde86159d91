import { cordAt } from '../../case';
import { everyEdition } from '../../codebook';
import { FEED_FACTS, feedOf } from '../../electrical';
import { firstOf, firstViolation, holds, rule, violation, without } from '../rule';

export default rule({
  id: 'cord/four-wire-for-120-240',
  holds: 'A 120/240 V connection has four wires all the way: two hots, neutral and ground.',
  severity: 'correction',
  cites: everyEdition('250.138', '110.3(B)'),
  facts: ['transfer.kind', 'transfer.otherKind', ...FEED_FACTS, 'cord.wires'],
  notApplicable: firstOf(without('inlet'), (look) =>
    feedOf(look) === '120' ? 'the receptacle in use gives 120 V only' : undefined,
  ),
  check: (look) => {
    const narrow = firstViolation(look, 'cord', (side, i) =>
      side.need(cordAt(i).wires) === '3'
        ? violation(
            `Cord ${i + 1} has three wires; neutral and ground would share one, or a leg be missing.`,
            'Use a four-wire cord with four-wire ends.',
            { found: 3, allowed: 4, unit: 'wires' },
          )
        : undefined,
    );
    look.step('120/240 V needs', 4, 'wires', 'two hots, neutral and ground');
    return narrow ?? holds('Four wires all the way.', { found: 4, allowed: 4, unit: 'wires' });
  },
});
