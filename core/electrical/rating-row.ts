import { cordAt, type Case } from '../case';
import { SMALL_CONDUCTOR_A, everyEdition, type Edition } from '../codebook';
import { conductorOf, cordAmpacityA, smallConductorLimitA, stretchAmpacity } from './ampacity';
import { AHEAD_FACTS, INLET_FACTS, faceBearsA, inletA, inletAtMostA, outletA } from './ahead';
import { Look, type Working } from './look';

/** One part of the row in which the weakest decides. */
export interface Link {
  readonly part: string;
  readonly station: 'source' | 'cord' | 'inlet' | 'feeder' | 'breaker';
  /** Place of a cord or a stretch among its like. */
  readonly index?: number;
  /** What this part lets pass or bear, A; undefined where facts lack. */
  readonly ratingA?: number;
  /** What it bears at most, A, while something of it is unknown. */
  readonly atMostA?: number;
  readonly source: string;
  readonly missing: readonly string[];
  readonly why?: string;
  /** How the rating came about. */
  readonly working: Working;
}

export const WEAKEST_LINK_CITES = everyEdition('240.4', '110.3(B)');

/** Facts that the row may need beside those of cords and stretches. */
export const ROW_FACTS = [
  ...AHEAD_FACTS, ...INLET_FACTS, 'cord.sourceEnd', 'cord.inletEnd', 'breaker.ratingA',
] as const; // prettier-ignore

/** Source outlet's breaker, every cord, inlet, every feeder stretch: all that stands ahead of the backfed breaker. */
export function linksAhead(look: Look): Link[] {
  const links: Link[] = [];
  const add = (
    part: string,
    station: Link['station'],
    source: string,
    compute: (side: Look) => number,
    index?: number,
    /** What it bears at most while something of it is unknown. */
    atMost: (side: Look) => number | undefined = () => undefined,
  ) => {
    const { value, missing, why, working } = look.attempt(compute);
    const most = value === undefined ? look.attempt(atMost) : undefined;
    links.push({
      part,
      station,
      ratingA: value,
      ...(most?.value !== undefined && { atMostA: most.value }),
      source,
      missing,
      why,
      working: most?.value === undefined ? working : most.working,
      ...(index !== undefined && { index }),
    });
  };
  const several = (word: string, count: number, i: number) => (count > 1 ? `${word} ${i + 1}` : word);
  add('source outlet', 'source', 'its breaker and face', outletA);
  for (let i = 0; i < look.cords; i++)
    add(
      several('cord', look.cords, i),
      'cord',
      '400.5',
      (side) => {
        const at = cordAt(i);
        const ampacityA = cordAmpacityA(side, i);
        // An adapter with a breaker of its own is a link by that too, and every part by its faces.
        const breakerA = side.asks(at.breakerA) ? side.known(at.breakerA) : undefined;
        const behindA = outletA(side.aside());
        const faces = [side.need(at.sourceEnd), side.need(at.inletEnd)].map((face) => faceBearsA(face, behindA));
        const least = Math.min(...faces);
        if (least < ampacityA) side.step('Its faces bear', least, 'A', WEAKEST_LINK_CITES);
        return Math.min(ampacityA, least, breakerA ?? Infinity);
      },
      i,
    );
  if (look.mayHave('inlet')) {
    add('inlet', 'inlet', 'its marking', inletA, undefined, inletAtMostA);
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

/** The weakest of links that differ; undefined where all bear alike, or none is known: none of them is weak then. */
export const weakestOfUnlike = (links: readonly Link[]): Link | undefined => {
  const weak = weakest(links);
  return links.some(({ ratingA }) => ratingA !== undefined && ratingA !== weak?.ratingA) ? weak : undefined;
};

/** The whole row, the backfed breaker included where there is one. */
export function allLinks(look: Look): Link[] {
  const links = linksAhead(look);
  if (look.mayHave('backfedBreaker')) {
    const { value, missing, working } = look.attempt((side) => side.need('breaker.ratingA'));
    links.push({ part: 'backfed breaker', station: 'breaker', ratingA: value, source: 'its handle', missing, working });
  }
  return links;
}

/** The whole row of a case, as the drawing shows it. */
export const ratingRow = (c: Case, edition: Edition = c.edition): Link[] => allLinks(new Look(c, edition));
