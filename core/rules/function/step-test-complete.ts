import type { FactPath } from '../../case';
import { everyEdition } from '../../codebook';
import { functionTest, mechanismAt } from '../../interlock';
import { Missing } from '../../electrical';
import { holds, rule, violation, without } from '../rule';

export default rule({
  id: 'function/step-test-complete',
  holds: 'Every move that the mechanism’s model lists was tried, and each source closes alone.',
  severity: 'correction',
  cites: everyEdition('702.5', 'guidance'),
  facts: [
    'transfer.kind', 'transfer.mechanism', 'transfer.mountedOn', 'function.generatorWithMainOn', 'function.mainWithGeneratorOn',
    'function.bothWithPartMoved', 'function.bothWithCoverOff', 'function.eachAlone',
  ], // prettier-ignore
  notApplicable: without('inlet'),
  check: (look) => {
    if (look.known('function.eachAlone') === 'not-both')
      return violation(
        'One of the sources cannot be closed alone.',
        'Free or adjust the mechanism as its maker says, until each source closes fully by itself.',
      );
    const name = mechanismAt(look);
    const onCover = look.need('transfer.kind') === 'retrofit-interlock' && look.need('transfer.mountedOn') === 'cover';
    const trials = functionTest(name, onCover);
    const wanted = [...new Set(trials.map((trial) => trial.fact))] as FactPath[];
    look.step('Moves that the model lists', trials.length, '', 'every state of a sound mechanism');
    const missing = wanted.filter((path) => look.known(path) === undefined);
    if (missing.length > 0) throw new Missing(missing);
    return holds(`All ${trials.length} moves were tried.`);
  },
});
