import type { AnySchema } from 'yup';
import { may, roleName, whoMay, type Capability, type Person } from '../../people';
import { SHORTEST_REASON, type Step } from '../steps';

/** Where a move is asked about: at which house, of what, by whom, and with which change; without one where the interface asks whether it is open. */
export interface At<House, Thing, Change> {
  readonly house: House;
  readonly known: Thing | undefined;
  /** What it is called in a sentence: “Violation 2”. */
  readonly what: string;
  readonly person: Person;
  readonly change: Change | undefined;
}

/** What a move needs: its words in the table of who may what, and the sentence where it is wanting. */
export interface Need<A> {
  /** Empty: not for the table. */
  readonly says: string;
  readonly whyNot?: (at: A) => string | undefined;
}

/** One question of those that are asked with a move; its answer goes where the name says, in the change. */
export interface Asked {
  readonly name: string;
  readonly label: string;
  readonly lines?: boolean;
  /** A day; so many days from now are offered. */
  readonly days?: readonly number[];
  /** What it can be; none where that hangs on the house or the office, which the interface knows. */
  readonly choices?: Readonly<Record<string, string>>;
}

/** How the interface offers a move. */
export interface Offered {
  readonly label: string;
  /** Where it is called otherwise by those outside of the office. */
  readonly outside?: string;
  /** What is asked: words, where it is one label; nothing where it is left out. */
  readonly asks?: string | readonly Asked[];
  /** What is done with the answers; as the plate is called, where it is left out. */
  readonly act?: string;
  /** What is often said, at one touch. */
  readonly offers?: readonly string[];
}

export interface Move<S extends string, A> {
  readonly from: readonly (S | 'none')[];
  readonly to: S;
  readonly may: Capability;
  readonly needs: readonly Need<A>[];
  readonly offered?: Offered;
}

interface Living<S extends string> {
  readonly state: S;
}
interface Moving<S extends string> {
  readonly to: S;
  readonly at: string;
  readonly words: string;
}

/** A kind of thing that lives at a house: its states, and the moves between them. What is no move cannot be. */
export interface Kind<House, Thing extends Living<S>, Change extends Moving<S>, S extends string = Thing['state']> {
  readonly type: string;
  /** As it is called where others have recorded it meanwhile. */
  readonly elsewhere: string;
  /** The heading of its table. */
  readonly title: string;
  readonly schema: AnySchema;
  readonly states: Readonly<Record<S, string>>;
  /** Those outside of the office go on with it once the office was asked for an inspection, or has decided. */
  readonly outside?: true;
  readonly find: (house: House, change: Change) => Thing | undefined;
  readonly name: (known: Thing | undefined) => string;
  /** Why there is nothing to be moved, where it is not made by a move of its own. */
  readonly missing?: string;
  /** What every move needs, before what it needs itself. */
  readonly needs?: readonly Need<At<House, Thing, Change>>[];
  readonly moves: readonly Move<S, At<House, Thing, Change>>[];
  /** What of the house is otherwise after the move. */
  readonly put: (at: At<House, Thing, Change> & { readonly change: Change }, step: Step<S>) => Partial<House>;
}

/** A kind; written out, so that its moves are checked by the compiler. */
export const kind = <House, Thing extends Living<S>, Change extends Moving<S>, S extends string = Thing['state']>(
  one: Kind<House, Thing, Change, S>,
): Kind<House, Thing, Change, S> => one;

const listed = (capabilities: readonly Capability[]) =>
  [...new Set(capabilities.flatMap(whoMay))]
    .toReversed()
    .map((one) => roleName(one).toLowerCase())
    .join(' or ');

const firstOf = <A>(needs: readonly Need<A>[], at: A): string | undefined => {
  for (const { whyNot } of needs) {
    const why = whyNot?.(at);
    if (why !== undefined) return why;
  }
  return undefined;
};

