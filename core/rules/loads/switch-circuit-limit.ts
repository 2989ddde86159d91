import { everyEdition } from '../../codebook';
import { circuitName, needOfEach } from '../../loads';
import { holds, onlyWith, rule, violation } from '../rule';

export default rule({
  id: 'loads/switch-circuit-limit',
  holds: 'No circuit on the switch is larger than the switch is rated for: 30 A at 240 V unless it says more.',
  severity: 'correction',
  cites: everyEdition('110.3(B)'),
  facts: ['transfer.kind', 'transfer.circuitLimitA', 'loads.circuits.moved', 'loads.circuits.switchBreakerA'],
  notApplicable: onlyWith(['load-side-switch'], 'only a load-side switch limits each circuit'),
  check: (look) => {
    const limitA = look.need('transfer.circuitLimitA');
    const all = Array.from({ length: look.circuits }, (_, i) => i);
    needOfEach(look, all, 'moved');
    const moved = all.filter((i) => look.need(`loads.circuits[${i}].moved`) === 'yes');
    needOfEach(look, moved, 'switchBreakerA');
    const largest = moved.reduce<number | undefined>(
      (best, i) =>
        best === undefined ||
        look.need(`loads.circuits[${i}].switchBreakerA`) > look.need(`loads.circuits[${best}].switchBreakerA`)
          ? i
          : best,
      undefined,
    );
    if (largest === undefined) return holds('No circuit is recorded on the switch.');
    const found = look.need(`loads.circuits[${largest}].switchBreakerA`);
    const detail = { found, allowed: limitA, unit: 'A' };
    return found <= limitA
      ? holds(`${found} A at most, ${limitA} A a circuit allowed.`, detail)
      : violation(
          `${found} A for ${circuitName(look, largest)}, ${limitA} A a circuit allowed.`,
          'Take this circuit off the switch, or use equipment rated for it.',
          detail,
        );
  },
});
