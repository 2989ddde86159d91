import { circuitAt } from '../../case';
import { everyEdition } from '../../codebook';
import { circuitName, indexesTo, neutralGroups } from '../../loads';
import { firstOf, holds, rule, violation, without } from '../rule';

export default rule({
  id: 'loads/shared-neutral-opens-together',
  holds: 'Circuits that share a neutral open together: one two-pole device, or tied handles.',
  severity: 'correction',
  cites: everyEdition('210.4(B)'),
  facts: ['transfer.kind', 'transfer.otherKind', 'loads.circuits.neutralGroup', 'loads.circuits.paired'],
  notApplicable: firstOf(without('wired'), (look) =>
    neutralGroups(look, indexesTo(look.circuits)).length > 0 ? undefined : 'no two circuits share a neutral',
  ),
  check: (look) => {
    const groups = neutralGroups(look, indexesTo(look.circuits));
    const apart = groups.find((group) => group.some((i) => look.known(circuitAt(i).paired) === 'no'));
    if (apart)
      return {
        ...violation(
          `${apart.map((i) => circuitName(look, i)).join(' and ')} share a neutral and open one by one; the neutral of a dead circuit may carry the other’s current.`,
          'Tie the handles or fit a two-pole breaker, in the panel and at the switch.',
        ),
        part: { list: 'loads.circuits', index: apart[0]! },
      };
    look.needOfEach(groups.flat(), circuitAt, ['paired']);
    return holds('Every pair that shares a neutral opens together.');
  },
});
