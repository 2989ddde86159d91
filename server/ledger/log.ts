import { and, asc, eq, lte } from 'drizzle-orm';
import { canonicalText } from '@careful-latch/core/record';
import type { Transaction } from '../database/client';
import { changes, inspections } from '../database/schema';
import { inLog } from './hidden';
import { sha256, type Line } from './line';

/**
 * SHA-256 over the changes of an inspection up to a revision, each hashed with those before it, names as salted hashes; from version 2
 * on with who sent each and when it came. Resolves with the last revision that there is, too.
 */
export async function logOf(
  tx: Transaction,
  inspection: string,
  v: Line['v'],
  upTo = Number.MAX_SAFE_INTEGER,
): Promise<{ readonly log: string; readonly revision: number }> {
  const rows = await tx
    .select({
      body: changes.body,
      by: changes.by,
      revision: changes.revision,
      receivedAt: changes.receivedAt,
      salt: inspections.salt,
    })
    .from(changes)
    .innerJoin(inspections, and(eq(inspections.office, changes.office), eq(inspections.id, changes.inspection)))
    .where(and(eq(changes.inspection, inspection), lte(changes.revision, Math.min(upTo, 2_147_483_647))))
    .orderBy(asc(changes.revision));
  const log = rows.reduce((before, { body, salt, by, revision, receivedAt }) => {
    const sealed = inLog(body, salt);
    return sha256(
      before + canonicalText(v === 1 ? sealed : { body: sealed, by, revision, receivedAt: receivedAt.toISOString() }),
    );
  }, '');
  return { log, revision: rows.at(-1)?.revision ?? 0 };
}
