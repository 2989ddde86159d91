import { everyEdition } from '../../codebook';
import { holds, rule, violation } from '../rule';
import { noExhaust } from './exhaust';

const AWAY: readonly string[] = ['yes', 'away-left', 'away-right'];
const ALONG: readonly string[] = ['left', 'right'];
const REMEDY = 'Turn the source so that its muffler points away from every opening.';

export default rule({
  id: 'siting/exhaust-away',
  holds: 'The exhaust points away from the house.',
  severity: 'hazard',
  weighs: 'correction where it points along the house',
  cites: everyEdition('listing', 'guidance'),
  not: 'Wind, and openings of a neighbor that nobody looked at.',
  right: { 'siting.exhaustAway': AWAY },
  facts: ['source.kind', 'siting.exhaustAway'],
  notApplicable: noExhaust,
  check: (look) => {
    const points = look.need('siting.exhaustAway');
    if (AWAY.includes(points)) return holds('The muffler points away from the house.');
    return ALONG.includes(points)
      ? violation('The muffler points along the house; the gas passes whatever opens on that side.', REMEDY, {
          severity: 'correction',
        })
      : violation('The muffler points at the house; the gas is drawn in.', REMEDY);
  },
});
