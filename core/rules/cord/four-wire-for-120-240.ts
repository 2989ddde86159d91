import { cordAt } from '../../case';
import { CONFIGURATIONS, everyEdition } from '../../codebook';
import { FEED_FACTS, feedOf, type Look } from '../../electrical';
import { firstOf, firstViolation, holds, rule, violation, without, withoutCord } from '../rule';

/** Wires of a cord by its jacket; of a listed adapter in one piece by its far face. */
const wiresOf = (look: Look, index: number): number => {
  const at = cordAt(index);
  return look.need(at.part) === 'adapter-listed'
    ? look.step('Wires of its far face', CONFIGURATIONS[look.need(at.inletEnd)].wires, 'wires', 'its configuration')
    : Number(look.need(at.wires));
};

export default rule({
  id: 'cord/four-wire-for-120-240',
  holds: 'A 120/240 V connection has four wires all the way: two hots, neutral and ground.',
  severity: 'correction',
  cites: everyEdition('250.138', '110.3(B)'),
  facts: ['transfer.kind', 'transfer.otherKind', ...FEED_FACTS, 'cord.part', 'cord.wires', 'cord.inletEnd'],
  notApplicable: firstOf(withoutCord, without('inlet'), (look) =>
    feedOf(look) === '120' ? 'the receptacle in use gives 120 V only' : undefined,
  ),
  check: (look) => {
    const narrow = firstViolation(look, 'cord', (side, i) =>
      wiresOf(side, i) === 3
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
