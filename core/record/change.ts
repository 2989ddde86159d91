import { ValidationError } from 'yup';
import { factAt, recordedAt } from '../case';
import type { Person } from '../people';
import { readAsSent } from './as-sent';
import type { Inspection, Rules } from './inspection';
import { CHANGES, changed, isChangeType, type Change, type ChangeBody } from './kinds';
import { addressed as addressedPart, pathOfPart } from './kinds/facts';
import { withHeadSeen } from './kinds/house';
import { headsAt } from './merging';
import { requireKept } from './shapes';

export type Applied =
  { readonly ok: true; readonly inspection: Inspection } | { readonly ok: false; readonly why: string };

/** Checks what came in as a change. Throws a `ValidationError` whose message is a sentence. */
export function readChange(data: unknown): Change {
  requireKept(data);
  const now = ofOldDevice(data);
  const type = (now as { type?: unknown } | null)?.type;
  if (!isChangeType(type))
    throw new ValidationError(`A change is one of ${Object.keys(CHANGES).join(', ')}.`, data, 'type');
  return readAsSent(CHANGES[type].schema, now) as Change;
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

/** A change with what its device had before it, and the parts that it is about by their ids; see `kinds/facts`. */
export const addressed = (inspection: Inspection, change: Change): Change =>
  change.type === 'facts' || change.type === 'remove'
    ? (addressedPart(inspection, change) as Change)
    : change.type === 'head'
      ? { ...withHeadSeen(inspection, change), type: 'head' }
      : change;

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
  const now = changed(inspection, change, person, rules);
  return typeof now === 'string' ? { ok: false, why: now } : { ok: true, inspection: now };
}

/** What an inspection became by a change that was taken once, whoever may make it today; a sentence where it cannot be told again. */
export function toldAgain(
  before: Inspection | undefined,
  change: unknown,
  person: Person,
  rules?: Rules,
): Inspection | string {
  const then = changed(before, ofOldDevice(change) as Change, person, rules, 'told again');
  return typeof then === 'string' || !before ? then : { ...then, revision: before.revision + 1 };
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
