import { and, asc, eq, lte } from 'drizzle-orm';
import { canonicalText, type Change } from '@careful-latch/core/record';
import type { Door, Transaction } from '../database/client';
import type { rules } from '../database/schema';
import { changes, decisions, inspections, ledger, offices } from '../database/schema';
import { sealOf } from '../inspections/seal';
import { inLog } from './hidden';
import type { SealKeys } from './keys';
import { numberOf, sha256, type Line } from './line';

type Said = Omit<Line, 'v' | 'office' | 'n' | 'prev' | 'at'>;

/** Writes a line under the office’s lock, which the transaction must hold; resolves with the line. */
async function append(tx: Transaction, keys: SealKeys, office: string, said: Said, signer?: string): Promise<Line> {
  const [{ n, head }] = (await tx
    .select({ n: offices.ledgerN, head: offices.ledgerHead })
    .from(offices)
    .where(eq(offices.id, office))) as [{ n: number; head: string }];
  const line: Line = { v: 1, office, n: n + 1, prev: head, at: new Date().toISOString(), ...said };
  const jws = await keys.sign(line, signer);
  await tx.insert(ledger).values({ office, n: line.n, kind: line.kind, subject: line.subject, jws });
  await tx
    .update(offices)
    .set({ ledgerN: line.n, ledgerHead: sha256(jws) })
    .where(eq(offices.id, office));
  return line;
}

/** SHA-256 over the changes of an inspection up to a revision, each hashed with those before it; names as salted hashes. */
async function logOf(tx: Transaction, inspection: string, revision: number): Promise<string> {
  const rows = await tx
    .select({ body: changes.body, salt: inspections.salt })
    .from(changes)
    .innerJoin(inspections, and(eq(inspections.office, changes.office), eq(inspections.id, changes.inspection)))
    .where(and(eq(changes.inspection, inspection), lte(changes.revision, revision)))
    .orderBy(asc(changes.revision));
  return rows.reduce((log, { body, salt }) => sha256(log + canonicalText(inLog(body, salt))), '');
}

type Decided = typeof decisions.$inferSelect;

/** What the ledger says of a decision. */
export async function saidOf(tx: Transaction, row: Decided): Promise<Omit<Said, 'kind'>> {
  return {
    subject: row.id,
    inspection: row.inspection,
    revision: row.revision,
    record: sealOf(row.record),
    log: await logOf(tx, row.inspection, row.revision),
    decided: row.kind,
    by: row.by,
    signedAt: row.signedAt.toISOString(),
  };
}

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

/** Writes down who did what to an account. Takes the office’s lock. */
export async function logPeople(
  tx: Transaction,
  keys: SealKeys,
  by: { readonly id: string; readonly office: string },
  subject: string,
  did: string,
): Promise<void> {
  await tx.select({ id: offices.id }).from(offices).where(eq(offices.id, by.office)).for('update');
  await append(tx, keys, by.office, { kind: 'people', subject, by: by.id, did });
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
      if (before!.n > 0) return;
      const older = await tx
        .select({ decision: decisions })
        .from(decisions)
        .innerJoin(inspections, eq(inspections.id, decisions.inspection))
        .where(eq(inspections.office, office))
        .orderBy(asc(decisions.signedAt), asc(decisions.revision));
      for (const { decision } of older.filter((one) => sealOf(one.decision.record) === one.decision.seal))
        await append(tx, keys, office, { kind: 'older-decision', ...(await saidOf(tx, decision)) });
    });
}
