import type { Case } from './schema';
import { NOT_SEEN, type NotSeen } from './fact';

type Leaf = string | number | boolean;
type Walk<T> = T extends readonly (infer E)[]
  ? `[${number}].${Walk<NonNullable<E>>}`
  : { [K in keyof T & string]: Step<K, NonNullable<T[K]>> }[keyof T & string];
type Step<K extends string, V> = V extends Leaf
  ? K
  : V extends readonly unknown[]
    ? `${K}${Walk<V>}`
    : `${K}.${Walk<V>}`;

type Stations = Omit<Case, 'format' | 'version' | 'edition' | 'title' | 'local' | 'recorded'>;
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

/** Addresses of the lists of a case. */
export const LIST_PATHS = ['cord', 'feeder.stretches', 'loads.circuits'] as const;
export type ListPath = (typeof LIST_PATHS)[number];

type Key = string | number;

/** Most addresses of which anything is remembered: a house has a few hundred, and made-up ones must not fill the memory. */
const MOST_REMEMBERED = 5_000;

/** The same function of an address, each worked out once: the same few hundred are asked for at every touch. */
export function perPath<T extends string | readonly Key[]>(work: (path: string) => T): (path: string) => T {
  const known = new Map<string, T>();
  return (path) => {
    let found = known.get(path);
    if (found === undefined) {
      found = work(path);
      if (known.size < MOST_REMEMBERED) known.set(path, found);
    }
    return found;
  };
}

/** The keys that lead from the case to an address, in their order: `cord[0].sizeAwg` is cord, 0, sizeAwg. */
export const keysOf = perPath<readonly Key[]>((path) =>
  path.split(/[.[]/).map((key) => (key.endsWith(']') ? Number(key.slice(0, -1)) : key)),
);

/** What stands at an address: a value, 'not-seen', or undefined where nobody looked. */
export function factAt(c: Case, path: string): unknown {
  return factBy(c, keysOf(path));
}

/** The same by its keys. */
export function factBy(c: Case, keys: readonly Key[]): unknown {
  let here: unknown = c;
  for (const key of keys) {
    if (typeof here !== 'object' || here === null || !Object.hasOwn(here, key)) return undefined;
    here = (here as Record<string | number, unknown>)[key];
  }
  return here;
}

/** Whether a fact has a value that can be reasoned with. */
export function isKnown(value: unknown): boolean {
  return value !== undefined && value !== NOT_SEEN;
}

/** An id that none of some entries has, by the place where one more would stand: cord-2. */
export function freeId(list: string, entries: readonly unknown[]): string {
  const taken = new Set(entries.map((one) => (one as { id?: unknown } | undefined)?.id));
  for (let n = entries.length + 1; ; n++) {
    const id = `${list.split('.').at(-1)!}-${n}`;
    if (!taken.has(id)) return id;
  }
}

/**
 * The case with one fact set (undefined takes it away); the given case stays as it was.
 * Setting a fact of a cord or stretch that is not there yet adds it, with empty ones before it; it is called by `id`, else by
 * its place.
 */
export function withFact(c: Case, path: string, value: unknown, id?: string): Case {
  const set = (here: unknown, keys: readonly Key[]): unknown => {
    const [key, ...rest] = keys;
    if (key === undefined) return value;
    if (typeof key === 'number') {
      const list = Array.isArray(here) ? [...here] : [];
      const listPath = path.slice(0, path.indexOf('['));
      while (list.length < key) list.push({ id: freeId(listPath, list) });
      list[key] ??= { id: id ?? freeId(listPath, list) };
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
