import { CORD_TYPES, CORD_TYPE_CITES, lettersOf } from '../../codebook';
import { Missing } from '../../electrical';
import { holds, rule, violation } from '../rule';

export default rule({
  id: 'cord/outdoor-hard-usage',
  holds: 'Every cord is of a hard or extra-hard usage type made for outdoors.',
  severity: 'correction',
  cites: CORD_TYPE_CITES,
  facts: ['cord.type'],
  check: (look) => {
    const missing: string[] = [];
    for (let i = 0; i < look.cords; i++) {
      const path = `cord[${i}].type` as const;
      const name = look.known(path);
      if (name === undefined) {
        missing.push(path);
        continue;
      }
      const { usage, outdoors } = CORD_TYPES[name];
      if (usage !== 'not-hard' && outdoors) continue;
      look.step(`Letters of ${name}`, lettersOf(name).join('; '), '', CORD_TYPE_CITES);
      return violation(
        usage === 'not-hard' ? `${name} is not made for hard usage.` : `${name} has no W: it is not made for outdoors.`,
        'Use a cord of a hard or extra-hard usage type with a W, such as SOOW, STW or SJTW.',
        { found: name, allowed: 'hard usage, W' },
      );
    }
    if (missing.length > 0) throw new Missing(missing);
    return holds('Hard usage, and made for outdoors.');
  },
});
