import { circuitAt } from '../../case';
import { everyEdition } from '../../codebook';
import {
  allLinks,
  bridged,
  CORD_FACTS,
  cordBehind,
  feedOf,
  lacking,
  type Link,
  type Look,
  Missing,
  rounded,
  ROW_FACTS,
  STRETCH_FACTS,
  weakest,
} from '../../electrical';
import {
  PLAN_FACTS,
  ampereAtOnce,
  circuitName,
  isContinuous,
  plannedLoads,
  indexesTo,
  type Leg,
  type Load,
} from '../../loads';
import { holds, rule, violation } from '../rule';

/** Loads that hang together, and the parts that carry them. */
interface Way {
  readonly loads: readonly (Load & { readonly continuous: boolean })[];
  readonly links: readonly Link[];
}

/** A cord, and those that it hangs on. Throws `Missing` where facts lack. */
function wayOf(look: Look, index: number): number[] {
  const behind = cordBehind(look, index);
  return behind === undefined ? [index] : [index, ...wayOf(look, behind)];
}

export default rule({
  id: 'loads/within-weakest-device',
  holds:
    'What may run at once stays, leg by leg, within the smallest of outlet breaker, cord, inlet, feeder and breaker.',
  severity: 'correction',
  cites: everyEdition('210.20(A)', '215.3', '702.4'),
  not: 'The source’s own watts (loads/each-leg-within-source), cords on several receptacles behind one breaker, and starting currents, which a breaker bears for a moment.',
  facts: [
    ...ROW_FACTS, ...CORD_FACTS, ...STRETCH_FACTS, ...PLAN_FACTS,
    'loads.circuits.use', 'loads.circuits.continuous', 'loads.circuits.cord', 'cord.daisyChained',
  ], // prettier-ignore
  check: (look) => {
    const planned = look.attempt((side) =>
      plannedLoads(side).map((one) => ({ ...one, continuous: isContinuous(side, one.index) })),
    );
    const feed = look.attempt(feedOf);
    const onePole = look.attempt(bridged);
    const links = allLinks(look);
    look.requireAll(planned, feed, onePole);
    const beside = !look.has('wired') && look.cords > 1;
    const hangsOn = look.attempt((side) => {
      if (!beside) return undefined;
      side.needAll(...planned.value!.map(({ index }) => circuitAt(index).cord));
      return planned.value!.map(({ index }) => {
        const cord = side.need(circuitAt(index).cord);
        if (!Number.isInteger(cord) || cord > side.cords)
          throw new Missing(
            [circuitAt(index).cord],
            `${circuitName(side, index)} hangs on cord ${cord}, and there is none of that number.`,
          );
        return cord - 1;
      });
    });
    lacking([...links, hangsOn]);
    // Cords that hang beside each other carry what hangs on each, and on what hangs on it; all others carry everything.
    const ways: readonly Way[] = hangsOn.value
      ? indexesTo(look.cords).map((i) => ({
          loads: planned.value!.filter((_, one) => wayOf(look, hangsOn.value![one]!).includes(i)),
          links: links.filter(({ station, index }) => station !== 'cord' || index === i),
        }))
      : [{ loads: planned.value!, links }];
    const legs: (Leg | undefined)[] = feed.value === '120/240' && !onePole.value && !beside ? ['A', 'B'] : [undefined];
    const sums = ways.flatMap(({ loads, links }) => {
      const weak = weakest(links)!;
      look.adopt(weak);
      look.step(`Smallest on the way: ${weak.part}`, weak.ratingA, 'A', 'rating row');
      return legs.map((leg) => ({
        leg,
        loads,
        ampere: ampereAtOnce(loads, leg),
        limitA: weak.ratingA,
        name: weak.part,
      }));
    });
    for (const { leg, ampere } of sums)
      look.step(leg ? `Leg ${leg}` : 'On one pole', ampere, 'A', 'watts ÷ volts; continuous loads ÷ 0.8');
    const most = sums.reduce((worst, one) => (one.ampere - one.limitA > worst.ampere - worst.limitA ? one : worst));
    const { limitA, name } = most;
    const detail = { found: most.ampere, allowed: limitA, unit: 'A' };
    const words = `${most.ampere} A ${most.leg ? `on leg ${most.leg}` : 'on one pole'} at once, continuous loads counted at 125 %; ${limitA} A is the smallest on the way (${name}).`;
    if (most.ampere <= limitA) return holds(words, detail);
    const off = [...most.loads]
      .filter((one) => !most.leg || !one.legs || one.legs.includes(most.leg))
      .sort((a, b) => a.runningW - b.runningW)
      .find(
        (left) =>
          ampereAtOnce(
            most.loads.filter((one) => one !== left),
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
