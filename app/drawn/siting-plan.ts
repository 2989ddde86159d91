import { NOT_SEEN, type Case } from '@careful-latch/core/case';
import type { OfficeNumbers } from '@careful-latch/core/codebook';
import { exhaustDegrees, ringsOf, type Ring } from '@careful-latch/core/walk';
import type { Place } from './list';
import { WIDTH } from './spot';

/** The nearest opening, in the middle of the house's wall, and how far the yard is drawn. */
export const OPENING = [WIDTH / 2, 56] as const;
const YARD = 140;
/** Where the yard ends, and the plates of the parts begin. */
const BOTTOM = 202;
const TOUCH = 50;
/** Where the source stands: so far from straight along the wall, clear of what is written at the rings. */
const AXIS = (25 * Math.PI) / 180;

export type ZoneName = 'outdoors' | 'porch' | 'garage' | 'indoors';

/** A place in which a source may stand, as it is drawn and named. */
export const ZONES: readonly { readonly place: ZoneName; readonly name: string; readonly at: Place }[] = [
  { place: 'garage', name: 'Garage', at: [8, 4, 108, 52] },
  { place: 'indoors', name: 'Indoors', at: [120, 4, 118, 52] },
  { place: 'porch', name: 'Porch', at: [242, 4, 108, 52] },
  { place: 'outdoors', name: 'Yard', at: [8, 146, 64, 48] },
];

/** What is touched in a zone: beside the source, where it stands there. */
export const besideSource = ([x, y, , height]: Place): Place => [x, y, 56, height];

export interface SitingPlan {
  /** As recorded; undefined where nobody knows. */
  readonly place: ZoneName | undefined;
  readonly openingFt: number | undefined;
  readonly rings: readonly (Ring & { readonly radius: number; readonly at: Place | undefined })[];
  /** Middle of the source, what is touched to turn its exhaust, and where that points. */
  readonly source: { readonly x: number; readonly y: number; readonly at: Place; readonly known: boolean };
  /** Degrees clockwise from away, which is down; undefined where nobody knows. */
  readonly exhaust: number | undefined;
}

const around = (x: number, y: number): Place => [x - TOUCH / 2, y - TOUCH / 2, TOUCH, TOUCH];
const overlap = ([x, y, w, h]: Place, [a, b, v, i]: Place) => x < a + v && a < x + w && y < b + i && b < y + h;

/** Where a ring is touched: on it, clear of the others; a ring for which there is no room is drawn and not touched. */
function touchedAt(radius: number, others: readonly Place[]): Place | undefined {
  for (let degrees = 155; degrees >= 85; degrees -= 5) {
    const angle = (degrees * Math.PI) / 180;
    const out = Math.max(radius, 54);
    const at = around(OPENING[0] + out * Math.cos(angle), OPENING[1] + out * Math.sin(angle));
    if (at[1] + TOUCH <= BOTTOM && !others.some((one) => overlap(one, at))) return at;
  }
  return undefined;
}

/** The plan of a house as it is recorded: places, rings to scale, the source at its distance, its exhaust. */
export function sitingPlan(site: Case, numbers?: OfficeNumbers): SitingPlan {
  const { place, openingFt } = site.siting ?? {};
  const rings = ringsOf(site, numbers);
  const scale = YARD / rings.at(-1)!.feet;
  const taken: Place[] = ZONES.map((one) => one.at);
  const drawn = rings.map((ring) => {
    const radius = ring.feet * scale;
    const at = touchedAt(radius, taken);
    if (at) taken.push(at);
    return { ...ring, radius, at };
  });
  const feet = openingFt === NOT_SEEN ? undefined : openingFt;
  const stands = place === NOT_SEEN ? undefined : place;
  const zone = stands === 'outdoors' ? undefined : ZONES.find((one) => one.place === stands);
  const far = Math.min((feet ?? rings.at(-1)!.feet) * scale, YARD + 12);
  const [x, y] = zone
    ? [zone.at[0] + zone.at[2] - 27, zone.at[1] + 26]
    : [OPENING[0] + Math.max(far, 26) * Math.cos(AXIS), OPENING[1] + Math.max(far * Math.sin(AXIS), 26)];
  return {
    place: stands,
    openingFt: feet,
    rings: drawn,
    source: { x, y, at: around(x, y), known: zone !== undefined || feet !== undefined },
    exhaust: exhaustDegrees(site),
  };
}
