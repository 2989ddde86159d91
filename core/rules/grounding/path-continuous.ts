import { everyEdition } from '../../codebook';
import { holds, rule, violation, without } from '../rule';

export default rule({
  id: 'grounding/path-continuous',
  holds: 'From the source’s frame to the panel the equipment ground is unbroken.',
  severity: 'hazard',
  cites: everyEdition('250.4(A)(5)'),
  facts: ['transfer.kind', 'grounding.frameToPanelOhm'],
  notApplicable: without('transfer'),
  check: (look) => {
    const foundOhm = look.need('grounding.frameToPanelOhm');
    const mostOhm = look.number('groundPathOhm');
    const detail = { found: foundOhm, allowed: mostOhm, unit: 'Ω' };
    return foundOhm <= mostOhm
      ? holds(`${foundOhm} Ω from frame to panel.`, detail)
      : violation(
          foundOhm >= 1_000_000
            ? 'Open: the frame is not grounded to the panel.'
            : `${foundOhm} Ω from frame to panel, ${mostOhm} Ω allowed.`,
          'Find the break: cord, inlet, each joint of the feeder. A fault would put the frame at line voltage.',
          detail,
        );
  },
});
