import { NOT_SEEN, metaOf, type Case } from '../case';
import { OFFICE_NUMBERS, type OfficeNumbers } from '../codebook';

/** A distance from the nearest opening that is drawn as a ring, ft, and what it stands for. */
export interface Ring {
  readonly feet: number;
  readonly stands: string;
}

/** What a touch in the plan records: a fact's address and its value. */
type Said = readonly [path: string, value: string | number];

/** Limits of the office and of the maker, and one beyond them all where it stands well; the nearest first. */
export function ringsOf(c: Case, numbers: OfficeNumbers = {}): readonly Ring[] {
  const of = (name: 'leastOpeningFt' | 'advisedOpeningFt') => numbers[name] ?? OFFICE_NUMBERS[name].value;
  const makerFt = c.siting?.makerFt;
  const limits = new Map([[of('leastOpeningFt'), 'nearer is a hazard']]);
  limits.set(of('advisedOpeningFt'), 'the office’s distance');
  if (typeof makerFt === 'number') limits.set(makerFt, 'the maker’s distance');
  const most = Math.max(...limits.keys());
  limits.set(Math.ceil((most * 1.2) / 5) * 5, 'beyond every limit');
  return [...limits].map(([feet, stands]) => ({ feet, stands })).sort((a, b) => a.feet - b.feet);
}

/** A ring that was touched: its distance. A place that somebody has said stays: nobody moves the source by measuring. */
export const atRing = (c: Case, feet: number): readonly Said[] => [
  ['siting.openingFt', feet],
  ...(c.siting?.place === undefined ? [['siting.place', 'outdoors'] as const] : []),
];

/** A place that was touched: inside, there is no distance left to an opening. */
export const atPlace = (place: 'outdoors' | 'porch' | 'garage' | 'indoors'): readonly Said[] => [
  ['siting.place', place],
  ...(place === 'garage' || place === 'indoors' ? [['siting.openingFt', 0] as const] : []),
];

const WAYS = metaOf('siting.exhaustAway').choices.map((one) => one.value);

/** Where the exhaust points, in degrees clockwise from straight away as seen from above; undefined where nobody knows. */
export function exhaustDegrees(c: Case): number | undefined {
  const way = c.siting?.exhaustAway;
  return way === undefined || way === NOT_SEEN ? undefined : WAYS.indexOf(way) * 45;
}

/** The arrow touched: it turns by 45°. Undefined where nobody knows where it points: a touch on nothing says nothing. */
export function turnedExhaust(c: Case): Said | undefined {
  const degrees = exhaustDegrees(c);
  return degrees === undefined ? undefined : ['siting.exhaustAway', WAYS[(degrees / 45 + 1) % WAYS.length]!];
}
