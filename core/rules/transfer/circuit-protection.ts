import { circuitAt } from '../../case';
import { everyEdition } from '../../codebook';
import { branchLimit, circuitName, sizedByNameplate } from '../../loads';
import { firstViolation, holds, rule, violation, whereCircuitsMove } from '../rule';

export default rule({
  id: 'transfer/circuit-protection',
  holds: 'The switch’s own breaker for each moved circuit protects that circuit’s conductors.',
  severity: 'correction',
  cites: everyEdition('240.4', '240.4(D)', '240.4(G)', '422.11(E)'),
  not: 'The circuits that stay in the panel.',
  facts: [
    'transfer.kind', 'transfer.otherKind',
    ...['moved', 'sizeAwg', 'metal', 'switchBreakerA', 'use', 'byNameplate'].map((key) => `loads.circuits.${key}`),
  ], // prettier-ignore
  notApplicable: whereCircuitsMove,
  check: (look) =>
    firstViolation(look, 'loads.circuits', (side, i) => {
      if (side.need(circuitAt(i).moved) === 'no') return undefined;
      side.needAll(circuitAt(i).sizeAwg, circuitAt(i).metal, circuitAt(i).switchBreakerA);
      const size = side.need(circuitAt(i).sizeAwg);
      const deviceA = side.need(circuitAt(i).switchBreakerA);
      const limitA = branchLimit(side, i);
      if (deviceA > limitA && sizedByNameplate(side, i)) return undefined;
      return deviceA > limitA
        ? violation(
            `${deviceA} A ahead of ${size} AWG (${circuitName(look, i)}); ${limitA} A allowed.`,
            `Fit a device of ${limitA} A or less for this circuit in the switch.`,
            { found: deviceA, allowed: limitA, unit: 'A' },
          )
        : undefined;
    }) ?? holds('Every circuit on the transfer equipment is protected.'),
});
