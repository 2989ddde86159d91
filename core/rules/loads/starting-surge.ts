import { circuitAt } from '../../case';
import { everyEdition } from '../../codebook';
import { continuousW, rounded } from '../../electrical';
import { circuitName, legSums, plannedLoads } from '../../loads';
import { holds, rule, violation } from '../rule';

export default rule({
  id: 'loads/starting-surge',
  holds: 'With everything else running, the hardest motor can still start.',
  severity: 'correction',
  cites: everyEdition('702.4', 'guidance'),
  facts: [
    'transfer.kind', 'source.kind', 'source.runningW', 'source.startingW', 'source.makerSiteW', 'source.fuel', 'source.altitudeFt', 'source.airF',
    ...['plan', 'volts', 'runningW', 'startingW', 'slot'].map((key) => `loads.circuits.${key}`),
  ], // prettier-ignore
  check: (look) => {
    const continuous = look.attempt(continuousW);
    const ratings = look.attempt((side) => {
      side.needAll('source.runningW', 'source.startingW');
      return [side.need('source.runningW'), side.need('source.startingW')] as const;
    });
    const planned = look.attempt(plannedLoads);
    const starts = look.attempt((side) => {
      const loads = plannedLoads(side);
      side.needAll(...loads.map((one) => circuitAt(one.index).startingW));
      return loads.map((one) => side.need(circuitAt(one.index).startingW));
    });
    look.requireAll(continuous, ratings, planned, starts);
    const [runningW, startingW] = ratings.value!;
    const allowed = look.step(
      'Starting watts here',
      Math.round(Math.max(startingW, runningW) * (continuous.value! / runningW)),
      'W',
      'starting watts, less in proportion',
    );
    const { total } = legSums(planned.value!);
    const extra = planned.value!.map((one, i) => Math.max(0, starts.value![i]! - one.runningW));
    const most = Math.max(0, ...extra);
    const hardest = planned.value![extra.indexOf(most)];
    const found = look.step(
      'Running, and the hardest start on top',
      rounded(total + most),
      'W',
      `${total} W + ${most} W`,
    );
    const detail = { found, allowed, unit: 'W' };
    if (found <= allowed) return holds(`${found} W at the hardest start, ${allowed} W from the source.`, detail);
    const name = hardest && circuitName(look, hardest.index);
    return violation(
      `${found} W at the hardest start${name ? ` (${name})` : ''}, ${allowed} W from the source.`,
      `Start ${name ?? 'it'} alone, before the rest; keep ${found - allowed} W off while it starts.`,
      detail,
    );
  },
});
