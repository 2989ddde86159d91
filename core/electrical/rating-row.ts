import { absence, cordAt, type Case } from '../case';
import { SMALL_CONDUCTOR_A, everyEdition, type Edition } from '../codebook';
import { conductorOf, cordAmpacityA, smallConductorLimitA, stretchAmpacity } from './ampacity';
import { Look, type Working } from './look';

/** One part of the row in which the weakest decides. */
export interface Link {
  readonly part: string;
  readonly station: 'source' | 'cord' | 'inlet' | 'feeder' | 'breaker';
  /** What this part lets pass or bear, A; undefined where facts lack. */
  readonly ratingA?: number;
  readonly source: string;
  readonly missing: readonly string[];
  readonly why?: string;
  /** How the rating came about. */
  readonly working: Working;
}

/** Source outlet's breaker, every cord, inlet, every feeder stretch: all that stands ahead of the backfed breaker. */
export function linksAhead(look: Look): Link[] {
  const links: Link[] = [];
  const add = (part: string, station: Link['station'], source: string, compute: (side: Look) => number) => {
    const { value, missing, why, working } = look.attempt(compute);
    links.push({ part, station, ratingA: value, source, missing, why, working });
  };
  const several = (word: string, count: number, i: number) => (count > 1 ? `${word} ${i + 1}` : word);
  add('source outlet', 'source', 'its breaker', (side) => side.need('source.outletBreakerA'));
  for (let i = 0; i < look.cords; i++)
    add(several('cord', look.cords, i), 'cord', '400.5', (side) => {
      const ampacityA = cordAmpacityA(side, i);
      // An adapter with a breaker of its own is a link by that too.
      const path = cordAt(i).breakerA;
      const breakerA = side.asks(path) ? side.known(path) : undefined;
      return breakerA === undefined ? ampacityA : Math.min(ampacityA, breakerA);
    });
  if (!look.kind || !absence('inlet', look.kind)) {
    add('inlet', 'inlet', 'its marking', (side) => side.need('inlet.ratingA'));
    for (let i = 0; i < look.stretches; i++)
      add(several('feeder', look.stretches, i), 'feeder', '240.4', (side) => {
        const { deviceA } = stretchAmpacity(side, i);
        const { metal, size } = conductorOf(side, i);
        const limitA = smallConductorLimitA(metal, size);
        if (limitA === undefined || limitA >= deviceA) return deviceA;
        return side.step(`Device ahead of ${size} AWG, at most`, limitA, 'A', SMALL_CONDUCTOR_A.cites);
      });
  }
  return links;
}

/** The link with the smallest known rating; undefined where none is known. */
export function weakest(links: readonly Link[]): (Link & { ratingA: number }) | undefined {
  let found: (Link & { ratingA: number }) | undefined;
  for (const link of links)
    if (link.ratingA !== undefined && (!found || link.ratingA < found.ratingA))
      found = { ...link, ratingA: link.ratingA };
  return found;
}

/** The whole row, the backfed breaker included where there is one. */
export function allLinks(look: Look): Link[] {
  const links = linksAhead(look);
  if (!look.kind || !absence('backfed breaker', look.kind)) {
    const { value, missing, working } = look.attempt((side) => side.need('breaker.ratingA'));
    links.push({ part: 'backfed breaker', station: 'breaker', ratingA: value, source: 'its handle', missing, working });
  }
  return links;
}

/** The whole row of a case, as the drawing shows it. */
export const ratingRow = (c: Case, edition: Edition = c.edition): Link[] => allLinks(new Look(c, edition));

export const WEAKEST_LINK_CITES = everyEdition('240.4', '110.3(B)');
