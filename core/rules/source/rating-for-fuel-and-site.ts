import { everyEdition } from '../../codebook';
import { continuousW, OUTLET_W_FACTS, rounded } from '../../electrical';
import { PLAN_FACTS, legSums, plannedLoads, whatToKeepOff } from '../../loads';
import { holds, rule, violation } from '../rule';

export default rule({
  id: 'source/rating-for-fuel-and-site',
  holds: 'On this fuel, at this height and heat, the source still carries what is meant to run.',
  severity: 'advisory',
  cites: everyEdition('guidance'),
  facts: [
    ...PLAN_FACTS, 'source.kind', ...OUTLET_W_FACTS, 'source.makerSiteW', 'source.fuel', 'source.altitudeFt', 'source.airF',
  ], // prettier-ignore
  check: (look) => {
    const source = look.attempt(continuousW);
    const loads = look.attempt(plannedLoads);
    look.requireAll(source, loads);
    const sourceW = source.value!;
    const plannedW = look.step(
      'At once in all',
      legSums(loads.value!).total,
      'W',
      'all that run, and the largest of those that take turns',
    );
    const detail = { found: plannedW, allowed: sourceW, unit: 'W' };
    const words = `${plannedW} W planned, ${sourceW} W continuous here.`;
    if (plannedW <= sourceW) return holds(words, detail);
    const off = whatToKeepOff(look, loads.value!, `${rounded(plannedW - sourceW)} W`, ({ total }) => total <= sourceW);
    return violation(words, `Keep ${off} off, let loads take turns, or use a larger source.`, detail);
  },
});
