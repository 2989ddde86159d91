import { eq } from 'drizzle-orm';
import { applyChange, type Change, type Inspection } from '@careful-latch/core/record';
import { evaluate } from '@careful-latch/core/verdict';
import type { Database, Transaction } from '../database/client';
import { changes, decisions, inspections, offices } from '../database/schema';
import { inspectionIn } from '../inspections/queries';
import { sealOf, type SealedRecord } from '../inspections/seal';
import { requireInspector, type Account } from '../sessions/session';
import { Problem } from '../problems';

type Result =
  | { readonly id: string; readonly status: 'taken' | 'taken-before'; readonly revision: number }
  | { readonly id: string; readonly status: 'refused'; readonly detail: string };

async function seal(
  tx: Transaction,
  account: Account,
  before: Inspection,
  after: Inspection,
  change: Change & { type: 'decide' },
  revision: number,
) {
  const [office] = await tx
    .select({ id: offices.id, name: offices.name })
    .from(offices)
    .where(eq(offices.id, account.office));
  const record: SealedRecord = {
    inspection: after.id,
    revision,
    header: after.header,
    case: after.case,
    evaluation: evaluate(after.case),
    decision: after.decisions.at(-1)!,
    signedBy: { account: account.id, name: account.name },
    office: office!,
    previousSeal: before.decisions.at(-1)?.seal ?? null,
  };
  await tx.insert(decisions).values({
    id: change.id,
    inspection: after.id,
    revision,
    by: account.id,
    kind: change.decision.kind,
    signedAt: new Date(change.at),
    record,
    seal: sealOf(record),
  });
}

async function takeIn(tx: Transaction, account: Account, change: Change): Promise<Result> {
  const [known] = await tx.select({ revision: changes.revision }).from(changes).where(eq(changes.id, change.id));
  if (known) return { id: change.id, status: 'taken-before', revision: known.revision };
  if (change.type === 'decide') requireInspector(account);
  const before = await inspectionIn(tx, account.office, change.inspection, true);
  const applied = applyChange(before, change);
  if (!applied.ok) return { id: change.id, status: 'refused', detail: applied.why };
  const after = applied.inspection;
  const revision = (before?.revision ?? 0) + 1;
  const columns = {
    revision,
    ...after.header,
    case: after.case,
    changedSinceDecision: after.changedSinceDecision,
    changedAt: new Date(after.changedAt),
  };
  if (before) await tx.update(inspections).set(columns).where(eq(inspections.id, after.id));
  else {
    const made = await tx
      .insert(inspections)
      .values({ id: after.id, office: account.office, openedAt: new Date(after.openedAt), ...columns })
      .onConflictDoNothing()
      .returning({ id: inspections.id });
    if (made.length === 0)
      return { id: change.id, status: 'refused', detail: 'An inspection with this id is open elsewhere.' };
  }
  await tx.insert(changes).values({ id: change.id, inspection: after.id, revision, by: account.id, body: change });
  if (change.type === 'decide') await seal(tx, account, before!, after, change, revision);
  return { id: change.id, status: 'taken', revision };
}

/** Takes in changes in their order, each by itself: one that is refused does not hold up the others, and none is taken twice. */
export async function takeInAll(db: Database, account: Account, all: readonly Change[]): Promise<Result[]> {
  const results: Result[] = [];
  for (const change of all) {
    try {
      results.push(await db.transaction((tx) => takeIn(tx, account, change)));
    } catch (error) {
      if (!(error instanceof Problem)) throw error;
      results.push({ id: change.id, status: 'refused', detail: error.detail });
    }
  }
  return results;
}
