import { and, asc, eq, isNull, lte } from 'drizzle-orm';
import { DECISIONS, isApproval, type DecisionKind } from '@careful-latch/core/record';
import type { Door, Transaction } from '../database/client';
import { inspections, permitPosts } from '../database/schema';
import { PermitRefused, type PermitService } from './service';

/** Puts a decision into the permit office’s outbox, in the transaction that seals it; a house without a permit has nothing to tell. */
export async function postResult(
  tx: Transaction,
  post: {
    id: string;
    office: string;
    inspection: string;
    kind: DecisionKind;
    /** The day at the office. */
    day: string;
    number: string;
    permit: string;
  },
): Promise<void> {
  const { id, office, inspection, kind, day, number, permit } = post;
  if (permit === '') return;
  const body = { permit, decision: DECISIONS[kind], day, record: number, final: isApproval(kind) };
  await tx.insert(permitPosts).values({ id, office, inspection, body });
}

const PORTION = 20;
const FIRST_WAIT_MS = 5_000;
const LONGEST_WAIT_MS = 3600_000;

/** How long is waited before the next try: twice as long each time, up to an hour. */
export const waitMs = (tries: number): number => Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** Math.min(tries, 20));

/**
 * Tells the permit office what waits for it in every outbox, in the order in which it was decided. The rows stay locked while it
 * is told, so that of several processes one does; should the answer be lost, the key makes the second telling the same one.
 * Resolves with how many were delivered.
 */
export async function deliver(door: Door, service: PermitService, now = new Date()): Promise<number> {
  let delivered = 0;
  for (const office of await door.officeIds())
    delivered += await door.inOffice(office, async (tx) => {
      const rows = await tx
        .select({ id: permitPosts.id, body: permitPosts.body, tries: permitPosts.tries, permit: inspections.permit })
        .from(permitPosts)
        .innerJoin(
          inspections,
          and(eq(inspections.office, permitPosts.office), eq(inspections.id, permitPosts.inspection)),
        )
        .where(and(isNull(permitPosts.deliveredAt), isNull(permitPosts.refusedAt), lte(permitPosts.nextAt, now)))
        .orderBy(asc(permitPosts.madeAt))
        .limit(PORTION)
        .for('update', { of: permitPosts, skipLocked: true });
      let done = 0;
      for (const { id, body, tries, permit } of rows) {
        const set = (values: Partial<typeof permitPosts.$inferInsert>) =>
          tx.update(permitPosts).set(values).where(eq(permitPosts.id, id));
        try {
          // The number as it stands now: a wrong one was what was mended.
          const result = { ...body, permit: permit || body.permit };
          await set({
            answer: await service.tell(id, result),
            deliveredAt: now,
            trouble: null,
            tries: tries + 1,
            body: result,
          });
          done++;
        } catch (error) {
          const trouble = (error as Error).message;
          if (error instanceof PermitRefused) await set({ trouble, refusedAt: now, tries: tries + 1 });
          else {
            await set({ trouble, tries: tries + 1, nextAt: new Date(now.getTime() + waitMs(tries)) });
            break; // it is away; the others wait with it
          }
        }
      }
      return done;
    });
  return delivered;
}
