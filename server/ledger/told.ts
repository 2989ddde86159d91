import { and, asc, desc, eq, gt, isNotNull, lte } from 'drizzle-orm';
import { readCase } from '@careful-latch/core/case';
import {
  canonicalText,
  isDestroyed,
  toldAgain,
  type Inspection,
  type Rules,
  type Signed,
} from '@careful-latch/core/record';
import type { Transaction } from '../database/client';
import { accounts, changes, decisions, inspections, rules, signedLogs } from '../database/schema';
import { sha256 } from './line';

type Row = typeof inspections.$inferSelect;
type Stands = Pick<Row, 'case' | 'evidence' | 'docket' | 'conflicts' | 'claimed' | 'rules' | 'changedSinceDecision'> &
  Pick<Row, 'address' | 'permit' | 'edition'>;

/** What is compared of how a house stands, and what it is called where it differs; the owner's name apart, which may be destroyed. */
const PARTS = {
  address: 'its address',
  permit: 'its permit number',
  edition: 'its edition',
  case: 'what is recorded there',
  evidence: 'its photos and notes',
  conflicts: 'what two people recorded differently',
  claimed: 'what its contractor had claimed',
  rules: 'the rules that it is judged under',
  changedSinceDecision: 'whether it was changed since it was decided',
} as const;
const DOCKET = {
  violations: 'its violations',
  notTakenUp: 'the findings that are none',
  orders: 'its orders',
  conditions: 'its conditions',
  visits: 'its visits',
} as const;

const same = (a: unknown, b: unknown): boolean => canonicalText(a ?? null) === canonicalText(b ?? null);

const standsOf = (told: Inspection): Stands => ({
  ...told.header,
  case: told.case,
  evidence: told.evidence,
  docket: told.docket,
  conflicts: told.conflicts ?? null,
  claimed: told.claimed ?? null,
  rules: told.rules?.version ?? null,
  changedSinceDecision: told.changedSinceDecision,
});

/** What is recorded at a house, as this version reads it. */
function siteOf(row: Row): unknown {
  const site = readCase(row.case);
  return site.ok ? site.case : row.case;
}

/** The first part of a house that is otherwise than its log tells it; undefined where none is. */
function otherwise(row: Row, told: Inspection): string | undefined {
  const then = standsOf(told);
  const part = (Object.keys(PARTS) as (keyof typeof PARTS)[]).find(
    (one) => !same(one === 'case' ? siteOf(row) : row[one], then[one]),
  );
  if (part) return PARTS[part];
  const { owner } = told.header;
  if (row.owner !== owner && !(row.owner === '' && isDestroyed(owner))) return 'its owner';
  const list = (Object.keys(DOCKET) as (keyof typeof DOCKET)[]).find((one) => !same(row.docket[one], then.docket[one]));
  return list ? DOCKET[list] : same(row.docket, then.docket) ? undefined : 'its permit, papers, appeals or holds';
}

/** SHA-256 of how a house stands. */
export async function stateHash(tx: Transaction, inspection: string): Promise<string> {
  const [row] = await tx.select().from(inspections).where(eq(inspections.id, inspection));
  return hashOf(row!);
}

const hashOf = (row: Stands): string =>
  sha256(canonicalText({ docket: row.docket, ...Object.fromEntries(Object.keys(PARTS).map((one) => [one, row[one as keyof typeof PARTS] ?? null])) })); // prettier-ignore

/** A house as it stood in the record that was sealed last; undefined where nothing was sealed, a sentence where it is too old to go on from. */
async function lastSealed(tx: Transaction, row: Row): Promise<Inspection | string | undefined> {
  const own = await tx
    .select()
    .from(decisions)
    .where(and(eq(decisions.office, row.office), eq(decisions.inspection, row.id)))
    .orderBy(desc(decisions.revision));
  const [last] = own;
  if (!last) return undefined;
  const { record } = last;
  const site = readCase(record.case);
  if (!site.ok || !record.docket) return 'its last record is of before violations had a life of their own';
  return {
    id: row.id,
    revision: last.revision,
    header: record.header,
    case: site.case,
    ...(record.rules && { rules: record.rules }),
    ...(record.claimed && { claimed: record.claimed }),
    ...(record.conflicts && { conflicts: record.conflicts }),
    openedAt: row.openedAt.toISOString(),
    changedAt: record.decision.at,
    decisions: own.toReversed().map(({ record: { decision }, seal }) => ({ ...decision, seal }) as Signed),
    evidence: record.evidence ?? [],
    docket: record.docket,
    changedSinceDecision: false,
  };
}

