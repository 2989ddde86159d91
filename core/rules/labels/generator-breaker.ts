import { everyEdition } from '../../codebook';
import { answered, rule, without } from '../rule';

export default rule({
  id: 'labels/generator-breaker',
  holds: 'The backfed breaker is named as the generator’s, in the directory and at the handle.',
  severity: 'correction',
  cites: everyEdition('408.4', '110.22'),
  right: { 'labels.generatorBreaker': ['yes'] },
  facts: ['transfer.kind', 'transfer.otherKind', 'labels.generatorBreaker'],
  notApplicable: without('backfedBreaker'),
  check: (look) =>
    answered(look, 'labels.generatorBreaker', 'yes', {
      good: 'The generator breaker is named.',
      bad: 'The generator breaker is not named.',
      remedy: 'Label it: GENERATOR, and enter it in the directory.',
    }),
});
