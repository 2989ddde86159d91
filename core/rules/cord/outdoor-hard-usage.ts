import { cordAt } from '../../case';
import { CORD_TYPES, CORD_TYPE_CITES, lettersOf } from '../../codebook';
import { firstViolation, holds, rule, violation, withoutCord } from '../rule';

export default rule({
  id: 'cord/outdoor-hard-usage',
  holds: 'Every cord is of a hard or extra-hard usage type made for outdoors, where any of it lies there.',
  severity: 'correction',
  cites: CORD_TYPE_CITES,
  facts: ['cord.part', 'cord.type', 'cord.indoors'],
  notApplicable: withoutCord,
  check: (look) =>
    firstViolation(look, 'cord', (side, i) => {
      if (side.need(cordAt(i).part) === 'adapter-listed') return undefined; // one piece, with a listing of its own
      const name = side.need(cordAt(i).type);
      const { usage, outdoors } = CORD_TYPES[name];
      if (usage !== 'not-hard' && (outdoors || side.need(cordAt(i).indoors) === 'yes')) return undefined;
      side.step(`Letters of ${name}`, lettersOf(name).join('; '), '', CORD_TYPE_CITES);
      return violation(
        usage === 'not-hard' ? `${name} is not made for hard usage.` : `${name} has no W: it is not made for outdoors.`,
        'Use a cord of a hard or extra-hard usage type with a W, such as SOOW, STW or SJTW.',
        { found: name, allowed: 'hard usage, W' },
      );
    }) ?? holds('Hard usage, and made for outdoors.'),
});
