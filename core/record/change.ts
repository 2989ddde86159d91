import { ValidationError, type AnySchema } from 'yup';
import {
  catalogueKey,
  emptyCase,
  factAt,
  freeId,
  listPathOf,
  whyNotFact,
  withFact,
  withRecorded,
  withoutEntry,
  readCase,
  recordedAt,
  spelledAnew,
  MOST_PARTS,
  type Case,
  type ListPath,
} from '../case';
import {
  isDocketChange,
  isOpen,
  visitUnderWay,
  withDocketChange,
  type Condition,
  type Docket,
  type Order,
} from './docket';
import { whyNotDecide } from './deciding';
import { seenIn } from './findings';
import { judged } from './judging';
import { headsAt, linesOfPart, merged, placeOfConflict, unseenOfPart, withSeen } from './merging';
import type { Head } from './recorded';
import { inspects, isOutside, type Person } from '../people';
import { readAsSent } from './as-sent';
import { dayAtHouse, requireKept } from './shapes';
import {
  changeSchemas,
  openedInspection,
  type Change,
  type ChangeBody,
  type Inspection,
  type RecordedFact,
  type Rules,
} from './inspection';
import { MOST_EVIDENCE, isMendedBy, type Evidence } from './evidence';

export type Applied =
  { readonly ok: true; readonly inspection: Inspection } | { readonly ok: false; readonly why: string };

const refused = (why: string): Applied => ({ ok: false, why });

/** Checks what came in as a change. Throws a `ValidationError` whose message is a sentence. */
export function readChange(data: unknown): Change {
  requireKept(data);
  const now = ofOldDevice(data);
  const type = (now as { type?: unknown } | null)?.type;
  if (typeof type !== 'string' || !Object.hasOwn(changeSchemas, type))
    throw new ValidationError(`A change is one of ${Object.keys(changeSchemas).join(', ')}.`, data, 'type');
  return readAsSent(changeSchemas[type as Change['type']] as AnySchema, now) as Change;
}

/** A single fact as devices sent it before facts could be recorded together: somebody touched it. */
export function ofOldDevice(data: unknown): unknown {
  if ((data as { type?: unknown } | null)?.type !== 'fact') return data;
  const { path, part, value, ...rest } = data as Record<string, unknown>;
  return { ...rest, type: 'facts', facts: [{ path, value, how: 'touched', ...(part !== undefined && { part }) }] };
}

