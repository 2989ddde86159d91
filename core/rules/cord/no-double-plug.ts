import { cordAt } from '../../case';
import { everyEdition } from '../../codebook';
import { firstViolation, holds, rule, violation } from '../rule';

export default rule({
  id: 'cord/no-double-plug',
  holds: 'No cord has a plug with bare blades at both ends.',
  severity: 'hazard',
  cites: everyEdition('406.7(B)'),
  facts: ['cord.inletEndGender'],
  check: (look) =>
    firstViolation(look, look.cords, (side, i) =>
      side.need(cordAt(i).inletEndGender) === 'plug'
        ? violation(
            `Cord ${i + 1} has blades at both ends; whoever pulls one end holds live blades.`,
            'Stop work. Take the cord out of service and cut it, so that nobody uses it again.',
          )
        : undefined,
    ) ?? holds('The house end has sockets; no bare blade can be live.'),
});
