import { array, mixed, number, object, string, type InferType } from 'yup';
import {
  LIST_PATHS,
  MOST_PARTS,
  catalogueKey,
  factAt,
  freeId,
  listPathOf,
  readCase,
  recordedAt,
  spelledAnew,
  whyNotFact,
  withFact,
  withRecorded,
  withoutEntry,
  type Case,
  type ListPath,
} from '../../case';
import type { Inspection } from '../inspection';
import { linesOfPart, merged, placeOfConflict, unseenOfPart, withSeen } from '../merging';
import { factSchema, seenLines, type Conflict, type Head, type RecordedFact } from '../recorded';
import { changeShape } from '../shapes';
import type { Act } from './kind';

/** A case has some 200 facts; whoever pastes a whole table of circuits records more. */
const MOST_TOGETHER = 600;
/** More facts than a cord, a stretch or a circuit has. */
const MOST_LINES_OF_PART = 60;

/** Facts that were recorded together: taken in whole or not at all, and taken back as one. */
const factsSchema = object({
  ...changeShape,
  type: mixed<'facts'>().required(),
  facts: array(factSchema).required().min(1, 'No fact is named.').max(MOST_TOGETHER),
}).noUnknown();
const removeSchema = object({
  ...changeShape,
  type: mixed<'remove'>().required(),
  list: mixed<ListPath>()
    .oneOf([...LIST_PATHS], 'Only a cord, a run or a circuit can be taken out.')
    .required(),
  index: number().integer().min(0).max(MOST_PARTS).required(),
  part: string().max(64).optional(),
  /** What of the part the device had: what is not among it came from somebody else meanwhile, and the part stays. */
  over: seenLines(MOST_LINES_OF_PART),
}).noUnknown();
const restoreSchema = object({
  ...changeShape,
  type: mixed<'restore'>().required(),
  list: mixed<ListPath>()
    .oneOf([...LIST_PATHS])
    .required(),
  index: number().integer().min(0).max(MOST_PARTS).required(),
  entry: object().required(),
}).noUnknown();
type Facts = InferType<typeof factsSchema>;
type Remove = InferType<typeof removeSchema>;
type Restore = InferType<typeof restoreSchema>;

const GONE = 'That cord, run or circuit was taken out meanwhile.';

function entriesOf(c: Case, list: ListPath): readonly { readonly id: string }[] {
  const entries = factAt(c, list);
  return Array.isArray(entries) ? (entries as { id: string }[]) : [];
}

function indexOfPart(c: Case, list: ListPath, part: string): number | undefined {
  const index = entriesOf(c, list).findIndex(({ id }) => id === part);
  return index < 0 ? undefined : index;
}

const POSITION = /\[(\d+)\]/;
const positionOf = (path: string) => Number(POSITION.exec(path)?.[1]);

/** The address as it is where the part stands now, though others were added or taken out before it; behind all others, where it is `added`. */
export function pathOfPart(c: Case, path: string, part: string, added: boolean): string | undefined {
  const list = listPathOf(catalogueKey(path));
  if (!list) return undefined;
  const index =
    indexOfPart(c, list, part) ?? (added ? Math.max(positionOf(path), entriesOf(c, list).length) : undefined);
  return index === undefined ? undefined : path.replace(POSITION, `[${index}]`);
}

/** The id by which an entry is called that a fact of this change adds, at one place of one list. */
const idOfAdded = (change: string, path: string) => `${change}-${positionOf(path)}`;
/** A fact from an old device calls the entry that it adds by the change alone. */
const adds = (change: string, part: string) => part === change || part.startsWith(`${change}-`);

/**
 * A change with what its device had before it, and the ids of the cords, stretches and circuits that it is about, so that it reaches them wherever they stand at
 * the office by then. A fact of one that is not there yet adds it: it is called after the change.
 */
export function addressed(inspection: Inspection, change: Facts | Remove): Facts | Remove {
  const { case: c } = inspection;
  if (change.type === 'remove') {
    const entry = entriesOf(c, change.list)[change.index];
    return change.part === undefined && entry
      ? { ...change, part: entry.id, over: linesOfPart(inspection, change.list, entry.id) }
      : change;
  }
  return {
    ...change,
    facts: withSeen(inspection, change.facts).map((fact) => {
      const list = listPathOf(catalogueKey(fact.path));
      if (!list || fact.part !== undefined) return fact;
      const part = entriesOf(c, list)[positionOf(fact.path)]?.id ?? idOfAdded(change.id, fact.path);
      return { ...fact, part };
    }),
  };
}

