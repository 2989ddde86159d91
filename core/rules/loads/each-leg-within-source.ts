import { everyEdition } from '../../codebook';
import { bridged, BRIDGED_FACTS, continuousW, feedOf, OUTLET_W_FACTS, rounded } from '../../electrical';
import { PLAN_FACTS, circuitName, legSums, loadToMove, plannedLoads, whatToKeepOff, type LegSums } from '../../loads';
import { holds, rule, violation } from '../rule';

export default rule({
  id: 'loads/each-leg-within-source',
  holds: 'What may run at once stays within the source, each leg by itself.',
  severity: 'correction',
  not: 'What can flow through outlet, cord and feeder: loads/within-weakest-device; and starting: loads/starting-surge.',
  cites: everyEdition('702.4'),
  facts: [
    'source.kind', ...OUTLET_W_FACTS, 'source.makerSiteW', 'source.fuel', 'source.altitudeFt', 'source.airF', ...BRIDGED_FACTS, ...PLAN_FACTS,
    'loads.circuits.neutralGroup',
  ], // prettier-ignore
  check: (look) => {
    const source = look.attempt(continuousW);
    const planned = look.attempt(plannedLoads);
    const feed = look.attempt(feedOf);
    const onePole = look.attempt(bridged);
    look.requireAll(source, planned, feed, onePole);
    const sums = legSums(planned.value!);
    const sourceW = source.value!;
    const keepOff = (tooMuch: string, right: (sums: LegSums) => boolean) =>
      `Keep ${whatToKeepOff(look, planned.value!, tooMuch, right)} off, or let loads take turns.`;
    look.step('At once in all', sums.total, 'W', 'all that run, and the largest of those that take turns');
    if (sums.total > sourceW)
      return violation(
        `${sums.total} W at once, ${sourceW} W from the source.`,
        keepOff(`${rounded(sums.total - sourceW)} W`, ({ total }) => total <= sourceW),
        {
          found: sums.total,
          allowed: sourceW,
          unit: 'W',
        },
      );
    const twoLegs = feed.value === '120/240' && !onePole.value && planned.value!.every((one) => one.legs !== undefined);
    if (!twoLegs)
      return holds(`${sums.total} W at once, ${sourceW} W from the source.`, {
        found: sums.total,
        allowed: sourceW,
        unit: 'W',
      });
    const legW = look.step('Half of the source on each leg', rounded(sourceW / 2), 'W', `${sourceW} W ÷ 2`);
    look.step('Leg A', sums.A, 'W', 'slots in rows 1, 3, 5 …, or the switch’s handles');
    look.step('Leg B', sums.B, 'W', 'slots in rows 2, 4, 6 …, or the switch’s handles');
    const heavy = sums.A >= sums.B ? 'A' : 'B';
    const detail = { found: sums[heavy], allowed: legW, unit: 'W' };
    if (sums[heavy] <= legW)
      return holds(`${sums.A} W on leg A, ${sums.B} W on leg B, ${legW} W each from the source.`, detail);
    const right = ({ A, B }: LegSums) => A <= legW && B <= legW;
    const move = loadToMove(look, planned.value!, right);
    return violation(
      `${sums[heavy]} W on leg ${heavy}, ${legW} W allowed, although ${sums.total} W is within ${sourceW} W.`,
      move
        ? `Move ${circuitName(look, move.index)} to the other leg, or let it take turns.`
        : keepOff(`${rounded(sums[heavy] - legW)} W of leg ${heavy}`, right),
      detail,
    );
  },
});
