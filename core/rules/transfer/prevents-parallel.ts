import { everyEdition } from '../../codebook';
import { functionTest, parallelSequence } from '../../interlock';
import { Missing, lacking } from '../../electrical';
import { firstOf, holds, rule, violation, without } from '../rule';

const TRIED = ['function.generatorWithMainOn', 'function.mainWithGeneratorOn', 'function.bothWithPartMoved'] as const;

export default rule({
  id: 'transfer/prevents-parallel',
  holds: 'No sequence of moves closes both sources: tried by hand, and searched in the model.',
  severity: 'hazard',
  cites: everyEdition('702.5'),
  facts: [
    'transfer.kind', ...TRIED, 'transfer.mechanism', 'transfer.fit', 'transfer.alteration', 'breaker.heldDown', 'breaker.construction', 'breaker.atInterlock',
  ], // prettier-ignore
  notApplicable: firstOf(without('transfer'), (look) =>
    look.need('transfer.kind') === 'none-backfed' ? 'there is no transfer equipment to try' : undefined,
  ),
  check: (look) => {
    const remedy = 'Do not energise. Replace or repair it as its listing says, and try every move again.';
    const name = look.known('transfer.mechanism');
    const listed = name && functionTest(name).map((trial) => trial.fact as string);
    const missing: string[] = [];
    for (const path of TRIED) {
      const answer = look.known(path);
      if (answer === undefined) {
        if (!listed || listed.includes(path)) missing.push(path);
      } else if (answer === 'moved')
        return violation('Tried by hand, both sources closed; a line worker would meet this source’s voltage.', remedy);
    }
    const model = look.attempt((side) => parallelSequence(side));
    look.adopt(model);
    if (model.value) {
      look.step(
        'Shortest sequence that the model finds',
        model.value.map((move) => move.words).join('; '),
        '',
        'exhaustive search',
      );
      return violation(
        `With what was found, this closes both sources: ${model.value.map((move) => move.words).join('; ')}.`,
        remedy,
      );
    }
    if (model.missing.length > 0) lacking([model], ...missing);
    if (missing.length > 0) throw new Missing(missing);
    look.step('Sequences that close both sources', 0, '', 'exhaustive search of every state');
    return holds('Blocked by hand every way, and no sequence in the model closes both.');
  },
});
