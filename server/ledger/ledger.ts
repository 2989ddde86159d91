import { and, asc, desc, eq, gt, sql } from 'drizzle-orm';
import type { AnyPgColumn } from 'drizzle-orm/pg-core';
import { decodeJwt } from 'jose';
import { canonicalText, type Change } from '@careful-latch/core/record';
import type { Door, Transaction } from '../database/client';
import { accounts, decisions, inspections, ledger, offices, rules, signedLogs } from '../database/schema';
import { sealOf, type SealedRecord } from '../inspections/seal';
import type { SealKeys } from './keys';
import { logOf } from './log';
import { stateHash } from './told';
import { numberOf, sha256, type Line } from './line';

type Said = Omit<Line, 'v' | 'office' | 'n' | 'prev' | 'at'>;

/** Writes a line under the office’s lock, which the transaction must hold; resolves with the line. */
async function append(tx: Transaction, keys: SealKeys, office: string, said: Said, signer?: string): Promise<Line> {
  const [{ n, head }] = (await tx
    .select({ n: offices.ledgerN, head: offices.ledgerHead })
    .from(offices)
    .where(eq(offices.id, office))) as [{ n: number; head: string }];
  const line: Line = { v: 2, office, n: n + 1, prev: head, at: new Date().toISOString(), ...said };
  const jws = await keys.sign(line, signer);
  await tx.insert(ledger).values({ office, n: line.n, kind: line.kind, subject: line.subject, jws });
  await tx
    .update(offices)
    .set({ ledgerN: line.n, ledgerHead: sha256(jws) })
    .where(eq(offices.id, office));
  return line;
}

type Decided = typeof decisions.$inferSelect;

/** What the ledger says of a decision, in a line of a version. */
export async function saidOf(tx: Transaction, row: Decided, v: Line['v'] = 2): Promise<Omit<Said, 'kind'>> {
  const { record } = row;
  return {
    subject: row.id,
    inspection: row.inspection,
    revision: row.revision,
    record: sealOf(record),
    log: (await logOf(tx, row.inspection, v, row.revision)).log,
    decided: row.kind,
    by: row.by,
    signedAt: row.signedAt.toISOString(),
    ...judgedIn(record, v),
  };
}

/** Under which rules a record was judged, and whether a hazard stood in it; lines of version 1 do not say. */
const judgedIn = ({ rules: under, evaluation }: SealedRecord, v: Line['v']): Pick<Line, 'rules' | 'hazard'> =>
  v === 1
    ? {}
    : {
        rules: under?.version ?? null,
        hazard: evaluation.outcomes.some((one) => one.outcome === 'violation' && one.severity === 'hazard'),
      };

/** Seals a decision: a signed line in the office’s ledger. Resolves with the number that its papers have. */
export async function sealInLedger(tx: Transaction, keys: SealKeys, office: string, row: Decided): Promise<string> {
  return numberOf(await append(tx, keys, office, { kind: 'decision', ...(await saidOf(tx, row)) }));
}

/** Seals what nobody signs by hand and everybody must be able to prove: an order limited or lifted, a decision made void. */
export async function sealMove(
  tx: Transaction,
  keys: SealKeys,
  by: { readonly id: string; readonly office: string },
  change: Change & { type: 'order' | 'paper' },
  revision: number,
): Promise<void> {
  const { id, inspection, at, to } = change;
  const record = sha256(canonicalText(change));
  const did = `${change.type === 'order' ? 'order' : 'decision'}: ${to}`;
  await append(tx, keys, by.office, {
    kind: 'move',
    subject: id,
    inspection,
    revision,
    record,
    by: by.id,
    signedAt: at,
    did,
  });
}

/** Writes down which rules an office has adopted, under the office’s lock. */
export async function sealRules(tx: Transaction, keys: SealKeys, row: typeof rules.$inferInsert): Promise<void> {
  const { office, version, by } = row;
  await append(tx, keys, office, { kind: 'rules', subject: String(version), record: rulesHash(row), by });
}

/** After an older backup came back: the ledger goes on behind the highest number that is known, and says which lines are lost. Resolves with its number. */
export async function sealRestored(
  tx: Transaction,
  keys: SealKeys,
  office: string,
  epoch: string,
  known: number,
): Promise<number> {
  const [before] = await tx.select({ n: offices.ledgerN }).from(offices).where(eq(offices.id, office));
  await tx.update(offices).set({ ledgerN: known }).where(eq(offices.id, office));
  const did = `brought back from a backup: lines ${before!.n + 1} to ${known} are lost`;
  return (await append(tx, keys, office, { kind: 'restored', subject: epoch, did })).n;
}

/** SHA-256 over what was adopted, and why. */
export const rulesHash = ({ profile, reason }: Pick<typeof rules.$inferInsert, 'profile' | 'reason'>): string =>
  sha256(canonicalText({ profile, reason }));

/** Writes down who did what to an account, and how it stands after that. Takes the office’s lock. */
export async function logPeople(
  tx: Transaction,
  keys: SealKeys,
  by: { readonly id: string; readonly office: string },
  subject: string,
  did: string,
): Promise<void> {
  await tx.select({ id: offices.id }).from(offices).where(eq(offices.id, by.office)).for('update');
  await append(tx, keys, by.office, { kind: 'people', subject, by: by.id, did, ...(await standingOf(tx, subject)) });
}

/** How an account stands, for its line; nothing where the line is about something else. */
async function standingOf(tx: Transaction, subject: string): Promise<Pick<Line, 'record'>> {
  const [account] = await tx
    .select()
    .from(accounts)
    .where(sql`${accounts.id}::text = ${subject}`);
  return account ? { record: accountHash(account) } : {};
}

