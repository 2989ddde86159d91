import { ValidationError } from 'yup';
import {
  catalogueKey,
  factAt,
  freeId,
  listPathOf,
  whyNotFact,
  withFact,
  withoutEntry,
  readCase,
  spelledAnew,
  MOST_PARTS,
  type Case,
  type ListPath,
} from '../case';
import { evaluate } from '../verdict';
import {
  changeSchemas,
  openedInspection,
  whyNotDecide,
  type Change,
  type ChangeBody,
  type Inspection,
} from './inspection';

export type Applied =
  { readonly ok: true; readonly inspection: Inspection } | { readonly ok: false; readonly why: string };

const refused = (why: string): Applied => ({ ok: false, why });

/** A change is a few levels deep; what is nested deeper is none, and would cost whoever reads it. */
const DEEPEST = 6;
/** NUL, and halves of a surrogate pair: no database keeps them as text. */
// eslint-disable-next-line no-control-regex
const NO_TEXT = /\u0000|[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/;
const NO_NAMES = ['__proto__', 'constructor', 'prototype'];

/** Why data cannot be kept, whatever it means; undefined where it can. */
function unkept(data: unknown, depth = 0): string | undefined {
  if (typeof data === 'string')
    return NO_TEXT.test(data) ? 'A text holds a character that cannot be kept; write it anew.' : undefined;
  if (typeof data !== 'object' || data === null) return undefined;
  if (depth > DEEPEST) return 'It is nested too deep to be a change.';
  for (const [key, value] of Object.entries(data)) {
    if (NO_NAMES.includes(key)) return `"${key}" is no name that can be kept.`;
    const why = unkept(key, depth + 1) ?? unkept(value, depth + 1);
    if (why !== undefined) return why;
  }
  return undefined;
}

/** Checks what came in as a change. Throws a `ValidationError` whose message is a sentence. */
export function readChange(data: unknown): Change {
  const why = unkept(data);
  if (why !== undefined) throw new ValidationError(why, data, 'change');
  const type = (data as { type?: unknown } | null)?.type;
  if (typeof type !== 'string' || !Object.hasOwn(changeSchemas, type))
    throw new ValidationError(`A change is one of ${Object.keys(changeSchemas).join(', ')}.`, data, 'type');
  return changeSchemas[type as Change['type']].validateSync(data, { abortEarly: true, stripUnknown: false }) as Change;
}

const GONE = 'That cord, stretch or circuit was taken out meanwhile.';

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
function pathOfPart(c: Case, path: string, part: string, added: boolean): string | undefined {
  const list = listPathOf(catalogueKey(path));
  if (!list) return undefined;
  const index =
    indexOfPart(c, list, part) ?? (added ? Math.max(positionOf(path), entriesOf(c, list).length) : undefined);
  return index === undefined ? undefined : path.replace(POSITION, `[${index}]`);
}

/**
 * A change with the id of the cord, stretch or circuit that it is about, so that it reaches that one wherever it stands at
 * the office by then. A fact of one that is not there yet adds it: it is called as the change is.
 */
export function addressed(c: Case, change: Change): Change {
  if ((change.type !== 'fact' && change.type !== 'remove') || change.part !== undefined) return change;
  const list = change.type === 'remove' ? change.list : listPathOf(catalogueKey(change.path));
  if (!list) return change;
  const index = change.type === 'remove' ? change.index : positionOf(change.path);
  const entry = entriesOf(c, list)[index];
  const part = entry ? entry.id : change.type === 'fact' ? change.id : undefined;
  return part === undefined ? change : { ...change, part };
}

function withEntry(c: Case, list: ListPath, index: number, entry: unknown): Case {
  const copy: object[] = [...entriesOf(c, list)];
  copy.splice(index, 0, { id: freeId(list, copy), ...(entry as object) }); // one taken out before ids were has none
  return withFact(c, list, copy);
}

/** What an inspection is after a change, or a sentence why it cannot be taken in. Device and office run the same. */
export function applyChange(inspection: Inspection | undefined, change: Change): Applied {
  if (change.type === 'open')
    return inspection
      ? refused('This inspection is open already.')
      : { ok: true, inspection: openedInspection(change.inspection, change.header, change.at) };
  if (!inspection) return refused('There is no such inspection.');

  const changed = (c: Case): Applied => ({
    ok: true,
    inspection: { ...inspection, case: c, changedAt: change.at, changedSinceDecision: inspection.decisions.length > 0 },
  });
  switch (change.type) {
    case 'fact': {
      const value = spelledAnew(change.path, change.value ?? undefined);
      const { part } = change;
      const path =
        part === undefined ? change.path : pathOfPart(inspection.case, change.path, part, part === change.id);
      if (path === undefined) return refused(GONE);
      const why = whyNotFact(path, value);
      return why === undefined ? changed(withFact(inspection.case, path, value, change.id)) : refused(why);
    }
    case 'remove': {
      const index = change.part === undefined ? change.index : indexOfPart(inspection.case, change.list, change.part);
      return index === undefined ? refused(GONE) : changed(withoutEntry(inspection.case, change.list, index));
    }
    case 'restore': {
      const restored = withEntry(inspection.case, change.list, change.index, change.entry);
      const read = readCase(restored);
      return read.ok ? changed(restored) : refused(read.errors[0] ?? `No more than ${MOST_PARTS} entries.`);
    }
    case 'decide': {
      const why = whyNotDecide(evaluate(inspection.case), change.decision);
      if (why.length > 0) return refused(why.join(' '));
      return {
        ok: true,
        inspection: {
          ...inspection,
          changedAt: change.at,
          changedSinceDecision: false,
          decisions: [...inspection.decisions, { ...change.decision, id: change.id, at: change.at }],
        },
      };
    }
  }
}

/** The change that takes a change back: what stood there before is set again. Undefined for what is signed or opened. */
export function undoOf(before: Inspection, change: Change): ChangeBody | undefined {
  const inspection = before.id;
  switch (change.type) {
    case 'fact': {
      const was = factAt(before.case, change.path);
      return {
        ...(change.part !== undefined && { part: change.part }),
        type: 'fact',
        inspection,
        path: change.path,
        value: (was ?? null) as string | number | null,
      };
    }
    case 'remove': {
      const entry = (factAt(before.case, change.list) as object[] | undefined)?.[change.index];
      return entry && { type: 'restore', inspection, list: change.list, index: change.index, entry };
    }
    default:
      return undefined;
  }
}
