import {
  factAt,
  lastingPath,
  listPathOf,
  catalogueKey,
  recordedAt,
  withFact,
  withRecorded,
  type Case,
  type ListPath,
} from '../case';
import type { Inspection } from './inspection';
import type { Conflict, Head, RecordedFact } from './recorded';

type Merged = Pick<Inspection, 'case' | 'conflicts'>;
/** Who recorded something, and when. */
type SeenLine = Pick<Head, 'at' | 'by'>;
const NONE: readonly Conflict[] = [];

/** The facts on which two people differ. */
export const differing = ({ conflicts = NONE }: Pick<Inspection, 'conflicts'>): readonly Conflict[] =>
  conflicts.filter(({ heads }) => heads.some(({ value }) => value !== heads[0]!.value));

/** What stands recorded at an address: one value, several where they differ, or none. */
export function headsAt({ case: c, conflicts = NONE }: Merged, path: string): readonly Head[] {
  const lasting = lastingPath(c, path);
  const conflict = conflicts.find((one) => one.path === lasting);
  if (conflict) return conflict.heads;
  const value = factAt(c, path);
  const line = recordedAt(c, path);
  return line && (typeof value === 'string' || typeof value === 'number') ? [{ value, ...line }] : [];
}

/** A change with what its device had before it of each fact: what is not among that was recorded by somebody else meanwhile. */
export const withSeen = (inspection: Merged, facts: readonly RecordedFact[]): RecordedFact[] =>
  facts.map((fact) => ({ ...fact, over: headsAt(inspection, fact.path).map(({ at, by }) => ({ at, by })) }));

/** What stands at an address that a device had not seen when it recorded a fact, and that another person recorded. */
const unseenBy = (heads: readonly Head[], { over }: RecordedFact, by: string): readonly Head[] =>
  over === undefined
    ? [] // an older device does not say what it had seen: what comes later counts
    : heads.filter((head) => head.by !== by && !over.some((one) => one.at === head.at && one.by === head.by));

function withHeads({ case: c, conflicts = NONE }: Merged, path: string, heads: readonly Head[]): Merged {
  const lasting = lastingPath(c, path);
  const others = conflicts.filter((one) => one.path !== lasting);
  const { value, ...line } = heads.at(-1)!;
  const agreed = heads.every((one) => one.value === value);
  const set = agreed
    ? withRecorded(withFact(c, path, value), path, line)
    : withFact(withRecorded(c, path, undefined), path, undefined);
  return { case: set, conflicts: heads.length > 1 ? [...others, { path: lasting, heads }] : others };
}

/**
 * A case with a fact of a change: `alone` is the case as the change by itself makes it. What another had recorded there
 * meanwhile, and the device had not seen, is not passed over: both stand until one decides.
 */
export function merged(
  before: Merged,
  alone: Case,
  path: string,
  fact: RecordedFact,
  mine: Head | undefined,
  by: string,
): Merged {
  const left = unseenBy(headsAt(before, path), fact, by);
  if (left.length > 0) return withHeads(before, path, mine ? [...left, mine] : left);
  const lasting = lastingPath(before.case, path);
  return { case: alone, conflicts: (before.conflicts ?? NONE).filter((one) => one.path !== lasting) };
}

/** Who has recorded something of a cord, stretch or circuit, and when; each line once. */
export function linesOfPart({ case: c, conflicts = NONE }: Merged, list: ListPath, part: string): SeenLine[] {
  const isOf = (path: string) => path.startsWith(`${list}[${part}]`);
  const lines: readonly SeenLine[] = [
    ...Object.entries(c.recorded ?? {}).flatMap(([path, line]) => (isOf(path) ? [line] : [])),
    ...conflicts.flatMap(({ path, heads }) => (isOf(path) ? heads : [])),
  ];
  return [...new Map(lines.map(({ at, by }) => [`${at} ${by}`, { at, by }])).values()];
}

/** Who, beside somebody, has recorded of a part what a device had not seen when it took the part out. */
export const unseenOfPart = (now: Merged, list: ListPath, part: string, over: readonly SeenLine[], by: string) =>
  linesOfPart(now, list, part).find((line) => line.by !== by && !over.some((one) => one.at === line.at && one.by === line.by))?.by; // prettier-ignore

/** Where a fact stands now that a conflict names; undefined where its cord, stretch or circuit was taken out. */
export function placeOfConflict(c: Case, { path }: Conflict): string | undefined {
  const part = /\[([^\]]+)\]/.exec(path)?.[1];
  if (part === undefined) return path;
  const list = listPathOf(catalogueKey(path.replace(/\[[^\]]+\]/, '[0]')));
  const entries = list ? (factAt(c, list) as readonly { id?: string }[] | undefined) : undefined;
  const index = entries?.findIndex(({ id }) => id === part) ?? -1;
  return index < 0 ? undefined : path.replace(/\[[^\]]+\]/, `[${index}]`);
}
