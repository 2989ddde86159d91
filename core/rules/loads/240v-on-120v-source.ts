import { circuitAt } from '../../case';
import { everyEdition } from '../../codebook';
import { BRIDGED_FACTS } from '../../electrical';
import { circuitName } from '../../loads';
import { holds, rule, violation, firstViolation, whereBridged } from '../rule';

export default rule({
  id: 'loads/240v-on-120v-source',
  holds: 'Where one pole of the source feeds both legs, every 240 V circuit stays off.',
  severity: 'correction',
  cites: everyEdition('110.3(B)', '702.4'),
  facts: ['transfer.otherKind', ...BRIDGED_FACTS, 'loads.circuits.plan', 'loads.circuits.volts'],
  notApplicable: whereBridged,
  check: (look) =>
    firstViolation(look, 'loads.circuits', (side, i) => {
      if (side.need(circuitAt(i).plan) === 'off') return undefined;
      if (side.need(circuitAt(i).volts) !== '240') return undefined;
      side.step('Between its legs, both on one pole', 0, 'V', '120 V − 120 V');
      return violation(
        `${circuitName(look, i)} would get 0 V between its legs.`,
        'Keep its breaker off and locked while the source runs, or use a 120/240 V source.',
        { found: 0, allowed: 240, unit: 'V' },
      );
    }) ?? holds('Every 240 V circuit stays off.'),
});
