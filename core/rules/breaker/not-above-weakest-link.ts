import { standardDeviceAtOrBelowA } from '../../codebook';
import { lacking, linksAhead, weakest, WEAKEST_LINK_CITES } from '../../electrical';
import { holds, rule, violation, without } from '../rule';

export default rule({
  id: 'breaker/not-above-weakest-link',
  holds: 'The backfed breaker is no larger than the weakest part ahead of it.',
  severity: 'hazard',
  cites: WEAKEST_LINK_CITES,
  facts: [
    'transfer.kind', 'breaker.ratingA', 'source.outletBreakerA', 'source.voltage', 'feeder.inletTerminal', 'feeder.houseTerminal',
    'cord.sizeAwg', 'cord.wires', 'inlet.ratingA',
    ...['method', 'insulation', 'metal', 'sizeAwg', 'ambientC', 'otherCarrying'].map((key) => `feeder.stretches.${key}`),
  ], // prettier-ignore
  notApplicable: without('backfed breaker'),
  check: (look) => {
    const breakerA = look.known('breaker.ratingA');
    const links = linksAhead(look);
    for (const link of links) {
      if (link.ratingA === undefined) continue;
      look.adopt(link);
      look.step(`${link.part} (${link.source})`, link.ratingA, 'A', 'rating row');
    }
    const weak = weakest(links);
    const name = weak && (/\d$/.test(weak.part) ? weak.part : `the ${weak.part}`);
    const detail = { found: breakerA, allowed: weak?.ratingA, unit: 'A' };
    if (breakerA !== undefined && weak && breakerA > weak.ratingA) {
      const stays = standardDeviceAtOrBelowA(weak.ratingA);
      return violation(
        `${weak.ratingA} A allowed by ${name}, ${breakerA} A found.`,
        stays
          ? `The largest breaker that may stay is ${stays} A, listed for the panel.`
          : `No standard breaker is small enough for ${name}; replace that part.`,
        detail,
      );
    }
    lacking(links, ...(breakerA === undefined ? ['breaker.ratingA'] : []));
    return holds(`${weak!.ratingA} A allowed by ${name}, ${breakerA} A found.`, detail);
  },
});
