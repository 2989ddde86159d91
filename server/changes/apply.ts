import { and, asc, eq, gt, isNull, lte, sql } from 'drizzle-orm';
import { ValidationError } from 'yup';
import { STATIONS, factAt, factLabel, readCase, valueText } from '@careful-latch/core/case';
import {
  CHANGES,
  applyChange,
  canonicalText,
  dayAtHouse,
  dayIn,
  installerOf,
  isOutside,
  judged,
  ofOldDevice,
  readChange,
  shownText,
  summaryOf,
  whyNoPermit,
  whyNotTheirs,
  type Change,
  type Inspection,
} from '@careful-latch/core/record';
import type { Door, Transaction } from '../database/client';
import { accounts, changes, decisions, held, inspections, offices, parties } from '../database/schema';
import { writeDocketRows } from '../inspections/docket-rows';
import { inspectionIn } from '../inspections/queries';
import { sealOf, type SealedRecord } from '../inspections/seal';
import type { SealKeys } from '../ledger/keys';
import { postResult } from '../permits/posts';
import { newestRules, rulesIn } from '../rules/queries';
import { sealInLedger, sealMove } from '../ledger/ledger';
import { sha256 } from '../ledger/line';
import { asSent, dated } from './clock';
import { whyNotSaidBefore, whyNotSimulated } from './said-before';
import type { Account } from '../sessions/account';
import { Problem, databaseCodeOf, isBadData } from '../problems';

type Result =
  | {
      readonly id: string;
      readonly status: 'taken' | 'taken-before';
      readonly revision: number;
      /** Of a decision. */
      readonly seal?: string;
      /** The office has dated it by its own clock, and what the device shows is to be fetched anew: that of the device is wrong, or it said a time at which this cannot have been. */
      readonly dated?: 'clock' | 'bounds';
    }
  | { readonly id: string | null; readonly status: 'refused' | 'held'; readonly detail: string };

/** When changes came, and when their sender gave the password last. */
export interface Received {
  at(change: Change): number;
  readonly passwordAt: number;
  /** How much is to be added to what the device's clock says, ms; left out where what is said holds, as in the demo. */
  readonly clockOffMs?: number;
  /** Again: its sender was told that it was taken, before the office was brought back from a backup. Late: its sender is switched off, and it is kept for the lead. From the lead: so it was kept, and the lead takes it in. */
  readonly as?: 'late' | 'from the lead' | 'again';
}
const HOUR_MS = 3600_000;
/** A decision that comes later than this after it was signed was signed without signal. */
const OFFLINE_AFTER_MS = 2 * 60_000;
/** Whoever signs has given the password within a day. */
const PASSWORD_LASTS_MS = 24 * HOUR_MS;
const PASSWORD_AGAIN =
  'Give your password again, then sign anew: it was given more than a day ago. Nothing was signed.';

async function sealed(
  tx: Transaction,
  keys: SealKeys,
  account: Account,
  before: Inspection,
  after: Inspection,
  change: Change & { type: 'decide' },
  revision: number,
  receivedAt: number,
): Promise<string> {
  const [{ zone, ...office }] = (await tx
    .select({ id: offices.id, name: offices.name, zone: offices.zone })
    .from(offices)
    .where(eq(offices.id, account.office))) as [{ id: string; name: string; zone: string }];
  const [own] = await tx.select({ salt: inspections.salt }).from(inspections).where(eq(inspections.id, after.id));
  const record: SealedRecord = {
    inspection: after.id,
    revision,
    header: after.header,
    case: after.case,
    evaluation: judged(after),
    ...(after.rules && { rules: after.rules }),
    evidence: after.evidence,
    ...(after.conflicts && { conflicts: after.conflicts }),
    ...(after.claimed && { claimed: after.claimed }),
    docket: after.docket,
    decision: after.decisions.at(-1)!,
    receivedAt: new Date(receivedAt).toISOString(),
    offline: isOffline(change, receivedAt),
    signedBy: { account: account.id, name: account.name },
    office,
    previousSeal: before.decisions.at(-1)?.seal ?? null,
    ...(own!.salt !== null && { salt: own!.salt }),
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
    nth: after.decisions.length,
    transfer: (factAt(after.case, 'transfer.kind') as string | undefined) ?? null,
    firm: installerOf(after.docket)?.name ?? null,
    leftOut: STATIONS.filter((one) => !change.decision.scope.includes(one)),
  };
  await tx.insert(decisions).values(row);
  const number = await sealInLedger(tx, keys, account.office, row);
  const { kind } = row;
  const { permit } = after.header;
  await postResult(tx, {
    id: row.id,
    office: row.office,
    inspection: row.inspection,
    kind,
    day: dayIn(zone, change.at),
    number,
    permit,
  });
  return seal;
}

