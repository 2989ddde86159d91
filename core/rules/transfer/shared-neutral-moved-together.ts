import { everyEdition } from '../../codebook';
import { circuitName, needOfEach, neutralGroups } from '../../loads';
import { holds, onlyWith, rule, violation } from '../rule';

export default rule({
  id: 'transfer/shared-neutral-moved-together',
  holds: 'Circuits that share a neutral are moved together or not at all.',
  severity: 'hazard',
  cites: everyEdition('210.4(B)'),
  facts: ['transfer.kind', 'loads.circuits.moved', 'loads.circuits.neutralGroup'],
  notApplicable: onlyWith(
    ['load-side-switch', 'transfer-panel', 'single-circuit-switch'],
    'no circuit was moved to other equipment',
  ),
  check: (look) => {
    const all = Array.from({ length: look.circuits }, (_, i) => i);
    needOfEach(look, all, 'moved');
    const groups = neutralGroups(look, all);
    const split = groups.find((group) => new Set(group.map((i) => look.need(`loads.circuits[${i}].moved`))).size > 1);
    return split
      ? violation(
          `${split.map((i) => circuitName(look, i)).join(' and ')} share a neutral, and only some of them are on the transfer means.`,
          'Move every circuit of the pair, with tied handles, or none.',
        )
      : holds(groups.length > 0 ? 'Every pair is moved together.' : 'No two circuits share a neutral.');
  },
});
