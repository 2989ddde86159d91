import { circuitAt } from '../../case';
import { everyEdition } from '../../codebook';
import { branchLimitA, circuitName } from '../../loads';
import { firstViolation, holds, rule, violation, whereCircuitsMove } from '../rule';

export default rule({
  id: 'transfer/circuit-protection',
  holds: 'The switch’s own breaker for each moved circuit protects that circuit’s conductors.',
  severity: 'correction',
  cites: everyEdition('240.4(D)', '240.4'),
  facts: ['transfer.kind', 'loads.circuits.moved', 'loads.circuits.sizeAwg', 'loads.circuits.switchBreakerA'],
  notApplicable: whereCircuitsMove,
  check: (look) =>
    firstViolation(look, look.circuits, (side, i) => {
      if (side.need(circuitAt(i).moved) === 'no') return undefined;
      side.needAll(circuitAt(i).sizeAwg, circuitAt(i).switchBreakerA);
      const size = side.need(circuitAt(i).sizeAwg);
      const deviceA = side.need(circuitAt(i).switchBreakerA);
      const limitA = side.step(
        `Largest device for ${size} AWG copper`,
        branchLimitA(size),
        'A',
        everyEdition('240.4(D)'),
      );
      return deviceA > limitA
        ? violation(
            `${deviceA} A ahead of ${size} AWG (${circuitName(look, i)}); ${limitA} A allowed.`,
            `Fit a device of ${limitA} A or less for this circuit in the switch.`,
            { found: deviceA, allowed: limitA, unit: 'A' },
          )
        : undefined;
    }) ?? holds('Every circuit on the transfer means is protected.'),
});
