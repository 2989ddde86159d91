import { LIST_PATHS, factAt, withFact } from './path';
import type { Case } from './schema';

type Group = Readonly<Record<string, unknown>>;

/** Values that version 2 spells otherwise, by catalogue key: what version 1 wrote, and what stands for it. */
const SPELLED = new Map<string, readonly [was: string, is: string]>([
  ['feeder.stretches.metal', ['aluminium', 'aluminum']],
  ['grounding.derivedElectrode', ['no', 'none']],
]);
/** Facts whose old answer says less than is asked now: "not looked at yet" rather than a guess. */
const ASKED_ANEW = ['function.bothWithCoverOff', 'grounding.derivedElectrode'];
/** Answers about two handles, which version 1 also asked where a mechanism has none. */
const TWO_HANDLES = ['function.generatorWithMainOn', 'function.mainWithGeneratorOn', 'function.bothWithPartMoved'];
const HAS_TWO_HANDLES: readonly unknown[] = ['sliding-plate', 'two-part-plate', 'linkage', 'linked-mains'];

/** A value in the old spelling, from a device that was away, in the new one; any other as it is. */
export function spelledAnew<T>(path: string, value: T): T | string {
  const [was, is] = SPELLED.get(path.replace(/\[\d+\]/, '')) ?? [];
  return was !== undefined && value === was ? is! : value;
}

/** A value that version 1 recorded, as version 2 has it; undefined where it cannot be carried over. Others stay as they are. */
function valueFromV1(key: string, value: unknown): unknown {
  const carried = spelledAnew(key, value);
  return carried === value && ASKED_ANEW.includes(key) && value !== 'not-seen' ? undefined : carried;
}

/** How an entry that came without an id is called: by its list and place. */
export const idAtPlace = (list: string, index: number): string => `${list.split('.').at(-1)!}-${index + 1}`;

/**
 * Version 1 of a case carried over to version 2: spelled anew, entries with ids by their places, and nothing guessed. Whatever
 * is no version 1 comes back as it was. It is checked afterwards, like any other.
 */
export function upgraded(data: object): object {
  if ((data as Group).version !== 1) return data;
  let c = { ...data, version: 2 } as unknown as Case;
  for (const list of LIST_PATHS) {
    const entries = factAt(c, list);
    if (!Array.isArray(entries)) continue;
    c = withFact(
      c,
      list,
      entries.map((entry: unknown, i) => (isGroup(entry) ? { id: idAtPlace(list, i), ...entry } : entry)),
    );
  }
  const stretches = factAt(c, 'feeder.stretches');
  if (Array.isArray(stretches)) c = withFact(c, 'feeder.stretches', stretches.map(inFahrenheit));
  const paths = [
    ...(Array.isArray(stretches) ? stretches.map((_, i) => `feeder.stretches[${i}].metal`) : []),
    ...ASKED_ANEW,
  ];
  for (const path of paths) {
    const value = factAt(c, path);
    const carried = valueFromV1(path.replace(/\[\d+\]/, ''), value);
    if (carried !== value) c = withFact(c, path, carried);
  }
  if (!HAS_TWO_HANDLES.includes(factAt(c, 'transfer.mechanism')))
    for (const path of TWO_HANDLES) if (factAt(c, path) !== undefined) c = withFact(c, path, undefined);
  return c;
}

/** A stretch with its ambient in °F, as the trade reads it. */
function inFahrenheit(stretch: unknown): unknown {
  if (!isGroup(stretch) || !('ambientC' in stretch)) return stretch;
  const { ambientC, ...rest } = stretch;
  return { ...rest, ambientF: typeof ambientC === 'number' ? Math.round((ambientC * 9) / 0.5 + 320) / 10 : ambientC };
}

const isGroup = (value: unknown): value is Group =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
