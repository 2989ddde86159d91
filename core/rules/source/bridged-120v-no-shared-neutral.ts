import { everyEdition } from '../../codebook';
import { BRIDGED_FACTS } from '../../electrical';
import { circuitName, neutralGroups, plannedCircuits } from '../../loads';
import { holds, rule, violation, whereBridged } from '../rule';

export default rule({
  id: 'source/bridged-120v-no-shared-neutral',
  holds: 'Where one pole of the source feeds both legs, no two circuits that run share a neutral.',
  severity: 'hazard',
  cites: everyEdition('210.4', '240.4'),
  facts: [...BRIDGED_FACTS, 'loads.circuits.plan', 'loads.circuits.neutralGroup'],
  notApplicable: whereBridged,
  check: (look) => {
    const pair = neutralGroups(look, plannedCircuits(look))[0];
    return pair
      ? violation(
          `${pair.map((i) => circuitName(look, i)).join(' and ')} share a neutral that carries the sum of both, not the difference.`,
          'Keep one of the pair off and lock it, give each its own neutral, or use a 120/240 V source.',
        )
      : holds('No pair that runs shares a neutral.');
  },
});
