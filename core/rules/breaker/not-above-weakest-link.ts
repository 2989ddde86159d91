import { standardDeviceAtOrBelowA } from '../../codebook';
import {
  aheadOfInlet,
  CORD_FACTS,
  lacking,
  linksAhead,
  ROW_FACTS,
  STRETCH_FACTS,
  weakest,
  WEAKEST_LINK_CITES,
} from '../../electrical';
import { holds, rule, violation, without } from '../rule';

export default rule({
  id: 'breaker/not-above-weakest-link',
  holds:
    'The backfed breaker is no larger than the weakest of inlet and feeder, and of cord and outlet where the source has no device of its own.',
  severity: 'hazard',
  weighs: 'correction where the source has a device of its own, no larger than the weakest part',
  not: 'A smaller breaker than the outlet’s: that is no fault, for it protects what is behind it.',
  cites: WEAKEST_LINK_CITES,
  facts: [
    'transfer.kind', 'transfer.otherKind', ...ROW_FACTS, ...CORD_FACTS, ...STRETCH_FACTS,
  ], // prettier-ignore
  notApplicable: without('backfedBreaker'),
  check: (look) => {
    const breakerA = look.known('breaker.ratingA');
    // With a device of its own the source protects its outlet and cord, whatever stands behind them.
    const own = look.known('source.outletDevice') === 'own';
    // What a part bears at most is enough to say no.
    const links = linksAhead(look)
      .filter(({ station }) => !own || (station !== 'source' && station !== 'cord'))
      .map((link) => ({ ...link, ratingA: link.ratingA ?? link.atMostA }));
    for (const link of links) {
      if (link.ratingA === undefined) continue;
      look.adopt(link);
      look.step(`${link.part} (${link.source})`, link.ratingA, 'A', 'rating row');
    }
    const weak = weakest(links);
    const name = weak && (/\d$/.test(weak.part) ? weak.part : `the ${weak.part}`);
    const detail = { found: breakerA, allowed: weak?.ratingA, unit: 'A' };
    if (breakerA !== undefined && weak && breakerA > weak.ratingA) {
      const stays = standardDeviceAtOrBelowA(weak.ratingA, look.edition);
      // With a device of its own at the source, no larger than the weakest part, what lies between is protected from there.
      const aheadA = own ? look.attempt(aheadOfInlet).value?.ampsA : undefined;
      const allKnown = links.every((link) => link.missing.length === 0); // what nobody has seen may be weaker still
      const protectedAhead = aheadA !== undefined && allKnown && aheadA <= weak.ratingA;
      return violation(
        `${weak.ratingA} A allowed by ${name}, ${breakerA} A found.`,
        stays
          ? `The largest breaker that may stay is ${stays} A, listed for the panel.`
          : `No standard breaker is small enough for ${name}; replace that part.`,
        { ...detail, ...(protectedAhead ? { severity: 'correction' as const } : {}) },
      );
    }
    lacking(
      links,
      ...(breakerA === undefined ? ['breaker.ratingA'] : []),
      ...(look.peek('source.outletDevice') === undefined ? ['source.outletDevice'] : []),
    );
    return holds(`${weak!.ratingA} A allowed by ${name}, ${breakerA} A found.`, detail);
  },
});
