import { CATALOGUE, catalogueKey, isLocal, metaOf } from './catalogue';
import type { Choice } from './fact';
import type { Case } from './schema';
import { traitOf } from './traits';
import { LIST_PATHS, factAt, perPath, type FactPath, type ListPath } from './path';

/** Stations in the order in which the current flows. */
export const STATIONS = [
  'source', 'siting', 'cord', 'inlet', 'feeder', 'breaker', 'transfer', 'neutral', 'grounding', 'panel', 'labels', 'function', 'loads',
] as const; // prettier-ignore
export type Station = (typeof STATIONS)[number];

export const STATION_NAMES: Readonly<Record<Station, string>> = {
  source: 'Source',
  siting: 'Siting',
  cord: 'Cord',
  inlet: 'Inlet',
  feeder: 'Feeder',
  breaker: 'Backfed breaker',
  transfer: 'Transfer equipment',
  neutral: 'Neutral and bonding',
  grounding: 'Grounding',
  panel: 'Panel',
  labels: 'Labels',
  function: 'Function test',
  loads: 'Loads',
};

export function isStation(text: unknown): text is Station {
  return (STATIONS as readonly unknown[]).includes(text);
}

/** The first key of an address. */
const headOf = perPath((path) => path.split(/[.[]/, 1)[0]!);

/** Station at which a fact is entered; the office's own items are asked at the panel. */
export function stationOf(path: string): Station {
  if (isLocal(path)) return 'panel';
  const station = headOf(path);
  if (!isStation(station)) throw new Error(`no station has ${path}`);
  return station;
}

const NOTHING_WIRED = 'nothing is wired to the house; appliances hang on cords';
/** Why a part is not there, where a connection lacks the trait. */
const ABSENT: Readonly<Record<'wired' | 'inlet' | 'backfedBreaker', (kind: string) => string>> = {
  wired: () => NOTHING_WIRED,
  inlet: (kind) =>
    traitOf(kind, 'wired') === false ? NOTHING_WIRED : 'the house is fed through an outlet; there is no inlet to check',
  backfedBreaker: (kind) =>
    traitOf(kind, 'inlet') === false
      ? ABSENT.inlet(kind)
      : `${traitOf(kind, 'wholeHouse') ? 'a whole-house switch' : 'this switch'} has no backfed breaker in the panel`,
};
export type Part = keyof typeof ABSENT;

/** Why a part is absent with a kind of transfer equipment; undefined where it is there to be checked, or where that is not told. */
export const absence = (part: Part, kind: string): string | undefined =>
  traitOf(kind, part) === false ? ABSENT[part](kind) : undefined;

/** The list that a catalogue key belongs to, `cord` for `cord.sizeAwg`; undefined for facts that stand once. */
export const listPathOf = (key: string): ListPath | undefined => LIST_PATHS.find((list) => key.startsWith(`${list}.`));

/** Addresses of what an entry of a list has, by their last part: `sizeAwg` for `cord[0].sizeAwg`. */
type EntryPaths<L extends ListPath> = {
  readonly [P in FactPath as P extends `${L}[${number}].${infer Key}` ? Key : never]: P;
};

/** Gives the addresses of an entry's facts; they are made once, for rules ask for them again and again. */
function entriesOf<L extends ListPath>(list: L): (index: number) => EntryPaths<L> {
  const keys = [...CATALOGUE.keys()].filter((key) => listPathOf(key) === list).map((key) => key.slice(list.length + 1));
  const made: EntryPaths<L>[] = [];
  return (index) =>
    (made[index] ??= Object.fromEntries(keys.map((key) => [key, `${list}[${index}].${key}`])) as EntryPaths<L>);
}

export const cordAt = entriesOf('cord');
export const stretchAt = entriesOf('feeder.stretches');
export const circuitAt = entriesOf('loads.circuits');

const LISTS: Readonly<Partial<Record<Station, { list: ListPath; word: string }>>> = {
  cord: { list: 'cord', word: 'cord' },
  feeder: { list: 'feeder.stretches', word: 'run' },
  loads: { list: 'loads.circuits', word: 'circuit' },
};

/** The list a station holds, if it holds one. */
export function listOf(station: Station) {
  return LISTS[station];
}

/** Stations of which nothing is asked where they are not there. */
const THERE: Readonly<Partial<Record<string, (c: Case) => boolean>>> = {
  // A cord that is recorded is asked about, whatever is said of the source: one of the two is wrong.
  cord: (c) => c.source?.connection !== 'permanent' || (c.cord?.length ?? 0) > 0,
  feeder: (c) => c.inlet?.builtIn !== 'yes' || traitOf(c.transfer?.kind, 'splicedIn') !== true,
};

/** Whether a station is there to be looked at; of a list, whether it has entries that may not be recorded yet. */
export const isThere = (c: Case, pathOrStation: string): boolean => THERE[headOf(pathOrStation)]?.(c) ?? true;

/** Whether a fact is asked for in this case. */
export function isAsked(c: Case, path: string): boolean {
  const meta = CATALOGUE.get(catalogueKey(path));
  if (meta?.retired || !isThere(c, path)) return false;
  if (!meta?.when) return meta !== undefined;
  const siblings = factAt(c, path.slice(0, path.lastIndexOf('.')));
  return meta.when((siblings ?? {}) as Record<string, unknown>, c);
}

/** The answers of a fact that can be at this house; one that is recorded is among them, whatever else is. */
export function offered(c: Case, path: string): readonly Choice[] {
  const { choices } = metaOf(path);
  if (choices.every(({ when }) => when === undefined)) return choices;
  const siblings = (factAt(c, path.slice(0, path.lastIndexOf('.'))) ?? {}) as Record<string, unknown>;
  const recorded = factAt(c, path);
  return choices.filter(({ value, when }) => !when || value === recorded || when(siblings, c));
}

export interface FactGroup {
  /** Address of the list entry, `cord[0]`; undefined for facts that stand once. */
  readonly entry?: string;
  readonly title?: string;
  readonly paths: readonly string[];
}

/** Catalogue keys of a station, in order. */
const KEYS = new Map(
  STATIONS.map((station) => [station, [...CATALOGUE.keys()].filter((key) => key.startsWith(`${station}.`))]),
);

/** The facts a station's sheet asks for this case, in order, lists spread out, with at least so many entries. */
export function sheet(c: Case, station: Station, entriesAtLeast = 1): FactGroup[] {
  const keys = KEYS.get(station)!;
  const list = LISTS[station];
  const groups: FactGroup[] = [];
  const prefix = list ? `${list.list}.` : undefined;
  if (list && prefix) {
    const entries = factAt(c, list.list);
    const count = Math.max(entriesAtLeast, Array.isArray(entries) ? entries.length : 0);
    const own = keys.filter((key) => key.startsWith(prefix));
    for (let i = 0; i < count; i++) {
      const entry = `${list.list}[${i}]`;
      const paths = own.map((key) => `${entry}.${key.slice(prefix.length)}`).filter((path) => isAsked(c, path));
      groups.push({ entry, title: `${list.word} ${i + 1}`, paths });
    }
  }
  const single = keys.filter((key) => !(prefix && key.startsWith(prefix)) && isAsked(c, key));
  if (single.length > 0) groups.push({ paths: single });
  return groups;
}
