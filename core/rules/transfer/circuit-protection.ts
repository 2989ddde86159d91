import { everyEdition, tableAmpacityA } from '../../codebook';
import { smallConductorLimitA } from '../../electrical';
import { circuitName, needOfEach } from '../../loads';
import { holds, onlyWith, rule, violation } from '../rule';

export default rule({
  id: 'transfer/circuit-protection',
  holds: 'The switch’s own breaker for each moved circuit protects that circuit’s conductors.',
  severity: 'correction',
  cites: everyEdition('240.4(D)', '240.4'),
  facts: ['transfer.kind', 'loads.circuits.moved', 'loads.circuits.sizeAwg', 'loads.circuits.switchBreakerA'],
  notApplicable: onlyWith(
    ['load-side-switch', 'transfer-panel', 'single-circuit-switch'],
    'no circuit was moved to other equipment',
  ),
  check: (look) => {
    const all = Array.from({ length: look.circuits }, (_, i) => i);
    needOfEach(look, all, 'moved');
    const moved = all.filter((i) => look.need(`loads.circuits[${i}].moved`) === 'yes');
    needOfEach(look, moved, 'sizeAwg', 'switchBreakerA');
    for (const i of moved) {
      const size = look.need(`loads.circuits[${i}].sizeAwg`);
      const deviceA = look.need(`loads.circuits[${i}].switchBreakerA`);
      const limitA = look.step(
        `Largest device for ${size} AWG copper`,
        smallConductorLimitA('copper', size) ?? tableAmpacityA('copper', size, 60)!,
        'A',
        everyEdition('240.4(D)'),
      );
      if (deviceA > limitA)
        return violation(
          `${deviceA} A ahead of ${size} AWG (${circuitName(look, i)}); ${limitA} A allowed.`,
          `Fit a device of ${limitA} A or less for this circuit in the switch.`,
          { found: deviceA, allowed: limitA, unit: 'A' },
        );
    }
    return holds(moved.length > 0 ? 'Every moved circuit is protected.' : 'No circuit is recorded as moved.');
  },
});
