import { and, asc, desc, eq, inArray, type SQL } from 'drizzle-orm';
import type { Inspection, Signed } from '@careful-latch/core/record';
import type { Database, Transaction } from '../database/client';
import { decisions, inspections } from '../database/schema';
import type { Account } from '../sessions/session';

type Row = typeof inspections.$inferSelect;
type SignedRow = { seal: string; record: typeof decisions.$inferSelect.record };

const signed = ({ record, seal }: SignedRow): Signed => ({ ...record.decision, seal });

function inspectionOf(row: Row, own: readonly SignedRow[]): Inspection {
  return {
    id: row.id,
    revision: row.revision,
    header: { address: row.address, owner: row.owner, permit: row.permit, edition: row.edition },
    case: row.case,
    openedAt: row.openedAt.toISOString(),
    changedAt: row.changedAt.toISOString(),
    decisions: own.map(signed),
    evidence: row.evidence,
    changedSinceDecision: row.changedSinceDecision,
  };
}

const decisionColumns = { inspection: decisions.inspection, seal: decisions.seal, record: decisions.record };

/** What somebody may see: an inspector all of the office, a contractor what he opened himself. */
export const seenBy = ({ id, office, role }: Account): SQL | undefined =>
  and(eq(inspections.office, office), role === 'contractor' ? eq(inspections.openedBy, id) : undefined);

/** All inspections that somebody may see, the last changed first. */
export async function inspectionsOf(db: Database, account: Account): Promise<Inspection[]> {
  const rows = await db.select().from(inspections).where(seenBy(account)).orderBy(desc(inspections.changedAt));
  if (rows.length === 0) return [];
  const made = await db
    .select(decisionColumns)
    .from(decisions)
    .where(
      inArray(
        decisions.inspection,
        rows.map((row) => row.id),
      ),
    )
    .orderBy(asc(decisions.revision));
  const byInspection = grouped(made);
  return rows.map((row) => inspectionOf(row, byInspection.get(row.id) ?? []));
}

function grouped<T extends { inspection: string }>(all: readonly T[]): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const one of all) groups.set(one.inspection, [...(groups.get(one.inspection) ?? []), one]);
  return groups;
}

/** One inspection that somebody may see, or undefined; `lock` holds its row until the transaction ends. */
export async function inspectionIn(
  db: Database | Transaction,
  account: Account,
  id: string,
  lock = false,
): Promise<Inspection | undefined> {
  const query = db
    .select()
    .from(inspections)
    .where(and(eq(inspections.id, id), seenBy(account)));
  const [row] = lock ? await query.for('update') : await query;
  if (!row) return undefined;
  const made = await db
    .select(decisionColumns)
    .from(decisions)
    .where(eq(decisions.inspection, id))
    .orderBy(asc(decisions.revision));
  return inspectionOf(row, made);
}
