import { circuitAt } from '../../case';
import { everyEdition } from '../../codebook';
import { AHEAD_OF_MOVED_FACTS, aheadOfMoved } from '../../electrical';
import { circuitName } from '../../loads';
import { firstViolation, holds, onlyWith, rule, violation } from '../rule';

export default rule({
  id: 'loads/switch-circuit-limit',
  holds: 'No circuit on the switch is larger than the switch is rated for: 30 A at 240 V unless it says more.',
  severity: 'correction',
  cites: everyEdition('110.3(B)'),
  facts: [
    'transfer.kind',
    'transfer.otherKind',
    'transfer.circuitLimitA',
    'loads.circuits.moved',
    ...AHEAD_OF_MOVED_FACTS,
  ],
  notApplicable: onlyWith('handlePerPole', 'only a load-side switch limits each circuit'),
  check: (look) => {
    const limitA = look.need('transfer.circuitLimitA');
    let largestA = 0;
    const wrong = firstViolation(look, 'loads.circuits', (side, i) => {
      if (side.need(circuitAt(i).moved) === 'no') return undefined;
      const found = aheadOfMoved(side, i).ampsA;
      largestA = Math.max(largestA, found);
      return found > limitA
        ? violation(
            `${found} A for ${circuitName(look, i)}, ${limitA} A a circuit allowed.`,
            'Take this circuit off the switch, or use equipment rated for it.',
            { found, allowed: limitA, unit: 'A' },
          )
        : undefined;
    });
    if (wrong) return wrong;
    look.step('Largest circuit on the switch', largestA, 'A', 'of those that were moved');
    return holds(`${largestA} A at most, ${limitA} A a circuit allowed.`, {
      found: largestA,
      allowed: limitA,
      unit: 'A',
    });
  },
});
