import { everyEdition } from '../../codebook';
import { holds, rule, violation, without } from '../rule';

export default rule({
  id: 'inlet/breaker-not-above-inlet',
  holds: 'The backfed breaker is no larger than the inlet.',
  severity: 'correction',
  cites: everyEdition('110.3(B)', '240.4'),
  facts: ['transfer.kind', 'inlet.ratingA', 'breaker.ratingA'],
  notApplicable: without('backfed breaker'),
  check: (look) => {
    look.needAll('inlet.ratingA', 'breaker.ratingA');
    const inletA = look.need('inlet.ratingA');
    const breakerA = look.need('breaker.ratingA');
    const detail = { found: breakerA, allowed: inletA, unit: 'A' };
    return breakerA <= inletA
      ? holds(`${inletA} A inlet, ${breakerA} A breaker.`, detail)
      : violation(
          `${inletA} A allowed by the inlet, ${breakerA} A found.`,
          `Replace the breaker with one of ${inletA} A or less, listed for the panel.`,
          detail,
        );
  },
});
