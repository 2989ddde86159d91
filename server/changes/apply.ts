import { and, asc, eq, gt, sql } from 'drizzle-orm';
import { ValidationError } from 'yup';
import { factAt, factLabel, readCase, valueText } from '@careful-latch/core/case';
import {
  applyChange,
  canonicalText,
  judged,
  ofOldDevice,
  readChange,
  shownText,
  summaryOf,
  type Change,
  type Inspection,
} from '@careful-latch/core/record';
import type { Door, Transaction } from '../database/client';
import { accounts, changes, decisions, inspections, offices } from '../database/schema';
import { inspectionIn } from '../inspections/queries';
import { sealOf, type SealedRecord } from '../inspections/seal';
import type { SealKeys } from '../ledger/keys';
import { rulesIn } from '../rules/queries';
import { sealInLedger } from '../ledger/ledger';
import { sha256 } from '../ledger/line';
import { requireInspector, type Account } from '../sessions/session';
import { Problem, databaseCodeOf } from '../problems';

type Result =
  | {
      readonly id: string;
      readonly status: 'taken' | 'taken-before';
      readonly revision: number;
      /** Of a decision. */
      readonly seal?: string;
    }
  | { readonly id: string | null; readonly status: 'refused'; readonly detail: string };

async function sealed(
  tx: Transaction,
  keys: SealKeys,
  account: Account,
  before: Inspection,
  after: Inspection,
  change: Change & { type: 'decide' },
  revision: number,
): Promise<string> {
  const [office] = await tx
    .select({ id: offices.id, name: offices.name })
    .from(offices)
    .where(eq(offices.id, account.office));
  const record: SealedRecord = {
    inspection: after.id,
    revision,
    header: after.header,
    case: after.case,
    evaluation: judged(after),
    ...(after.rules && { rules: after.rules }),
    evidence: after.evidence,
    docket: after.docket,
    decision: after.decisions.at(-1)!,
    signedBy: { account: account.id, name: account.name },
    office: office!,
    previousSeal: before.decisions.at(-1)?.seal ?? null,
  };
  const seal = sealOf(record);
  const row = {
    id: change.id,
    office: account.office,
    inspection: after.id,
    revision,
    by: account.id,
    kind: change.decision.kind,
    signedAt: new Date(change.at),
    record,
    seal,
  };
  await tx.insert(decisions).values(row);
  await sealInLedger(tx, keys, account.office, row);
  return seal;
}

/** As many facts as are named where a decision is refused. */
const MOST_NAMED = 6;

/** What others have recorded since a device last heard of an inspection, in words. */
async function recordedSince(tx: Transaction, account: Account, now: Inspection, base: number): Promise<string[]> {
  const rows = await tx
    .select({ body: changes.body, account: changes.by, by: accounts.name })
    .from(changes)
    .innerJoin(accounts, eq(accounts.id, changes.by))
    .where(and(eq(changes.inspection, now.id), gt(changes.revision, base)))
    .orderBy(asc(changes.revision));
  const words = new Map<string, string>();
  for (const { body: kept, by, account: other } of rows) {
    if (other === account.id) continue;
    const body = ofOldDevice(kept) as Change;
    if (body.type === 'facts')
      for (const { path } of body.facts)
        words.set(path, `${factLabel(path)}: ${valueText(path, factAt(now.case, path))} (${by})`);
    else words.set(body.type, `${OTHER_WORDS[body.type]} (${by})`);
  }
  return [...words.values()];
}
const OTHER_WORDS = {
  open: 'opened',
  head: 'the address, owner or permit',
  rules: 'the rules that it is judged under',
  remove: 'a cord, stretch or circuit taken out',
  restore: 'a cord, stretch or circuit put back',
  evidence: 'a photo or a note',
  violation: 'a violation',
  'not-taken-up': 'a finding that is not taken up',
  order: 'an order',
  condition: 'a condition',
  visit: 'a visit',
  decide: 'a decision',
} as const;

/** Why a decision cannot be taken: what was on the screen when it was signed is not what the office has. Undefined where it is. */
async function whyNotSeen(
  tx: Transaction,
  account: Account,
  now: Inspection,
  { base, shown }: Change & { type: 'decide' },
): Promise<string | undefined> {
  const text = shownText(now, judged(now));
  if (sha256(text) === shown) return undefined;
  const since = await recordedSince(tx, account, now, base);
  if (since.length === 0)
    return 'The application on this device judges otherwise than the office’s. Load it again, look, and sign anew. Nothing was signed.';
  const named = since.slice(0, MOST_NAMED).join('; ');
  const more = since.length > MOST_NAMED ? `; and ${since.length - MOST_NAMED} more` : '';
  return `Nothing was signed, for others have recorded since you looked: ${named}${more}. Look at it as it is now, and sign anew.`;
}

/** A device whose clock is further ahead than this is set wrong. */
const MOST_AHEAD_MS = 10 * 60_000;
const isAhead = (at: string) => Date.parse(at) > Date.now() + MOST_AHEAD_MS;
const AHEAD =
  'It was signed in the future: the clock of the device is ahead. Set it right, and sign anew. Nothing was signed.';

/** Why somebody may not change an inspection; undefined where they may. */
function whyNotBy({ role }: Account, before: Inspection | undefined, { type }: Change): string | undefined {
  if (role === 'reader') return 'A reader changes nothing.';
  if (role !== 'contractor' || !before || before.decisions.length === 0 || CLAIMS.includes(type)) return undefined;
  return 'The office has decided on it; only an inspector records there now.';
}
/** What a contractor still sends once the office has decided: what he has corrected, and pictures of it. */
const CLAIMS: readonly Change['type'][] = ['violation', 'evidence'];