/** SHA-256 over what an account is: its name, and what it may do. */
export const accountHash = ({ id, login, name, role, firm, active }: typeof accounts.$inferSelect): string =>
  sha256(canonicalText({ id, login, name, role, firm, active }));

/** Signs how far the log of each house has come that no line has signed yet. One line a day, and none where nothing is new. */
export async function sealDay(tx: Transaction, keys: SealKeys, office: string): Promise<void> {
  const day = new Date().toISOString().slice(0, 10);
  await tx.select({ id: offices.id }).from(offices).where(eq(offices.id, office)).for('update');
  const said = await tx.$count(ledger, and(eq(ledger.office, office), eq(ledger.kind, 'day'), eq(ledger.subject, day)));
  if (said > 0) return;
  await sealLogs(tx, keys, office, day);
}

/** How far the log of a house is signed, by a decision’s line or a day’s. Of the row of an outer query, by its columns of office and house. */
export const signedUpTo = (ofOffice: AnyPgColumn, house: AnyPgColumn) => sql`greatest(
  coalesce((select max(d.revision) from ${decisions} d where d.office = ${ofOffice} and d.inspection = ${house}), 0),
  coalesce((select max(s.revision) from ${signedLogs} s where s.office = ${ofOffice} and s.inspection = ${house}), 0))`;

async function sealLogs(tx: Transaction, keys: SealKeys, office: string, day: string, older = false): Promise<void> {
  const houses = await tx
    .select({ id: inspections.id })
    .from(inspections)
    .where(
      and(
        eq(inspections.office, office),
        older ? undefined : gt(inspections.revision, signedUpTo(inspections.office, inspections.id)),
      ),
    )
    .orderBy(asc(inspections.id));
  const rows: (typeof signedLogs.$inferInsert)[] = [];
  const [{ n }] = (await tx.select({ n: offices.ledgerN }).from(offices).where(eq(offices.id, office))) as [
    { n: number },
  ];
  for (const { id } of houses) {
    const { log, revision } = await logOf(tx, id, 2);
    const stands = older ? await stateHash(tx, id) : null;
    rows.push({ office, line: n + 1, inspection: id, revision, log, stands });
  }
  if (rows.length === 0) return;
  for (let i = 0; i < rows.length; i += PORTION) await tx.insert(signedLogs).values(rows.slice(i, i + PORTION));
  await append(tx, keys, office, { kind: 'day', subject: day, record: rowsHash(rows) });
}
const PORTION = 500;

/** SHA-256 over the rows that a day’s line signs, in the order of their houses. */
export const rowsHash = (rows: readonly (typeof signedLogs.$inferInsert)[]): string =>
  sha256(rows.map((one) => `${one.inspection} ${one.revision} ${one.log} ${one.stands ?? ''}\n`).join(''));

/** Whether no line yet says how accounts stand and who sent what: an office that is new, or whose ledger is of before. */
async function isOfBefore(tx: Transaction, office: string): Promise<boolean> {
  const [last] = await tx
    .select({ jws: ledger.jws })
    .from(ledger)
    .where(eq(ledger.office, office))
    .orderBy(desc(ledger.n))
    .limit(1);
  return !last || (decodeJwt(last.jws) as unknown as Line).v === 1;
}

/** What was there before lines said so: each account as it stands, rules that have no line, and each house with its log. */
async function sealOlder(tx: Transaction, keys: SealKeys, office: string): Promise<void> {
  const did = 'stands so where lines about accounts begin';
  for (const one of await tx.select().from(accounts).where(eq(accounts.office, office)).orderBy(asc(accounts.id)))
    await append(tx, keys, office, { kind: 'people', subject: one.id, did, record: accountHash(one) });
  const known = await tx
    .select({ subject: ledger.subject })
    .from(ledger)
    .where(and(eq(ledger.office, office), eq(ledger.kind, 'rules')));
  for (const one of await tx.select().from(rules).where(eq(rules.office, office)).orderBy(asc(rules.version)))
    if (!known.some(({ subject }) => subject === String(one.version))) await sealRules(tx, keys, one);
  await sealLogs(tx, keys, office, new Date().toISOString().slice(0, 10), true);
}

/**
 * At the start: every key of the file gets its line once; and where an office's ledger only begins, so does every decision that
 * was sealed before there was one, if its seal holds. Later none does: one that was put in beside the office must be found.
 */
export async function bringUp(door: Door, keys: SealKeys): Promise<void> {
  for (const office of await door.officeIds())
    await door.inOffice(office, async (tx) => {
      const [before] = await tx
        .select({ n: offices.ledgerN })
        .from(offices)
        .where(eq(offices.id, office))
        .for('update');
      const ofBefore = await isOfBefore(tx, office);
      const known = await tx
        .select({ subject: ledger.subject })
        .from(ledger)
        .where(and(eq(ledger.office, office), eq(ledger.kind, 'key')));
      // The first key vouches for itself, each later one is vouched for by the one before.
      for (const [i, key] of keys.publicKeys.entries())
        if (!known.some(({ subject }) => subject === key.kid))
          await append(
            tx,
            keys,
            office,
            { kind: 'key', subject: key.kid!, key },
            keys.publicKeys[Math.max(0, i - 1)]!.kid,
          );
      if (before!.n === 0) {
        const older = await tx
          .select({ decision: decisions })
          .from(decisions)
          .innerJoin(inspections, eq(inspections.id, decisions.inspection))
          .where(eq(inspections.office, office))
          .orderBy(asc(decisions.signedAt), asc(decisions.revision));
        for (const { decision } of older.filter((one) => sealOf(one.decision.record) === one.decision.seal))
          await append(tx, keys, office, { kind: 'older-decision', ...(await saidOf(tx, decision)) });
      }
      if (ofBefore) await sealOlder(tx, keys, office);
    });
}