const isOffline = ({ at }: Change, receivedAt: number) => receivedAt - Date.parse(at) > OFFLINE_AFTER_MS;

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
    const body = ofOldDevice(kept) as Change;
    if (other === account.id && body.type !== 'decide') continue; // what they signed elsewhere they may not have here
    if (body.type === 'facts')
      for (const { path } of body.facts)
        words.set(path, `${factLabel(path)}: ${valueText(path, factAt(now.case, path))} (${by})`);
    else words.set(body.type, `${CHANGES[body.type].elsewhere} (${by})`);
  }
  return [...words.values()];
}

/** Why a decision cannot be taken: what was on the screen when it was signed is not what the office has. Undefined where it is. */
async function whyNotSeen(
  tx: Transaction,
  account: Account,
  now: Inspection,
  { base, shown }: Change & { type: 'decide' },
  { clockOffMs }: Received,
): Promise<string | undefined> {
  const text = shownText(now, judged(now));
  if (sha256(text) === shown) return undefined;
  if (clockOffMs) return CLOCK_OFF;
  const since = await recordedSince(tx, account, now, base);
  if (since.length === 0)
    return 'The application on this device judges otherwise than the office’s. Load it again, look, and sign anew. Nothing was signed.';
  const named = since.slice(0, MOST_NAMED).join('; ');
  const more = since.length > MOST_NAMED ? `; and ${since.length - MOST_NAMED} more` : '';
  return `Nothing was signed, for it has changed since you looked: ${named}${more}. Look at it as it is now, and sign anew.`;
}

const CLOCK_OFF =
  'Nothing was signed: the clock of this device is wrong, and the office has dated what was recorded by its own. Look at it as it is now, and sign anew. Set the clock right.';

/** The earliest at which something can have been recorded, by the clock of the office: a signature not before the last change that its device had heard of. */
async function earliest(tx: Transaction, account: Account, change: Change): Promise<number> {
  if (change.type !== 'decide') return -Infinity;
  const ofHouse = and(eq(changes.office, account.office), eq(changes.inspection, change.inspection));
  const [heard] = await tx
    .select({ at: sql<number | null>`extract(epoch from max(${changes.receivedAt})) * 1000` })
    .from(changes)
    .where(and(ofHouse, lte(changes.revision, change.base)));
  return Number(heard?.at ?? -Infinity);
}

/** Counts the office up, and holds its count until the transaction ends: changes of an office are taken in one after the other. */
export async function counted(tx: Transaction, office: string): Promise<number> {
  const [row] = await tx
    .update(offices)
    .set({ seq: sql`${offices.seq} + 1` })
    .where(eq(offices.id, office))
    .returning({ seq: offices.seq });
  return row!.seq;
}

const ID_IN_USE = 'Something else was recorded under this number. Record it anew.';

const heldWords = (why: string) => `It is kept for the lead of the office, and not sealed: ${why}`;
const SENT_AGAIN = 'it was sent again after the office had been brought back from a backup.';
const SWITCHED_OFF = 'the account was switched off before it arrived.';
/** More than this of one account does not wait for a lead; what comes after stays on its device. */
const MOST_LATE = 2000;

async function heldBefore(tx: Transaction, account: Account, change: Change): Promise<Result | undefined> {
  const { id } = change;
  const [kept] = await tx.select({ by: held.by, why: held.why, body: held.body }).from(held).where(eq(held.id, id));
  if (!kept) return undefined;
  return kept.by === account.id && canonicalText(kept.body) === canonicalText(change)
    ? { id, status: 'held', detail: heldWords(kept.why) }
    : { id, status: 'refused', detail: ID_IN_USE };
}