/** Counts the office up, and holds its count until the transaction ends: changes of an office are taken in one after the other. */
async function counted(tx: Transaction, office: string): Promise<number> {
  const [row] = await tx
    .update(offices)
    .set({ seq: sql`${offices.seq} + 1` })
    .where(eq(offices.id, office))
    .returning({ seq: offices.seq });
  return row!.seq;
}

const ID_IN_USE = 'Something else was recorded under this number. Record it anew.';

/** The answer that a change got when it came before; undefined where it is new. One whose id was used for something else is refused, and told nothing. */
async function answeredBefore(tx: Transaction, account: Account, change: Change): Promise<Result | undefined> {
  const [known] = await tx
    .select({ revision: changes.revision, by: changes.by, body: changes.body, seal: decisions.seal })
    .from(changes)
    .leftJoin(decisions, eq(decisions.id, changes.id))
    .where(eq(changes.id, change.id));
  if (!known) return undefined;
  if (known.by !== account.id || canonicalText(known.body) !== canonicalText(change))
    return {
      id: change.id,
      status: 'refused',
      detail: ID_IN_USE,
    };
  const { revision, seal } = known;
  return { id: change.id, status: 'taken-before', revision, ...(seal !== null && { seal }) };
}

async function takeIn(tx: Transaction, keys: SealKeys, account: Account, change: Change): Promise<Result> {
  const seq = await counted(tx, account.office);
  const before = await answeredBefore(tx, account, change);
  return before ?? takeInNew(tx, keys, account, change, seq);
}

async function takeInNew(
  tx: Transaction,
  keys: SealKeys,
  account: Account,
  change: Change,
  seq: number,
): Promise<Result> {
  if (change.type === 'decide') requireInspector(account);
  const before = await inspectionIn(tx, account, change.inspection, true);
  const whyNot =
    whyNotBy(account, before, change) ??
    (change.type === 'decide' && isAhead(change.at) ? AHEAD : undefined) ??
    (change.type === 'decide' && before ? await whyNotSeen(tx, account, before, change) : undefined);
  if (whyNot !== undefined) return { id: change.id, status: 'refused', detail: whyNot };
  const version = change.type === 'open' || change.type === 'rules' ? change.rules : undefined;
  const rules = version === undefined ? undefined : await rulesIn(tx, account.office, version);
  const applied = applyChange(before, change, account, rules);
  if (!applied.ok) return { id: change.id, status: 'refused', detail: applied.why };
  const after = applied.inspection;
  // Read again before it is stored or sealed: nothing that no case file may hold gets into a record by another way.
  const read = readCase(after.case);
  if (!read.ok) return { id: change.id, status: 'refused', detail: read.errors.slice(0, 3).join(' ') };
  const revision = (before?.revision ?? 0) + 1;
  const columns = {
    revision,
    seq,
    ...after.header,
    case: after.case,
    rules: after.rules?.version ?? null,
    evidence: after.evidence,
    docket: after.docket,
    changedSinceDecision: after.changedSinceDecision,
    changedAt: new Date(after.changedAt),
    ...summaryOf(after),
    resting: false,
  };
  if (before) await tx.update(inspections).set(columns).where(eq(inspections.id, after.id));
  else {
    const made = await tx
      .insert(inspections)
      .values({
        id: after.id,
        office: account.office,
        openedBy: account.id,
        openedAt: new Date(after.openedAt),
        ...columns,
      })
      .onConflictDoNothing()
      .returning({ id: inspections.id });
    if (made.length === 0)
      return { id: change.id, status: 'refused', detail: 'An inspection with this id is open elsewhere.' };
  }
  await tx
    .insert(changes)
    .values({ id: change.id, office: account.office, inspection: after.id, revision, by: account.id, body: change });
  if (change.type !== 'decide') return { id: change.id, status: 'taken', revision };
  const seal = await sealed(tx, keys, account, before!, after, change, revision);
  return { id: change.id, status: 'taken', revision, seal };
}

/** Whether the database refused a value as no data of its type (class 22), rather than failed. */
const isBadData = (error: unknown): boolean => /^22/.test(databaseCodeOf(error) ?? '');

/** The id that came with something that is no change, to be answered under; null where there is none. */
const idOf = (data: unknown): string | null => {
  const id = (data as { id?: unknown } | null)?.id;
  return typeof id === 'string' && id.length <= 100 ? id : null;
};

/** Takes in changes in their order, each judged by itself: one that is refused does not hold up the others, and none is taken twice. */
export async function takeInAll(
  door: Door,
  keys: SealKeys,
  account: Account,
  all: readonly unknown[],
): Promise<Result[]> {
  const results: Result[] = [];
  for (const data of all) {
    try {
      const change = readChange(data);
      results.push(await door.inOffice(account.office, (tx) => takeIn(tx, keys, account, change)));
    } catch (error) {
      const detail =
        error instanceof Problem
          ? error.detail
          : error instanceof ValidationError
            ? error.errors.join(' ')
            : isBadData(error)
              ? 'It holds something that cannot be kept; record it anew.'
              : databaseCodeOf(error) === '23505' // the number of another office's decision
                ? ID_IN_USE
                : undefined;
      if (detail === undefined) throw error;
      results.push({ id: idOf(data), status: 'refused', detail });
    }
  }
  return results;
}
