import { isOpen, streetOf, visitAhead, type Inspection } from '../record';

export const DAY_KINDS = {
  visit: 'Visit',
  correction: 'Correction due',
  condition: 'Condition due',
  permit: 'Permit ends',
  variance: 'Variance ends',
} as const;

/** Something that falls on a day, at a house. */
export interface OnDay {
  /** Its own, the same whenever it is asked for. */
  readonly id: string;
  readonly inspection: string;
  readonly address: string;
  readonly day: string;
  readonly what: keyof typeof DAY_KINDS;
  /** Which of them, in a few words. */
  readonly words: string;
  /** Who goes there, else who signed last; empty where nobody has. */
  readonly inspector: string;
  /** Of a visit: its id, and its place among those of the day where somebody ordered them. */
  readonly visit?: { readonly id: string; readonly turn: number | null };
}

/** So much of an inspection says what falls on which day. */
interface Dated extends Pick<Inspection, 'id' | 'docket'> {
  readonly header: Pick<Inspection['header'], 'address' | 'permit'>;
  readonly decisions: readonly { readonly signature: { readonly name: string } }[];
}

/** Everything of a house that falls on a day: for a calendar. */
export function daysOf({ header, docket, decisions, id }: Dated): OnDay[] {
  const last = decisions.at(-1)?.signature.name ?? '';
  const on = (own: string, day: string, what: OnDay['what'], words: string, inspector = last): OnDay => ({
    id: `${id}-${own}`,
    inspection: id,
    address: header.address,
    day,
    what,
    words,
    inspector,
  });
  const visit = visitAhead(docket);
  const { permit } = docket;
  const conditional = new Set(docket.conditions.map((one) => one.state === 'due' && one.of));
  return [
    ...(visit?.day
      ? [
          {
            ...on(visit.id, visit.day, 'visit', `Visit ${visit.number}`, visit.inspector),
            visit: { id: visit.id, turn: visit.turn ?? null },
          },
        ]
      : []),
    ...docket.violations.flatMap((one) =>
      isOpen(one) && one.dueOn && !conditional.has(one.id)
        ? [on(one.id, one.dueOn, 'correction', `${one.number}. ${one.words}`)]
        : one.state === 'varied' && one.variance?.until
          ? [on(one.id, one.variance.until, 'variance', `${one.number}. ${one.words}`)]
          : [],
    ),
    ...docket.conditions.flatMap((one) => (one.state === 'due' ? [on(one.id, one.dueOn, 'condition', one.text)] : [])),
    ...(permit?.until && permit.state !== 'missing' ? [on('permit', permit.until, 'permit', header.permit)] : []),
  ];
}

/** How a calendar elsewhere calls it. */
export const dayTitle = ({ what, address, inspector }: OnDay): string =>
  `${DAY_KINDS[what]}: ${address}${what === 'visit' ? ` (${inspector})` : ''}`;

const KINDS = Object.keys(DAY_KINDS);

/** What falls on a day in the order in which it is gone through: visits first, as somebody ordered them, else street by street. */
export const inTurn = (all: readonly OnDay[]): OnDay[] =>
  [...all].sort(
    (a, b) =>
      KINDS.indexOf(a.what) - KINDS.indexOf(b.what) ||
      (a.visit?.turn ?? 1000) - (b.visit?.turn ?? 1000) ||
      streetOf(a.address).localeCompare(streetOf(b.address)),
  );

/** The turns of a day's visits once one of them goes before the one that stands before it: each with the place that it has then. */
export function earlier(visits: readonly OnDay[], id: string): { readonly of: OnDay; readonly turn: number }[] {
  const at = visits.findIndex((one) => one.id === id);
  const moved = [...visits];
  if (at > 0) [moved[at - 1], moved[at]] = [moved[at]!, moved[at - 1]!];
  return moved.flatMap((of, i) => (of.visit && of.visit.turn !== i + 1 ? [{ of, turn: i + 1 }] : []));
}