/** Keeps for the lead what an account sends after it was switched off. */
async function holdLate(tx: Transaction, account: Account, change: Change): Promise<Result> {
  const waiting = await tx.$count(held, and(eq(held.by, account.id), isNull(held.settledAt)));
  return waiting < MOST_LATE
    ? hold(tx, account, change, SWITCHED_OFF)
    : { id: change.id, status: 'refused', detail: `${MOST_LATE} entries of this account wait for the lead already; this one stays on this device.` }; // prettier-ignore
}

/** Keeps a change for the lead; nothing of it is sealed. */
async function hold(tx: Transaction, account: Account, change: Change, why: string): Promise<Result> {
  const row = {
    id: change.id,
    office: account.office,
    inspection: change.inspection,
    by: account.id,
    body: asSent(change) as Change, // by the id it is known again
    why,
  };
  await tx.insert(held).values(row);
  return { id: change.id, status: 'held', detail: heldWords(why) };
}

/** An order is lifted under a permit that holds when the office hears of it, whatever the clock of the device says. Undefined where it may be. */
function whyNotLifted(before: Inspection | undefined, change: Change, receivedAt: number): string | undefined {
  if (change.type !== 'order' || change.to !== 'lifted' || !before) return undefined;
  const why = whyNoPermit(before.docket, dayAtHouse(new Date(receivedAt).toISOString()));
  return why && `The order stays in force. ${why}`;
}

/** Why a decision that was signed without signal is not sealed as it comes; undefined where it is. */
async function whyHeld(
  tx: Transaction,
  account: Account,
  now: Inspection,
  change: Change & { type: 'decide' },
  receivedAt: number,
  received: Received,
): Promise<string | undefined> {
  const [own] = await tx.select({ hours: offices.offlineHours }).from(offices).where(eq(offices.id, account.office));
  // A device whose clock is set back has signed nothing earlier by it: the password’s age counts by when the office hears of it.
  if (receivedAt - received.passwordAt > PASSWORD_LASTS_MS)
    return 'the password had been given more than a day before it arrived.';
  const lateMs = receivedAt - Date.parse(change.at);
  if (lateMs > own!.hours * HOUR_MS)
    return `it arrived ${Math.round(lateMs / HOUR_MS)} hours after it was signed, and the office takes ${own!.hours}.`;
  return whyNotSeen(tx, account, now, change, received);
}

/** The answer that a change got when it came before; undefined where it is new. One whose id was used for something else is refused, and told nothing. */
async function answeredBefore(tx: Transaction, account: Account, change: Change): Promise<Result | undefined> {
  const [known] = await tx
    .select({ revision: changes.revision, by: changes.by, body: changes.body, seal: decisions.seal })
    .from(changes)
    .leftJoin(decisions, eq(decisions.id, changes.id))
    .where(eq(changes.id, change.id));
  if (!known) return heldBefore(tx, account, change);
  if (known.by !== account.id || canonicalText(asSent(known.body)) !== canonicalText(change))
    return {
      id: change.id,
      status: 'refused',
      detail: ID_IN_USE,
    };
  const { revision, seal } = known;
  return { id: change.id, status: 'taken-before', revision, ...(seal !== null && { seal }) };
}

async function takeIn(
  tx: Transaction,
  keys: SealKeys,
  account: Account,
  change: Change,
  received: Received,
): Promise<Result> {
  const seq = await counted(tx, account.office);
  if (received.as === 'from the lead') {
    const result = await takeInNew(tx, keys, account, change, seq, received);
    const settled = 'detail' in result ? result.detail : 'taken in';
    await tx.update(held).set({ settledAt: new Date(), settled }).where(eq(held.id, change.id));
    return result;
  }
  const before = await answeredBefore(tx, account, change);
  if (before) return before;
  if (received.as === 'late') return holdLate(tx, account, change);
  if (received.clockOffMs === undefined) return takeInNew(tx, keys, account, change, seq, received);
  const now = dated(change, received.clockOffMs, await earliest(tx, account, change), received.at(change));
  const result = await takeInNew(tx, keys, account, now, seq, received);
  return now !== change && result.status === 'taken'
    ? { ...result, dated: received.clockOffMs === 0 ? 'bounds' : 'clock' }
    : result;
}

