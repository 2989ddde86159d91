import { everyEdition } from '../../codebook';
import { holds, rule, violation } from '../rule';
import { noExhaust } from './exhaust';

export default rule({
  id: 'siting/rain-shelter',
  holds: 'It is sheltered from rain without trapping its exhaust.',
  severity: 'advisory',
  weighs: 'hazard where it traps exhaust',
  cites: everyEdition('listing', 'guidance'),
  right: { 'siting.shelter': ['suitable'] },
  facts: ['source.kind', 'siting.shelter'],
  notApplicable: noExhaust,
  check: (look) => {
    const shelter = look.need('siting.shelter');
    const remedy = 'Give it a shelter made for running generators, open on all sides; never a shed or a tarpaulin.';
    if (shelter === 'suitable') return holds('Sheltered, and open to the air.');
    return shelter === 'none'
      ? violation('It stands in the rain.', remedy)
      : violation(
          'Its shelter traps the exhaust; whoever bends over it breathes it, and so does the house.',
          `Stop it. ${remedy}`,
          {
            severity: 'hazard',
          },
        );
  },
});
