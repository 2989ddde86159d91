import { everyEdition } from '../../codebook';
import { holds, rule, violation, without } from '../rule';

export default rule({
  id: 'inlet/rated-for-source-outlet',
  holds: 'The inlet is rated no less than the breaker of the source outlet that feeds it.',
  severity: 'hazard',
  cites: everyEdition('406.7', '110.3(B)'),
  facts: ['transfer.kind', 'inlet.ratingA', 'source.outletBreakerA'],
  notApplicable: without('inlet'),
  check: (look) => {
    look.needAll('inlet.ratingA', 'source.outletBreakerA');
    const inletA = look.need('inlet.ratingA');
    const deviceA = look.need('source.outletBreakerA');
    const detail = { found: deviceA, allowed: inletA, unit: 'A' };
    return deviceA <= inletA
      ? holds(`${inletA} A inlet, ${deviceA} A outlet breaker.`, detail)
      : violation(
          `${inletA} A allowed by the inlet, ${deviceA} A outlet breaker at the source.`,
          `Fit an inlet of ${deviceA} A or more with a feeder to match, or feed it from an outlet with a breaker of ${inletA} A or less.`,
          detail,
        );
  },
});
