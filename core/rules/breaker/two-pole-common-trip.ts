import { everyEdition } from '../../codebook';
import { holds, rule, violation, without } from '../rule';

export default rule({
  id: 'breaker/two-pole-common-trip',
  holds: 'The backfed breaker is one two-pole breaker with a common trip.',
  severity: 'correction',
  cites: everyEdition('240.15(B)'),
  facts: ['transfer.kind', 'transfer.otherKind', 'breaker.construction'],
  notApplicable: without('backfedBreaker'),
  check: (look) => {
    const construction = look.need('breaker.construction');
    if (construction === 'common-trip') return holds('One two-pole breaker with a common trip.');
    const remedy = 'Fit one two-pole breaker with a common trip, listed for the panel.';
    if (construction === 'single')
      return violation(
        'One pole only; it feeds a single leg, and bridging the other would defeat its protection.',
        remedy,
      );
    return violation(
      construction === 'tied-singles'
        ? 'Two single poles tied together; one may trip and leave the other leg live.'
        : 'Two loose single poles; one leg stays live when the other is switched off.',
      remedy,
    );
  },
});
