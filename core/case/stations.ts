import { CATALOGUE, catalogueKey, isLocal } from './catalogue';
import type { Case, TransferKind } from './schema';
import { LIST_PATHS, factAt, type FactPath, type ListPath } from './path';

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

/** Station at which a fact is entered; the office's own items are asked at the panel. */
export function stationOf(path: string): Station {
  if (isLocal(path)) return 'panel';
  const station = path.split(/[.[]/, 1)[0];
  if (!isStation(station)) throw new Error(`no station has ${path}`);
  return station;
}

const wired: readonly TransferKind[] = [
  'retrofit-interlock', 'load-side-switch', 'transfer-panel', 'whole-house-manual',
  'whole-house-automatic', 'single-circuit-switch',
]; // prettier-ignore

const NOTHING_WIRED = 'nothing is wired to the house; appliances hang on cords';
const FED_THROUGH_OUTLET = 'the house is fed through an outlet; there is no inlet to check';
const noBackfedBreaker = (kind: TransferKind) =>
  `${kind.startsWith('whole-house') ? 'a whole-house switch' : 'this switch'} has no backfed breaker in the panel`;

/** Why a part is absent with transfer equipment, or undefined where it is there to be checked. */
export function absence(
  part: 'inlet' | 'feeder' | 'backfed breaker' | 'transfer',
  kind: TransferKind,
): string | undefined {
  if (part === 'transfer') return kind === 'none-cords' ? NOTHING_WIRED : undefined;
  if (!wired.includes(kind)) return kind === 'none-cords' ? NOTHING_WIRED : FED_THROUGH_OUTLET;
  if (part === 'backfed breaker' && kind !== 'retrofit-interlock' && kind !== 'transfer-panel')
    return noBackfedBreaker(kind);
  return undefined;
}

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
  feeder: { list: 'feeder.stretches', word: 'stretch' },
  loads: { list: 'loads.circuits', word: 'circuit' },
};

/** The list a station holds, if it holds one. */
export function listOf(station: Station) {
  return LISTS[station];
}

/** Whether a fact is asked for in this case. */
export function isAsked(c: Case, path: string): boolean {
  const meta = CATALOGUE.get(catalogueKey(path));
  if (!meta?.when) return meta !== undefined;
  const siblings = factAt(c, path.slice(0, path.lastIndexOf('.')));
  return meta.when((siblings ?? {}) as Record<string, unknown>, c);
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