function withEntry(c: Case, list: ListPath, index: number, entry: unknown): Case {
  const copy: object[] = [...entriesOf(c, list)];
  copy.splice(index, 0, { id: freeId(list, copy), ...(entry as object) }); // one taken out before ids were has none
  return withFact(c, list, copy);
}

/** Where a fact of a change stands in a case by now; undefined where its cord, stretch or circuit was taken out. */
function placeOf(c: Case, { id }: Pick<Facts, 'id'>, { path, part, adds: again }: RecordedFact): string | undefined {
  return part === undefined ? path : pathOfPart(c, path, part, again === true || adds(id, part));
}

/** What is wrong with a fact that is to be recorded, or the case with it, and with the line of how. */
function withOne(c: Case, { id, at }: Facts, fact: RecordedFact, by: string): Case | string {
  const value = spelledAnew(fact.path, fact.value ?? undefined);
  const { part, how, said, was } = fact;
  const path = placeOf(c, { id }, fact);
  if (path === undefined) return GONE;
  const why = whyNotFact(path, value);
  if (why !== undefined) return why;
  if (value === undefined) return withoutFact(c, path);
  const line = { how, at, by, ...(said !== undefined && { said }) };
  return withRecorded(
    withFact(c, path, value, part ?? idOfAdded(id, path)),
    path,
    was === undefined ? line : (was ?? undefined),
  );
}

/** The case without a fact, and without the cord, stretch or circuit that has no other. */
function withoutFact(c: Case, path: string): Case {
  const list = listPathOf(catalogueKey(path));
  const entry = list && entriesOf(c, list)[positionOf(path)];
  if (list && !entry) return c;
  const without = withFact(withRecorded(c, path, undefined), path, undefined);
  const left = list && entriesOf(without, list)[positionOf(path)];
  return list && left && Object.keys(left).length === 1 ? withoutEntry(without, list, positionOf(path)) : without;
}

/** The inspection with another case, which nobody has decided on. */
const changed = (
  inspection: Inspection,
  at: string,
  c: Case,
  conflicts: readonly Conflict[] | undefined,
): Inspection => {
  const { conflicts: _, ...rest } = inspection;
  return {
    ...rest,
    case: c,
    ...(conflicts && conflicts.length > 0 && { conflicts }),
    changedAt: at,
    changedSinceDecision: inspection.decisions.length > 0,
  };
};

const RECORDS = { may: 'record', only: 'Only whoever walks the house records there.' } as const;

export const facts: Act<Inspection, Facts, Inspection> = {
  type: 'facts',
  elsewhere: 'facts',
  schema: factsSchema,
  ...RECORDS,
  says: 'values that the catalogue has',
  put({ house, person: { name: by }, change }) {
    let now: Pick<Inspection, 'case' | 'conflicts'> = house;
    for (const fact of change.facts) {
      const alone = withOne(now.case, change, fact, by);
      if (typeof alone === 'string') return alone;
      const path = placeOf(now.case, change, fact)!;
      const value = factAt(alone, path) as Head['value'] | undefined;
      const line = recordedAt(alone, path);
      const mine = fact.value === null || value === undefined || !line ? undefined : { ...line, value, by };
      now = merged(now, alone, path, fact, mine, by);
    }
    return changed(house, change.at, now.case, now.conflicts);
  },
};

export const remove: Act<Inspection, Remove, Inspection> = {
  type: 'remove',
  elsewhere: 'a cord, run or circuit taken out',
  schema: removeSchema,
  ...RECORDS,
  says: 'nothing in it that somebody else recorded meanwhile',
  put({ house, person: { name: by }, change: { list, part, over, at, index: first } }) {
    const index = part === undefined ? first : indexOfPart(house.case, list, part);
    if (index === undefined) return GONE;
    const unseen = part !== undefined && over && unseenOfPart(house, list, part, over, by);
    if (unseen) return `${unseen} has recorded there what you had not seen. Look at it, then take it out.`;
    const without = withoutEntry(house.case, list, index);
    const left = house.conflicts?.filter((one) => placeOfConflict(without, one) !== undefined);
    return changed(house, at, without, left);
  },
};

export const restore: Act<Inspection, Restore, Inspection> = {
  type: 'restore',
  elsewhere: 'a cord, run or circuit put back',
  schema: restoreSchema,
  ...RECORDS,
  says: 'what was taken out before',
  put({ house, change: { list, index, entry, at } }) {
    const restored = withEntry(house.case, list, index, entry);
    const read = readCase(restored);
    return read.ok ? changed(house, at, restored, house.conflicts) : (read.errors[0] ?? `No more than ${MOST_PARTS} entries.`); // prettier-ignore
  },
};
