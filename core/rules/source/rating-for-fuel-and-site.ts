import { everyEdition } from '../../codebook';
import { continuousW } from '../../electrical';
import { legSums, plannedLoads } from '../../loads';
import { holds, rule, violation } from '../rule';

export default rule({
  id: 'source/rating-for-fuel-and-site',
  holds: 'On this fuel, at this height and heat, the source still carries what is meant to run.',
  severity: 'advisory',
  cites: everyEdition('guidance'),
  facts: [
    'transfer.kind', 'source.kind', 'source.runningW', 'source.makerSiteW', 'source.fuel', 'source.altitudeFt', 'source.airF',
    ...['plan', 'volts', 'runningW', 'slot'].map((key) => `loads.circuits.${key}`),
  ], // prettier-ignore
  check: (look) => {
    const source = look.attempt(continuousW);
    const loads = look.attempt((side) => legSums(plannedLoads(side)).total);
    look.requireAll(source, loads);
    const detail = { found: loads.value!, allowed: source.value!, unit: 'W' };
    const words = `${loads.value} W planned, ${source.value} W continuous here.`;
    return loads.value! <= source.value!
      ? holds(words, detail)
      : violation(words, `Plan ${source.value} W or less, let loads take turns, or use a larger source.`, detail);
  },
});
