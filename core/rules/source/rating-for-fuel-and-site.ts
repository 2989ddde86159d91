import { everyEdition } from '../../codebook';
import { continuousW } from '../../electrical';
import { legSums, plannedLoads, whatToKeepOff } from '../../loads';
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
    const loads = look.attempt(plannedLoads);
    look.requireAll(source, loads);
    const sourceW = source.value!;
    const plannedW = legSums(loads.value!).total;
    const detail = { found: plannedW, allowed: sourceW, unit: 'W' };
    const words = `${plannedW} W planned, ${sourceW} W continuous here.`;
    if (plannedW <= sourceW) return holds(words, detail);
    const off = whatToKeepOff(look, loads.value!, `${plannedW - sourceW} W`, ({ total }) => total <= sourceW);
    return violation(words, `Keep ${off} off, let loads take turns, or use a larger source.`, detail);
  },
});
