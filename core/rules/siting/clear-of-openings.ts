import { cordAt } from '../../case';
import { everyEdition } from '../../codebook';
import { holds, rule, violation } from '../rule';
import { noExhaust } from './exhaust';

export default rule({
  id: 'siting/clear-of-openings',
  holds: 'The exhaust keeps the maker’s own distance from every door, window and vent, else 20 ft.',
  severity: 'correction',
  weighs: 'hazard under 5 ft',
  cites: everyEdition('listing', '110.3(B)', 'guidance'),
  not: 'Wind, and openings of a neighbor that nobody measured. 5 ft is a number for stationary engines; below it a portable is a hazard, above it not yet right.',
  reading: 'openingDistance',
  facts: ['source.kind', 'siting.openingFt', 'siting.makerFt', 'siting.cordOpeningFt', 'cord.run'],
  notApplicable: noExhaust,
  check: (look) => {
    const nearest = look.attempt((side) => side.need('siting.openingFt'));
    // An opening that a cord keeps ajar is one that exhaust may enter.
    const ways = Array.from({ length: look.cords }, (_, i) =>
      look.attempt((side) => side.asks(cordAt(i).run) && side.need(cordAt(i).run)),
    );
    const ajar = look.attempt((side) =>
      side.asks('siting.cordOpeningFt') ? side.need('siting.cordOpeningFt') : Infinity,
    );
    const leastFt = look.number('leastOpeningFt');
    // Nothing that is still unknown makes a hazard better.
    const tooNear = (nearest.value ?? Infinity) < leastFt;
    look.requireAll(nearest, ...(tooNear ? [] : [ajar, ...ways]));
    const distanceFt = tooNear ? nearest.value! : Math.min(nearest.value!, ajar.value!);
    const officeFt = look.number('advisedOpeningFt');
    const makerFt = look.known('siting.makerFt');
    const wantedFt =
      makerFt === undefined
        ? officeFt
        : look.reading('openingDistance') === 'maker-first'
          ? makerFt
          : Math.max(makerFt, officeFt);
    const detail = { found: distanceFt, allowed: wantedFt, unit: 'ft' };
    if (distanceFt < leastFt)
      return violation(
        `${distanceFt} ft from the nearest opening; so near, exhaust is drawn into the house.`,
        `Stop it, and move it ${wantedFt} ft or more from every opening.`,
        { ...detail, severity: 'hazard' },
      );
    return distanceFt < wantedFt
      ? violation(
          `${distanceFt} ft from the nearest opening, ${wantedFt} ft needed (${makerFt === wantedFt ? 'the maker’s distance' : 'the office’s distance'}).`,
          `Move it to ${wantedFt} ft or more.`,
          detail,
        )
      : holds(`${distanceFt} ft from the nearest opening, ${wantedFt} ft needed.`, detail);
  },
});
