import type { Case } from './schema';
import { NOT_SEEN, type NotSeen } from './fact';
import type { ListPath } from './stations';

type Leaf = string | number | boolean;
type Walk<T> = T extends readonly (infer E)[]
  ? `[${number}].${Walk<NonNullable<E>>}`
  : { [K in keyof T & string]: Step<K, NonNullable<T[K]>> }[keyof T & string];
type Step<K extends string, V> = V extends Leaf
  ? K
  : V extends readonly unknown[]
    ? `${K}${Walk<V>}`
    : `${K}.${Walk<V>}`;

type Stations = Omit<Case, 'format' | 'version' | 'edition' | 'title' | 'local'>;
/** Address of a fact, as in `breaker.ratingA` or `cord[0].sizeAwg`. */
export type FactPath = Walk<Stations>;

type At<T, P extends string> = P extends `[${number}].${infer Rest}`
  ? T extends readonly (infer E)[]
    ? At<NonNullable<E>, Rest>
    : never
  : P extends `${infer Head}[${infer N}].${infer Rest}`
    ? Head extends keyof T
      ? At<NonNullable<T[Head]>, `[${N & `${number}`}].${Rest}`>
      : Dotted<T, P>
    : Dotted<T, P>;
type Dotted<T, P extends string> = P extends `${infer Head}.${infer Rest}`
  ? Head extends keyof T
    ? At<NonNullable<T[Head]>, Rest>
    : never
  : P extends keyof T
    ? Exclude<NonNullable<T[P]>, NotSeen>
    : never;
/** Type of the fact at an address, once it is known. */
export type FactValue<P extends FactPath> = At<Stations, P>;

type Key = string | number;

/** A fact's address, split once: `cord[0].sizeAwg` is `sizeAwg` of `cord[0]`, and that is 0 of `cord`; every address has a place of its own in a list of values. */
export interface Address {
  readonly path: string;
  /** Of what it is a part; undefined where of the case itself. */
  readonly of: Address | undefined;
  readonly key: Key;
  readonly place: number;
}

const addresses = new Map<string, Address>();

export function addressOf(path: string): Address {
  let address = addresses.get(path);
  if (!address) {
    const cut = Math.max(path.lastIndexOf('.'), path.lastIndexOf('['));
    const key = path.slice(cut + 1);
    const of = cut > 0 ? addressOf(path.slice(0, cut)) : undefined;
    address = { path, of, key: key.endsWith(']') ? Number(key.slice(0, -1)) : key, place: addresses.size };
    addresses.set(path, address);
  }
  return address;
}

/** The keys that lead from the case to an address, in their order. */
export function keysOf(path: string): readonly Key[] {
  const keys: Key[] = [];
  for (let here: Address | undefined = addressOf(path); here; here = here.of) keys.unshift(here.key);
  return keys;
}

type Part = Readonly<Record<Key, unknown>>;

/** Values of a case in which nothing is recorded: null wherever something could be, undefined where nobody has said so. */
const nothing: unknown[] = [];

/** A list without holes is read faster. */
function grow(size: number): void {
  while (nothing.length < size) nothing.push(undefined);
}

/** Place of a part that a case can have, in the list of its values. */
export function placeInCase(path: string): number {
  const { place } = addressOf(path);
  grow(place + 1);
  nothing[place] = null;
  return place;
}

/** Values of a case by place, to be filled with what is recorded. */
export function valuesOfNothing(): unknown[] {
  grow(addresses.size);
  return nothing.slice();
}

/** The facts of one case by address, each fetched once. The case must have been read (`readCase`): nothing is checked here. */
export class Facts {
  /** `values` are those that whoever read the case came by; where it is undefined, nobody has. */
  constructor(
    readonly site: Case,
    private readonly values: unknown[] = new Array(addresses.size),
  ) {}

  /** What stands there: a value, 'not-seen', or null where nobody looked. */
  at(address: Address): unknown {
    const known = this.values[address.place];
    return known === undefined ? this.fetch(address) : known;
  }

  private fetch({ of, key, place }: Address): unknown {
    const whole = of ? this.at(of) : this.site;
    const value = whole === null || whole === NOT_SEEN ? whole : ((whole as Part)[key] ?? null);
    this.values[place] = value;
    return value;
  }
}

/** What stands at an address: a value, 'not-seen', or undefined where nobody looked. */
export function factAt(c: Case, path: string): unknown {
  let here: unknown = c;
  for (const key of keysOf(path)) {
    if (typeof here !== 'object' || here === null || !Object.hasOwn(here, key)) return undefined;
    here = (here as Record<string | number, unknown>)[key];
  }
  return here;
}

/** Whether a fact has a value that can be reasoned with. */
export function isKnown(value: unknown): boolean {
  return value !== undefined && value !== NOT_SEEN;
}

/**
 * The case with one fact set (undefined takes it away); the given case stays as it was.
 * Setting a fact of a cord or stretch that is not there yet adds it, with empty ones before it.
 */
export function withFact(c: Case, path: string, value: unknown): Case {
  const set = (here: unknown, keys: readonly Key[]): unknown => {
    const [key, ...rest] = keys;
    if (key === undefined) return value;
    if (typeof key === 'number') {
      const list = Array.isArray(here) ? [...here] : [];
      while (list.length < key) list.push({});
      list[key] = set(list[key], rest);
      return list;
    }
    const copy = { ...(here as Record<string, unknown> | undefined) };
    const inner = set(copy[key], rest);
    if (inner === undefined) delete copy[key];
    else copy[key] = inner;
    return copy;
  };
  return set(c, keysOf(path)) as Case;
}

/** The case without one entry of a list (`cord[1]`, `feeder.stretches[0]`). */
export function withoutEntry(c: Case, listPath: ListPath, index: number): Case {
  const list = factAt(c, listPath);
  return Array.isArray(list)
    ? withFact(
        c,
        listPath,
        list.filter((_, i) => i !== index),
      )
    : c;
}