/** The rules of the office that a change puts an inspection under; undefined where it puts it under none. */
async function rulesFor(tx: Transaction, office: string, change: Change) {
  if (change.type === 'request') return newestRules(tx, office);
  const version = change.type === 'open' || change.type === 'rules' ? change.rules : undefined;
  return version === undefined ? undefined : rulesIn(tx, office, version);
}

async function takeInNew(
  tx: Transaction,
  keys: SealKeys,
  account: Account,
  change: Change,
  seq: number,
  received: Received,
): Promise<Result> {
  const before = await inspectionIn(tx, account, change.inspection, true);
  const receivedAt = received.at(change);
  const whyNotHere = whyNotTheirs(account, before, change.type);
  if (whyNotHere === undefined && change.type === 'decide' && received.as === 'again')
    return hold(tx, account, change, SENT_AGAIN);
  if (whyNotHere === undefined && change.type === 'decide' && before && isOffline(change, receivedAt)) {
    const why = await whyHeld(tx, account, before, change, receivedAt, received);
    if (why !== undefined) return hold(tx, account, change, why);
  }
  const late = whyNotHere ?? whyNotLifted(before, change, receivedAt);
  const whyNot =
    late ??
    (change.type === 'decide' && before && !isOffline(change, receivedAt)
      ? receivedAt - received.passwordAt > PASSWORD_LASTS_MS
        ? PASSWORD_AGAIN
        : await whyNotSeen(tx, account, before, change, received)
      : undefined) ??
    (await whyNotSaidBefore(tx, change)) ??
    (await whyNotSimulated(tx, account.office, change));
  if (whyNot !== undefined) return { id: change.id, status: 'refused', detail: whyNot };
  const rules = await rulesFor(tx, account.office, change);
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
    conflicts: after.conflicts ?? null,
    claimed: after.claimed ?? null,
    docket: after.docket,
    changedSinceDecision: after.changedSinceDecision,
    // By the clock of the office: what is kept how long counts by it.
    changedAt: new Date(receivedAt),
    ...summaryOf({ ...after, changedAt: new Date(receivedAt).toISOString() }),
    resting: false,
    ...(after.claimed && { selfCheck: false }),
  };
  if (before) await tx.update(inspections).set(columns).where(eq(inspections.id, after.id));
  else {
    const made = await tx
      .insert(inspections)
      .values({
        id: after.id,
        office: account.office,
        openedBy: account.id,
        selfCheck: isOutside(account.role),
        openedAt: new Date(after.openedAt),
        ...columns,
      })
      .onConflictDoNothing()
      .returning({ id: inspections.id });
    if (made.length === 0)
      return { id: change.id, status: 'refused', detail: 'An inspection with this id is open elsewhere.' };
    if (isOutside(account.role))
      await tx
        .insert(parties)
        .values({ office: account.office, inspection: after.id, account: account.id, by: account.id });
  }
  await writeDocketRows(tx, account.office, after.id, before?.docket, after.docket);
  await tx.insert(changes).values({
    id: change.id,
    office: account.office,
    inspection: after.id,
    revision,
    by: account.id,
    body: change,
    receivedAt: new Date(receivedAt),
  });
  if (change.type === 'order' || change.type === 'paper') await sealMove(tx, keys, account, change, revision);
  if (change.type !== 'decide') return { id: change.id, status: 'taken', revision };
  const seal = await sealed(tx, keys, account, before!, after, change, revision, receivedAt);
  if (account.role === 'lead') await settleHeld(tx, change.inspection, change.id);
  return { id: change.id, status: 'taken', revision, seal };
}

/** What was held of an inspection is settled by the lead's own decision on it. */
const settleHeld = (tx: Transaction, inspection: string, decision: string) =>
  tx
    .update(held)
    .set({ settledAt: new Date(), settled: decision })
    .where(and(eq(held.inspection, inspection), isNull(held.settledAt)));

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
  received: Received = { at: () => Date.now(), passwordAt: Date.now() },
): Promise<Result[]> {
  const results: Result[] = [];
  for (const data of all) {
    try {
      const change = readChange(data);
      results.push(await door.inOffice(account.office, (tx) => takeIn(tx, keys, account, change, received)));
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
