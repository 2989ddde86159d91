import { everyEdition } from '../../codebook';
import { CORD_FACTS, STRETCH_FACTS, allLinks, bridged, feedOf, lacking, rounded, weakest } from '../../electrical';
import { PLAN_FACTS, ampereAtOnce, circuitName, isContinuous, plannedLoads, type Leg } from '../../loads';
import { holds, rule, violation } from '../rule';

export default rule({
  id: 'loads/within-weakest-device',
  holds:
    'What may run at once stays, leg by leg, within the smallest of outlet breaker, cord, inlet, feeder and breaker.',
  severity: 'correction',
  cites: everyEdition('210.20(A)', '215.3', '702.4'),
  not: 'The source’s own watts (loads/each-leg-within-source), and starting currents, which a breaker bears for a moment.',
  facts: [
    'source.outletBreakerA', 'inlet.ratingA', 'breaker.ratingA', 'cord.breakerA', ...CORD_FACTS, ...STRETCH_FACTS, ...PLAN_FACTS,
    'loads.circuits.use', 'loads.circuits.continuous',
  ], // prettier-ignore
  check: (look) => {
    const planned = look.attempt((side) =>
      plannedLoads(side).map((one) => ({ ...one, continuous: isContinuous(side, one.index) })),
    );
    const feed = look.attempt(feedOf);
    const onePole = look.attempt(bridged);
    const links = allLinks(look);
    look.requireAll(planned, feed, onePole);
    lacking(links);
    const weak = weakest(links)!;
    look.adopt(weak);
    const { ratingA: limitA, part: name } = weak;
    look.step(`Smallest on the way: ${name}`, limitA, 'A', 'rating row');
    const legs: (Leg | undefined)[] = feed.value === '120/240' && !onePole.value ? ['A', 'B'] : [undefined];
    const sums = legs.map((leg) => ({ leg, ampere: ampereAtOnce(planned.value!, leg) }));
    for (const { leg, ampere } of sums)
      look.step(leg ? `Leg ${leg}` : 'On one pole', ampere, 'A', 'watts ÷ volts; continuous loads ÷ 0.8');
    const most = sums.reduce((worst, one) => (one.ampere > worst.ampere ? one : worst));
    const detail = { found: most.ampere, allowed: limitA, unit: 'A' };
    const words = `${most.ampere} A ${most.leg ? `on leg ${most.leg}` : 'on one pole'} at once, continuous loads counted at 125 %; ${limitA} A is the smallest on the way (${name}).`;
    if (most.ampere <= limitA) return holds(words, detail);
    const off = [...planned.value!]
      .filter((one) => !most.leg || !one.legs || one.legs.includes(most.leg))
      .sort((a, b) => a.runningW - b.runningW)
      .find(
        (left) =>
          ampereAtOnce(
            planned.value!.filter((one) => one !== left),
            most.leg,
          ) <= limitA,
      );
    return violation(
      words,
      `Keep ${off ? circuitName(look, off.index) : `${rounded(most.ampere - limitA)} A`} off, or let loads take turns.`,
      detail,
    );
  },
});
