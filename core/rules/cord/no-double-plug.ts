import { everyEdition } from '../../codebook';
import { Missing } from '../../electrical';
import { holds, rule, violation } from '../rule';

export default rule({
  id: 'cord/no-double-plug',
  holds: 'No cord has a plug with bare blades at both ends.',
  severity: 'hazard',
  cites: everyEdition('406.7(B)'),
  facts: ['cord.inletEndGender'],
  check: (look) => {
    const missing: string[] = [];
    for (let i = 0; i < look.cords; i++) {
      const path = `cord[${i}].inletEndGender` as const;
      const end = look.known(path);
      if (end === 'plug')
        return violation(
          `Cord ${i + 1} has blades at both ends; whoever pulls one end holds live blades.`,
          'Stop work. Take the cord out of service and cut it, so that nobody uses it again.',
        );
      if (end === undefined) missing.push(path);
    }
    if (missing.length > 0) throw new Missing(missing);
    return holds('The house end has sockets; no bare blade can be live.');
  },
});
