import { everyEdition } from '../../codebook';
import { AHEAD_FACTS, aheadOfInlet, INLET_FACTS, inletA, inletAtMostA } from '../../electrical';
import { holds, rule, violation, without } from '../rule';

export default rule({
  id: 'inlet/rated-for-source-outlet',
  holds: 'The inlet is rated, by stamp and by face, no less than what stands ahead of it.',
  severity: 'hazard',
  cites: everyEdition('406.7', '110.3(B)'),
  facts: ['transfer.kind', ...INLET_FACTS, ...AHEAD_FACTS],
  notApplicable: without('inlet'),
  check: (look) => {
    const rating = look.attempt(inletA);
    const ahead = look.attempt(aheadOfInlet);
    // Of stamp and face one alone may be enough to say no.
    const atMost = look.attempt(inletAtMostA);
    const most = rating.value ?? atMost.value;
    if (most === undefined || !ahead.value || ahead.value.flowsA <= most) look.requireAll(rating, ahead);
    look.adopt(rating.value === undefined ? atMost : rating);
    look.adopt(ahead);
    const allowed = most!;
    const { flowsA, isDevice } = ahead.value!;
    const words = isDevice ? ahead.value!.words : `${flowsA} A from a source without an overcurrent device`;
    const detail = { found: flowsA, allowed, unit: 'A' };
    return flowsA <= allowed
      ? holds(`${allowed} A inlet, ${words}.`, detail)
      : violation(
          `${allowed} A allowed by the inlet, ${words} ahead of it.`,
          `Fit an inlet of ${flowsA} A or more with a feeder to match, or feed it from an outlet with a breaker of ${allowed} A or less.`,
          detail,
        );
  },
});
