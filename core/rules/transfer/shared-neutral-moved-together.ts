import { circuitAt } from '../../case';
import { everyEdition } from '../../codebook';
import { circuitName, indexesTo, neutralGroups } from '../../loads';
import { holds, rule, violation, whereCircuitsMove } from '../rule';

export default rule({
  id: 'transfer/shared-neutral-moved-together',
  holds: 'Circuits that share a neutral are moved together or not at all.',
  severity: 'hazard',
  cites: everyEdition('210.4(B)'),
  facts: ['transfer.kind', 'transfer.otherKind', 'loads.circuits.moved', 'loads.circuits.neutralGroup'],
  notApplicable: whereCircuitsMove,
  check: (look) => {
    const all = indexesTo(look.circuits);
    const moved = (i: number) => look.known(circuitAt(i).moved);
    // Seen although other circuits are unknown: one of a pair on the transfer equipment, the other not.
    const split = neutralGroups(
      look,
      all.filter((i) => moved(i) && look.known(circuitAt(i).neutralGroup)),
    ).find((group) => new Set(group.map(moved)).size > 1);
    if (split)
      return violation(
        `${split.map((i) => circuitName(look, i)).join(' and ')} share a neutral, and only some of them are on the transfer equipment.`,
        'Move every circuit of the pair, with tied handles, or none.',
      );
    look.needOfEach(all, circuitAt, ['moved', 'neutralGroup']);
    return holds('No pair that shares a neutral is split.');
  },
});