/** A fact that somebody touched; null takes it away. `said` is how it was read, where in another unit. */
export const touched = (
  inspection: string,
  path: string,
  value: string | number | null,
  said?: string,
): ChangeBody => ({
  type: 'facts',
  inspection,
  facts: [{ path, value, how: 'touched', ...(said !== undefined && { said }) }],
});

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
function pathOfPart(c: Case, path: string, part: string, added: boolean): string | undefined {
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
export function addressed({ case: c, ...rest }: Inspection, change: Change): Change {
  if (change.type === 'remove') {
    const entry = entriesOf(c, change.list)[change.index];
    return change.part === undefined && entry
      ? { ...change, part: entry.id, over: linesOfPart({ case: c, ...rest }, change.list, entry.id) }
      : change;
  }
  if (change.type !== 'facts') return change;
  return {
    ...change,
    facts: withSeen({ case: c, ...rest }, change.facts).map((fact) => {
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
function placeOf(c: Case, { id }: Pick<Change, 'id'>, { path, part, adds: again }: RecordedFact): string | undefined {
  return part === undefined ? path : pathOfPart(c, path, part, again === true || adds(id, part));
}

/** What is wrong with a fact that is to be recorded, or the case with it, and with the line of how. */
function withOne(c: Case, { id, at }: Change, fact: RecordedFact, by: string): Case | string {
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

/** Photos and notes with one made, changed or taken out; what was made by one person stays theirs when a caption is mended. */
function withEvidence(
  all: readonly Evidence[],
  { evidence: id, is, at, was }: Change & { type: 'evidence' },
  person: Person,
): readonly Evidence[] | string {
  const by = person.name;
  const known = all.find((one) => one.id === id);
  if (known && !isMendedBy(known, person))
    return `This is of ${known.by}, who alone changes it or takes it out, or the lead.`;
  if (is === null) return all.filter((one) => one !== known);
  if (known) return all.map((one) => (one === known ? { ...known, ...is } : one));
  if (all.length >= MOST_EVIDENCE) return `An inspection holds at most ${MOST_EVIDENCE} photos and notes.`;
  return [...all, { ...is, id, at, by, ...was }];
}

/**
 * What an inspection is after a change by somebody, or a sentence why it cannot be taken in. Device and office run the same.
 * `rules` is the version of the office's rules that the change names, where it names one.
 */
export function applyChange(
  inspection: Inspection | undefined,
  change: Change,
  person: Person,
  rules?: Rules,
): Applied {
  if ((change.type === 'open' || change.type === 'rules') && change.rules !== rules?.version)
    return refused('The office has no such version of its rules.');
  if (change.type === 'open')
    return inspection
      ? refused('This inspection is open already.')
      : { ok: true, inspection: openedInspection(change.inspection, change.header, change.at, rules) };
  if (!inspection) return refused('There is no such inspection.');
  const by = person.name;
  if (isDocketChange(change)) {
    const docket = withDocketChange(inspection.docket, change, person, seenIn(inspection));
    return typeof docket === 'string'
      ? refused(docket)
      : { ok: true, inspection: { ...inspection, docket, changedAt: change.at } };
  }

  const { conflicts: had, ...rest } = inspection;
  const changed = (c: Case, conflicts = had): Applied => ({
    ok: true,
    inspection: {
      ...rest,
      case: c,
      ...(conflicts && conflicts.length > 0 && { conflicts }),
      changedAt: change.at,
      changedSinceDecision: inspection.decisions.length > 0,
    },
  });
  switch (change.type) {
    case 'facts': {
      let now: Pick<Inspection, 'case' | 'conflicts'> = inspection;
      for (const fact of change.facts) {
        const alone = withOne(now.case, change, fact, by);
        if (typeof alone === 'string') return refused(alone);
        const path = placeOf(now.case, change, fact)!;
        const value = factAt(alone, path) as Head['value'] | undefined;
        const line = recordedAt(alone, path);
        const mine = fact.value === null || value === undefined || !line ? undefined : { ...line, value, by };
        now = merged(now, alone, path, fact, mine, by);
      }
      return changed(now.case, now.conflicts);
    }
    case 'remove': {
      const index = change.part === undefined ? change.index : indexOfPart(inspection.case, change.list, change.part);
      if (index === undefined) return refused(GONE);
      const unseen = change.part !== undefined && change.over && unseenOfPart(inspection, change.list, change.part, change.over, by); // prettier-ignore
      if (unseen) return refused(`${unseen} has recorded there what you had not seen. Look at it, then take it out.`);
      const without = withoutEntry(inspection.case, change.list, index);
      return changed(
        without,
        had?.filter((one) => placeOfConflict(without, one) !== undefined),
      );
    }
    case 'restore': {
      const restored = withEntry(inspection.case, change.list, change.index, change.entry);
      const read = readCase(restored);
      return read.ok ? changed(restored) : refused(read.errors[0] ?? `No more than ${MOST_PARTS} entries.`);
    }
    case 'rules':
      return inspects(person.role)
        ? { ok: true, inspection: { ...inspection, rules: rules!, changedAt: change.at } }
        : refused('Only an inspector says under which rules it is judged.');
    case 'request': {
      if (!isOutside(person.role)) return refused('A contractor asks the office for an inspection; you make it.');
      if (inspection.claimed || inspection.decisions.length > 0)
        return refused('The office was asked for this inspection already.');
      const claimed = { case: inspection.case, by, at: change.at };
      return {
        ok: true,
        inspection: {
          ...rest,
          ...(rules && { rules }), // what the office finds it judges as it has adopted by then
          claimed,
          case: emptyCase(inspection.case.edition),
          changedAt: change.at,
        },
      };
    }
    case 'head': {
      const { address, owner, permit } = change;
      const header = { ...inspection.header, address, owner, permit };
      return { ok: true, inspection: { ...inspection, header, changedAt: change.at } };
    }
    case 'evidence': {
      const evidence = withEvidence(inspection.evidence, change, person);
      // A picture changes nothing that was found, so it begins no reinspection.
      return typeof evidence === 'string'
        ? refused(evidence)
        : { ok: true, inspection: { ...inspection, evidence, changedAt: change.at } };
    }
    case 'decide': {
      const why = whyNotDecide(inspection, judged(inspection), change.decision, dayAtHouse(change.at));
      if (change.decision.signature.name !== by) why.push(`Sign as yourself: ${by}.`);
      if (why.length > 0) return refused(why.join(' '));
      return {
        ok: true,
        inspection: {
          ...inspection,
          changedAt: change.at,
          changedSinceDecision: false,
          docket: decided(inspection.docket, change, by),
          decisions: [...inspection.decisions, { ...change.decision, id: change.id, at: change.at }],
        },
      };
    }
  }
}

/** The docket once a decision is signed: its violations and conditions have their day, its order is in force, and the visit is done. */
function decided(docket: Docket, { id, at, decision }: Change & { type: 'decide' }, by: string): Docket {
  const conditions = decision.conditions.map((one): Condition => ({
    ...one,
    state: 'due',
    steps: [{ to: 'due', at, by, words: '' }],
  }));
  const open = docket.violations.filter(isOpen).map((one) => one.id);
  const order: Order | undefined = decision.order
    ? { ...decision.order, id, violations: open, state: 'posted', steps: [{ to: 'posted', at, by, words: '' }] }
    : undefined;
  const newDay = decision.kind === 'corrections-required' ? decision.dueOn : null;
  const to = decision.kind === 'passed-stations' ? 'partial' : 'done';
  const here = visitUnderWay(docket);
  return {
    ...docket,
    violations: docket.violations.map((one) => {
      const day = conditions.find(({ of }) => of === one.id)?.dueOn ?? newDay;
      return isOpen(one) && day ? { ...one, dueOn: day } : one;
    }),
    conditions: [...docket.conditions, ...conditions],
    orders: order ? [...docket.orders, order] : docket.orders,
    visits: docket.visits.map((one) =>
      one === here ? { ...one, state: to, steps: [...one.steps, { to, at, by, words: decision.leftOut }] } : one,
    ),
  };
}

/** Who, beside somebody, has recorded since over what would be taken back, or otherwise than they did; undefined where nobody has. */
export function overtakenBy(now: Inspection, back: ChangeBody, by: string): string | undefined {
  if (back.type !== 'facts') return undefined;
  const heads = back.facts.flatMap(({ path, part }) => {
    const at = part === undefined ? path : pathOfPart(now.case, path, part, false);
    return at === undefined ? [] : headsAt(now, at);
  });
  return heads.find((one) => one.by !== by)?.by;
}

/** The change that takes a change back: what stood there before is set again. Undefined for what is signed or opened. */
export function undoOf(before: Inspection, change: Change): ChangeBody | undefined {
  const inspection = before.id;
  switch (change.type) {
    case 'facts':
      return {
        type: 'facts',
        inspection,
        // Backwards, for the same fact may stand twice, and what it adds goes last.
        facts: change.facts.toReversed().map(({ path, part }) => {
          const was = recordedAt(before.case, path);
          return {
            path,
            ...(part !== undefined && { part, adds: true }),
            value: (factAt(before.case, path) ?? null) as string | number | null,
            how: was?.how ?? 'touched',
            was: was ?? null,
          };
        }),
      };
    case 'remove': {
      const entry = (factAt(before.case, change.list) as object[] | undefined)?.[change.index];
      return entry && { type: 'restore', inspection, list: change.list, index: change.index, entry };
    }
    case 'head': {
      const { edition: _, ...was } = before.header;
      return { type: 'head', inspection, ...was, reason: 'Taken back.' };
    }
    case 'evidence': {
      const was = before.evidence.find(({ id }) => id === change.evidence);
      if (!was) return { type: 'evidence', inspection, evidence: change.evidence, is: null };
      const { id, at, by, ...is } = was;
      return { type: 'evidence', inspection, evidence: id, is, was: { at, by } };
    }
    default:
      return undefined;
  }
}
