import { circuitAt } from '../../case';
import { everyEdition } from '../../codebook';
import { bridged, BRIDGED_FACTS, continuousW, feedOf, OUTLET_W_FACTS, rounded } from '../../electrical';
import { PLAN_FACTS, circuitName, plannedLoads, type Leg, type Load } from '../../loads';
import { holds, rule, violation } from '../rule';

export default rule({
  id: 'loads/starting-surge',
  holds: 'With everything else running, the hardest motor can still start, in sum and on each leg.',
  severity: 'correction',
  cites: everyEdition('702.4', 'guidance'),
  facts: [
    'source.kind', ...OUTLET_W_FACTS, 'source.startingW', 'source.makerSiteW', 'source.fuel', 'source.altitudeFt', 'source.airF',
    ...BRIDGED_FACTS, ...PLAN_FACTS, 'loads.circuits.startingW',
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
    const twoLegs = look.attempt((side) => feedOf(side) === '120/240' && !bridged(side));
    look.requireAll(continuous, ratings, planned, starts, twoLegs);
    const [runningW, startingW] = ratings.value!;
    const allowed = look.step(
      'Starting watts here',
      Math.round(Math.max(startingW, runningW) * (continuous.value! / runningW)),
      'W',
      'starting watts, less in proportion',
    );
    const starting = planned.value!.map((one, i) => ({
      load: one,
      extraW: Math.max(0, starts.value![i]! - one.runningW),
    }));
    // A leg gives half of what the source gives; where both legs hang on one pole there is nothing to halve.
    const halves = twoLegs.value! && planned.value!.every(({ legs }) => legs !== undefined);
    const places = [
      { leg: undefined, allowedW: allowed },
      ...(halves ? (['A', 'B'] as const).map((leg) => ({ leg, allowedW: rounded(allowed / 2) })) : []),
    ];
    // Of loads that take turns one alone is on with the others, and one alone may be starting.
    const inTurn = starting.filter(({ load }) => load.plan === 'in-turn');
    const sets = (inTurn.length > 0 ? inTurn : [undefined]).map((turn) =>
      starting.filter((one) => one === turn || one.load.plan === 'run'),
    );
    const on = (leg: Leg | undefined, { legs }: Load, watts: number) =>
      !leg ? watts : legs!.includes(leg) ? watts / legs!.length : 0;
    const tried = places.map(({ leg, allowedW }) => {
      const moments = sets.map((set) => {
        const runningW = rounded(set.reduce((sum, { load }) => sum + on(leg, load, load.runningW), 0));
        const starts = set.map(({ load, extraW }) => ({ load, extraW: on(leg, load, extraW) }));
        const hardest = starts.reduce<(typeof starts)[number] | undefined>(
          (worst, one) => (!worst || one.extraW > worst.extraW ? one : worst),
          undefined,
        );
        return { runningW, hardest, extraW: hardest?.extraW ?? 0 };
      });
      const { runningW, hardest, extraW } = moments.reduce((one, other) =>
        other.runningW + other.extraW > one.runningW + one.extraW ? other : one,
      );
      const found = look.step(
        leg ? `Leg ${leg}: running, and its hardest start` : 'Running, and the hardest start on top',
        rounded(runningW + extraW),
        'W',
        `${runningW} W + ${rounded(extraW)} W`,
      );
      if (leg) look.step(`Starting watts on leg ${leg}`, allowedW, 'W', `${allowed} W ÷ 2`);
      return { leg, found, allowed: allowedW, hardest };
    });
    const worst = tried.reduce((one, other) => (other.found - other.allowed > one.found - one.allowed ? other : one));
    const detail = { found: worst.found, allowed: worst.allowed, unit: 'W' };
    const where = worst.leg ? ` on leg ${worst.leg}` : '';
    if (worst.found <= worst.allowed)
      return holds(`${worst.found} W at the hardest start${where}, ${worst.allowed} W from the source.`, detail);
    const name = worst.hardest && circuitName(look, worst.hardest.load.index);
    return violation(
      `${worst.found} W at the hardest start${where}${name ? ` (${name})` : ''}, ${worst.allowed} W from the source.`,
      `Start ${name ?? 'it'} alone, before the rest; keep ${rounded(worst.found - worst.allowed)} W off while it starts.`,
      detail,
    );
  },
});
