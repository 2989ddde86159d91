import { and, asc, desc, eq, getTableColumns, inArray, lt, sql, type SQL } from 'drizzle-orm';
import { array, date, mixed, number, object, string, type InferType } from 'yup';
import { STATE_WORDS, isOutside, type State } from '@careful-latch/core/record';
import type { Transaction } from '../database/client';
import { inspections } from '../database/schema';
import type { Account } from '../sessions/account';
import { seenBy } from './queries';

/** What a list is sorted by; each value is text that sorts as it should, so that a page can begin behind any of them. */
const SORTS = {
  due: sql<string>`coalesce(${inspections.dueOn}, 'infinity'::date)`,
  changed: inspections.changedAt,
  street: inspections.street,
} as const;
type Sort = keyof typeof SORTS;
const TYPE_OF: Readonly<Record<Sort, SQL>> = { due: sql`date`, changed: sql`timestamptz`, street: sql`text` };

const MOST_ROWS = 100;
const text = (what: string) => string().trim().max(200, `${what}: at most 200 characters.`).default('');

/** What is asked of a list. */
export const listSchema = object({
  /** Words that stand in address, owner or permit, or the beginnings of such. */
  words: text('The search'),
  state: array(
    mixed<State>()
      .oneOf(Object.keys(STATE_WORDS) as State[], 'There is no such state.')
      .required(),
  )
    .transform((_, given: unknown) => (typeof given === 'string' ? given.split(',').filter(Boolean) : given))
    .default([]),
  /** Due before this day. */
  dueBefore: date().typeError('A day is written as 2026-11-27.').optional(),
  inspector: text('The inspector'),
  /** A rule that an open violation is about. */
  rule: text('The rule'),
  sort: mixed<Sort>()
    .oneOf(Object.keys(SORTS) as Sort[], `A list is sorted by ${Object.keys(SORTS).join(', ')}.`)
    .default('due'),
  /** Where the page before ended, as that page said it. */
  after: string().max(500).optional(),
  limit: number().integer().min(1).max(MOST_ROWS).default(50),
});
type Wanted = InferType<typeof listSchema>;

/** Text search for the beginnings of words: `o'harr 12` finds 12 … O’Harrow. Undefined where nothing is looked for. */
function wordsFound(words: string): SQL | undefined {
  const all = words.match(/[\p{L}\p{N}]+/gu);
  return all
    ? sql`${inspections.words} @@ to_tsquery('simple', ${all.map((word) => `${word}:*`).join(' & ')})`
    : undefined;
}

const pageSchema = object({ key: string().required().max(400), id: string().uuid().required() });
/** Where a page ended: what its last row was sorted by, and its id. */
const pageOf = (after: string) =>
  pageSchema.validateSync(JSON.parse(Buffer.from(after, 'base64url').toString('utf8') || '{}'));
const readPage = (after: string) => {
  try {
    return pageOf(after);
  } catch {
    return undefined;
  }
};

/** Whether the office was asked for an inspection, and nobody has decided on it yet. */
export const isAsked = sql<boolean>`(${inspections.claimed} is not null and ${inspections.state} = 'draft')`;

/** One page of an office’s inspections, without their cases, and where the next begins; null where none does. */
export async function listOf(tx: Transaction, account: Account, wanted: Wanted) {
  const key = SORTS[wanted.sort];
  const type = TYPE_OF[wanted.sort];
  const outside = isOutside(account.role);
  const newestFirst = wanted.sort === 'changed';
  const page = wanted.after === undefined ? undefined : readPage(wanted.after);
  const { id, address, owner, permit, state, dueOn, dueWhat, inspector, violated, changedAt } =
    getTableColumns(inspections);
  const rows = await tx
    .select({
      id,
      address,
      owner,
      permit,
      state,
      dueOn,
      dueWhat,
      inspector,
      violated,
      changedAt,
      key: sql<string>`${key}::text`,
      asked: isAsked,
    })
    .from(inspections)
    .where(
      and(
        seenBy(account),
        wordsFound(wanted.words),
        wanted.state.length > 0 ? inArray(inspections.state, wanted.state) : undefined,
        wanted.dueBefore && lt(inspections.dueOn, wanted.dueBefore.toISOString().slice(0, 10)),
        wanted.inspector ? eq(inspections.inspector, wanted.inspector) : undefined,
        wanted.rule ? sql`${wanted.rule} = any(${inspections.violated})` : undefined,
        wanted.rule && outside ? sql`not (${isAsked})` : undefined,
        page &&
          sql`(${key}, ${inspections.id}) ${newestFirst ? sql`<` : sql`>`} (${page.key}::${type}, ${page.id}::uuid)`,
      ),
    )
    .orderBy(newestFirst ? desc(key) : asc(key), newestFirst ? desc(inspections.id) : asc(inspections.id))
    .limit(wanted.limit);
  const last = rows.length === wanted.limit ? rows.at(-1) : undefined;
  return {
    // What the office has found and not decided on yet is its own.
    inspections: rows.map(({ key: _, asked, ...row }) => (outside && asked ? { ...row, violated: [] } : row)),
    next: last ? Buffer.from(JSON.stringify({ key: last.key, id: last.id })).toString('base64url') : null,
  };
}