/** Why a move cannot be made, in a sentence; undefined where it can. First whether there is such a move, then whether it is theirs, then what it needs. */
function whyNotMove<House, Thing extends Living<S>, Change extends Moving<S>, S extends string>(
  { states, moves, needs = [], missing }: Kind<House, Thing, Change, S>,
  at: At<House, Thing, Change>,
  to: S,
): string | undefined {
  const { known, what, person } = at;
  if (!known && missing !== undefined) return missing;
  const from = known?.state ?? 'none';
  const fitting = moves.filter((one) => one.to === to && one.from.includes(from));
  if (fitting.length === 0)
    return `${what} is ${from === 'none' ? 'not there' : states[from].toLowerCase()}; it cannot become “${states[to].toLowerCase()}”.`;
  const move = fitting.find((one) => may(person.role, one.may));
  if (!move)
    return `${what}: only ${listed(fitting.map((one) => one.may))} can set it to “${states[to].toLowerCase()}”.`;
  return firstOf([...needs, ...move.needs], at);
}

/** Whether a change is asked for, or was taken once and is only told again: then nobody asks whether it may be. */
export type Asking = 'asked' | 'told again';

/** What of a house is otherwise after a change by somebody, or a sentence why it cannot be made. Device and office run the same. */
export function moved<House, Thing extends Living<S>, Change extends Moving<S>, S extends string>(
  one: Kind<House, Thing, Change, S>,
  house: House,
  change: Change,
  person: Person,
  asking: Asking = 'asked',
): Partial<House> | string {
  const known = one.find(house, change);
  const at = { house, known, what: one.name(known), person, change };
  const { to, words, at: when } = change;
  const whyNot = asking === 'asked' ? whyNotMove(one, at, to) : undefined;
  return whyNot ?? one.put(at, { to, at: when, by: person.name, words });
}

/** A move that stands open from here, or why it does not; the interface offers the first, and says the second. */
export interface OpenMove<S extends string> {
  readonly to: S;
  readonly offered: Offered;
  /** Whether it is this person’s at all. */
  readonly theirs: boolean;
  readonly whyNot: string | undefined;
}

/** The moves that there are from how something stands now, for somebody: whether each is open to them, and else why not. */
export function openMoves<House, Thing extends Living<S>, Change extends Moving<S>, S extends string>(
  one: Kind<House, Thing, Change, S>,
  house: House,
  known: Thing | undefined,
  person: Person,
): OpenMove<S>[] {
  const at = { house, known, what: one.name(known), person, change: undefined };
  return one.moves.flatMap(({ from, to, offered, may: needed }) =>
    offered && from.includes(known?.state ?? 'none')
      ? [{ to, offered, theirs: may(person.role, needed), whyNot: whyNotMove(one, at, to) }]
      : [],
  );
}

/** Words of some length: `asks` is the sentence where they are too short, and where there are none. */
export const reason = <A extends { readonly change: { readonly words: string } | undefined }>(
  says: string,
  asks: string | ((at: A) => string),
  least = SHORTEST_REASON,
): Need<A> => ({
  says,
  whyNot: (at) =>
    at.change && at.change.words.length < least ? (typeof asks === 'string' ? asks : asks(at)) : undefined,
});

/** Some words at least. */
export const said = <A extends { readonly change: { readonly words: string } | undefined }>(
  says: string,
  asks = 'Say it in words; it stays with the inspection.',
): Need<A> => reason(says, asks, 1);

/** What is told in the table, and looked after elsewhere. */
export const told = (says: string): Need<unknown> => ({ says });

/** Something that is done at a house and has no states. */
export interface Act<House, Change, Result> {
  readonly type: string;
  readonly elsewhere: string;
  readonly schema: AnySchema;
  readonly outside?: true;
  readonly may: Capability;
  /** Why others may not, in a sentence. */
  readonly only: string;
  /** What it needs, in the table; whether it is there, `put` says. */
  readonly says: string;
  readonly offered?: Offered;
  /** What is otherwise after it, or a sentence why it cannot be done. */
  readonly put: (at: { readonly house: House; readonly person: Person; readonly change: Change }) => Result | string;
}

/** What comes of something done by somebody, or a sentence why it cannot be. */
export const acted = <House, Change, Result>(
  { may: needed, only, put }: Act<House, Change, Result>,
  house: House,
  change: Change,
  person: Person,
  asking: Asking = 'asked',
): Result | string => (asking === 'told again' || may(person.role, needed) ? put({ house, person, change }) : only);

/** The change that a kind or an act takes in. */
export type ChangeOf<E> = E extends { readonly put: (at: infer A, ...rest: never[]) => unknown }
  ? A extends { readonly change: infer C }
    ? C
    : never
  : never;
