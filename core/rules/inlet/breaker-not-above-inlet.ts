import { everyEdition } from '../../codebook';
import { INLET_FACTS, inletA, inletAtMostA } from '../../electrical';
import { holds, rule, violation, without } from '../rule';

export default rule({
  id: 'inlet/breaker-not-above-inlet',
  holds: 'The backfed breaker is no larger than the inlet.',
  severity: 'correction',
  cites: everyEdition('110.3(B)', '240.4'),
  facts: ['transfer.kind', ...INLET_FACTS, 'breaker.ratingA'],
  notApplicable: without('backfedBreaker'),
  check: (look) => {
    const rating = look.attempt(inletA);
    const breaker = look.attempt((side) => side.need('breaker.ratingA'));
    // Of stamp and face one alone may be enough to say no.
    const atMost = look.attempt(inletAtMostA);
    const most = rating.value ?? atMost.value;
    if (most === undefined || breaker.value === undefined || breaker.value <= most) look.requireAll(rating, breaker);
    look.adopt(rating.value === undefined ? atMost : rating);
    look.adopt(breaker);
    const [allowed, found] = [most!, breaker.value!];
    const detail = { found, allowed, unit: 'A' };
    return found <= allowed
      ? holds(`${allowed} A inlet, ${found} A breaker.`, detail)
      : violation(
          `${allowed} A allowed by the inlet, ${found} A found.`,
          `Replace the breaker with one of ${allowed} A or less, listed for the panel.`,
          detail,
        );
  },
});
