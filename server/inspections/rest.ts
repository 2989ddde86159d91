import { and, eq, lte, sql } from 'drizzle-orm';
import type { Door, Transaction } from '../database/client';
import { inspections, offices } from '../database/schema';

/** Puts to rest what nobody needs at hand any longer in an office, each under a count of its own, so that devices hear of it in portions. */
async function restIn(tx: Transaction, office: string, today: string): Promise<number> {
  await tx.select({ id: offices.id }).from(offices).where(eq(offices.id, office)).for('update');
  const due = and(eq(inspections.office, office), eq(inspections.resting, false), lte(inspections.restsOn, today));
  const counted = tx.$with('counted').as(
    tx
      .select({ id: inspections.id, n: sql<number>`row_number() over (order by ${inspections.id})`.as('n') })
      .from(inspections)
      .where(due),
  );
  const rested = await tx
    .with(counted)
    .update(inspections)
    .set({
      resting: true,
      seq: sql`(select seq from ${offices} where ${offices.id} = ${office}) + ${counted.n}`,
    })
    .from(counted)
    .where(and(eq(inspections.office, office), eq(inspections.id, counted.id)))
    .returning({ seq: inspections.seq });
  if (rested.length > 0)
    await tx
      .update(offices)
      .set({ seq: Math.max(...rested.map(({ seq }) => seq)) })
      .where(eq(offices.id, office));
  return rested.length;
}

/** Puts to rest, in every office, what is finished and was left alone long enough; resolves with how many. */
export async function putToRest(door: Door, today = new Date().toISOString().slice(0, 10)): Promise<number> {
  let rested = 0;
  for (const office of await door.officeIds()) rested += await door.inOffice(office, (tx) => restIn(tx, office, today));
  return rested;
}
