import { everyEdition } from '../../codebook';
import { holds, rule, violation } from '../rule';
import { noExhaust } from './exhaust';

export default rule({
  id: 'siting/outdoors',
  holds: 'A source with exhaust runs outdoors, in the open.',
  severity: 'hazard',
  cites: everyEdition('listing', '110.3(B)', 'guidance'),
  facts: ['source.kind', 'siting.place'],
  notApplicable: noExhaust,
  check: (look) => {
    const place = look.need('siting.place');
    return place === 'outdoors'
      ? holds('It runs outdoors, in the open.')
      : violation(
          `It runs ${place === 'indoors' ? 'indoors' : place === 'garage' ? 'in a garage or carport' : 'on a porch or under a roof'}; the exhaust kills within minutes.`,
          'Move it outdoors, into the open, exhaust away from the house. Never run it where it stands now.',
        );
  },
});
