import { everyEdition } from '../../codebook';
import { SAFE_FIRST, answered, rule, without } from '../rule';

export default rule({
  id: 'inlet/is-male-inlet',
  holds: 'The house is fed through a male inlet, never through a receptacle.',
  severity: 'hazard',
  cites: everyEdition('406.7'),
  facts: ['transfer.kind', 'inlet.gender'],
  notApplicable: without('inlet'),
  check: (look) =>
    answered(look, 'inlet.gender', 'pins', {
      good: 'It is a male inlet with pins.',
      bad: 'It is a receptacle; the cord to it would need blades at both ends.',
      remedy: `${SAFE_FIRST}replace it with a flanged male inlet in a rain-tight box.`,
    }),
});