/** A house as its log tells it from the record that was sealed last, else from its first change, up to a revision; a sentence where it does not. */
async function asTold(
  tx: Transaction,
  row: Row,
  known: readonly Adopted[],
  upTo = row.revision,
): Promise<Inspection | string> {
  const begun = await lastSealed(tx, row);
  if (typeof begun === 'string') return begun;
  const log = await tx
    .select({ body: changes.body, receivedAt: changes.receivedAt, person: accounts })
    .from(changes)
    .innerJoin(accounts, eq(accounts.id, changes.by))
    .where(
      and(
        eq(changes.office, row.office),
        eq(changes.inspection, row.id),
        gt(changes.revision, begun?.revision ?? 0),
        lte(changes.revision, upTo),
      ),
    )
    .orderBy(asc(changes.revision));
  let now = begun;
  for (const { body, receivedAt, person } of log) {
    const version = body.type === 'open' || body.type === 'rules' ? body.rules : undefined;
    const under = body.type === 'request' ? known.findLast(({ at }) => at <= receivedAt) : known.find((one) => one.version === version); // prettier-ignore
    const then = toldAgain(now, body, person, under && { version: under.version, profile: under.profile });
    if (typeof then === 'string') return then;
    now = then;
  }
  return now ?? 'nothing was recorded there';
}

/**
 * What of a house is not as its log tells it. `older`: nor was it when lines of days began, or the ledger is wholly of before and its
 * log is not of a kind that is told again, so that nobody can say.
 */
export async function whyNotAsTold(
  tx: Transaction,
  row: Row,
  known: readonly Adopted[],
  ofBefore: boolean,
): Promise<{ readonly why: string; readonly older: boolean } | undefined> {
  const told = await asTold(tx, row, known);
  const why = typeof told === 'string' ? `its log cannot be told again: ${told}` : otherwise(row, told);
  if (why === undefined) return undefined;
  const [then] = await tx
    .select({ revision: signedLogs.revision, stands: signedLogs.stands })
    .from(signedLogs)
    .where(and(eq(signedLogs.office, row.office), eq(signedLogs.inspection, row.id), isNotNull(signedLogs.stands)));
  if (then?.stands === hashOf(row)) return undefined; // as it stood then, which a line has signed
  return {
    why: typeof told === 'string' ? why : `${why}: it stands otherwise than its log tells it`,
    older:
      (ofBefore && typeof told === 'string') ||
      (then !== undefined && then.revision < row.revision && !(await didTell(tx, row, known, then))),
  };
}

/** Whether the log of a house told how it stood when lines of days began. */
async function didTell(
  tx: Transaction,
  row: Row,
  known: readonly Adopted[],
  then: { readonly revision: number; readonly stands: string | null },
): Promise<boolean> {
  const told = await asTold(tx, row, known, then.revision);
  if (typeof told === 'string') return false;
  return told.revision > then.revision || hashOf(standsOf(told)) === then.stands; // a decision since tells it, whatever stood then
}

/** A version of an office's rules, and when it was adopted. */
interface Adopted extends Rules {
  readonly at: Date;
}

/** The versions of an office's rules, the oldest first. */
export const rulesOf = (tx: Transaction, office: string): Promise<Adopted[]> =>
  tx
    .select({ version: rules.version, profile: rules.profile, at: rules.at })
    .from(rules)
    .where(eq(rules.office, office))
    .orderBy(asc(rules.version));
