import { and, asc, eq, isNull, not, sql, type SQL } from 'drizzle-orm';
import { Router } from 'express';
import { boolean, object, string } from 'yup';
import type { Change } from '@careful-latch/core/record';
import { takeInAll } from '../changes/apply';
import { bodyOf } from '../as-sent';
import type { Door, Transaction } from '../database/client';
import { accounts, held, inspections } from '../database/schema';
import type { SealKeys } from '../ledger/keys';
import { logPeople } from '../ledger/ledger';
import { Problem } from '../problems';
import { csrfProtection } from '../sessions/routes';
import { accountOf, requireAccount, requireLead } from '../sessions/session';

const id = string().uuid('The address names nothing that is held.').required();
export const leftOutSchema = object({
  words: string()
    .trim()
    .min(10, 'Say why it stays unsealed, in at least 10 characters.')
    .max(500, 'The reason: at most 500 characters.')
    .required('Say why it stays unsealed.'),
});

export const heldEntriesSchema = object({
  inspection: string().uuid('The inspection is named by its id.').required('Name the inspection.'),
  by: string().uuid('A person is named by their id.').required('Say whose.'),
  take: boolean().required('Say whether it is taken in.'),
  words: string().trim().max(500, 'The reason: at most 500 characters.').default(''),
}).test(
  'why',
  'Say why it is left out, in at least 10 characters.',
  ({ take, words }) => take === true || (words ?? '').length >= 10,
);

const isDecision = sql`${held.body}->>'type' = 'decide'`;
/** Of a house that the office has not heard of, too: it was opened without signal. */
const addressOfHeld = sql<string>`coalesce(${inspections.address}, (select o.body->'header'->>'address' from ${held} o where o.office = ${held.office} and o.inspection = ${held.inspection} and o.body->>'type' = 'open' limit 1), '')`;

/** What waits that is no decision: by house and author. */
const entriesOf = (tx: Transaction, which: SQL | undefined) =>
  tx
    .select({
      inspection: held.inspection,
      by: held.by,
      name: accounts.name,
      address: sql<string>`min(${addressOfHeld})`,
      entries: sql<number>`count(*)::int`,
      from: sql<string>`min(${held.body}->>'at')`,
      to: sql<string>`max(${held.body}->>'at')`,
      /** What they say, fact by fact. */
      facts: sql<
        { path: string; value: string | number | null }[][]
      >`coalesce(json_agg(${held.body}->'facts' order by ${held.receivedAt}) filter (where ${held.body}->>'type' = 'facts'), '[]')`,
    })
    .from(held)
    .leftJoin(inspections, and(eq(inspections.office, held.office), eq(inspections.id, held.inspection)))
    .innerJoin(accounts, eq(accounts.id, held.by))
    .where(and(isNull(held.settledAt), not(isDecision), which))
    .groupBy(held.inspection, held.by, accounts.name)
    .orderBy(sql`min(${held.receivedAt})`);

/** What waits for the lead: decisions that were signed without signal and could not be sealed, shown to whoever signed too; and what came from who was switched off. */
export function heldRoutes(door: Door, keys: SealKeys): Router {
  const router = Router();
  router.get('/held', requireAccount, async (request, response) => {
    const { id: own, office, role } = accountOf(request);
    const whose = role === 'lead' ? undefined : eq(held.by, own);
    const [rows, entries] = await door.inOffice(office, async (tx) => {
      const decisions = await tx
        .select({
          id: held.id,
          inspection: held.inspection,
          address: addressOfHeld,
          by: accounts.name,
          body: held.body,
          why: held.why,
          receivedAt: held.receivedAt,
        })
        .from(held)
        .leftJoin(inspections, and(eq(inspections.office, held.office), eq(inspections.id, held.inspection)))
        .innerJoin(accounts, eq(accounts.id, held.by))
        .where(and(isNull(held.settledAt), isDecision, whose))
        .orderBy(asc(held.receivedAt));
      return [decisions, await entriesOf(tx, whose)] as const;
    });
    response.json({
      entries: entries.map(({ facts, ...one }) => ({
        ...one,
        facts: facts.flat().map(({ path, value }) => ({ path, value })),
      })),
      held: rows.map(({ body, receivedAt, ...row }) => ({
        ...row,
        decision: body.type === 'decide' ? body.decision.kind : null,
        signedAt: body.at,
        receivedAt: receivedAt.toISOString(),
      })),
    });
  });

  /** What somebody sent after they were switched off, of one house: taken in as theirs, in its order, or left out as a whole. */
  router.post('/held', requireAccount, requireLead, csrfProtection, async (request, response) => {
    const account = accountOf(request);
    const { inspection, by, take, words } = bodyOf(heldEntriesSchema, request);
    const which = and(eq(held.inspection, inspection), eq(held.by, by), isNull(held.settledAt), not(isDecision));
    const [author, rows] = await door.inOffice(account.office, async (tx) => {
      const [known] = await tx.select().from(accounts).where(eq(accounts.id, by));
      const waiting = await tx.select().from(held).where(which).orderBy(asc(held.receivedAt));
      if (!known || waiting.length === 0)
        throw new Problem(404, 'Not found', 'Nothing of theirs waits for this house.');
      const { id: self, office, login, name, role, firm } = known;
      await logPeople(tx, keys, account, by, `${take ? 'took in' : 'left out'} ${waiting.length} entries that ${name} sent after being switched off${take ? '' : `: ${words}`}`); // prettier-ignore
      if (!take) await tx.update(held).set({ settledAt: new Date(), settled: words }).where(which);
      return [{ id: self, office, login, name, role, firm }, waiting] as const;
    });
    if (!take) return void response.json({ taken: 0, refused: [] });
    const cameAt = new Map(rows.map(({ id: change, receivedAt }) => [change, receivedAt.getTime()]));
    const received = { at: (change: Change) => cameAt.get(change.id)!, passwordAt: 0, as: 'from the lead' } as const;
    const results = await takeInAll(door, keys, author, rows.map(({ body }) => body), received); // prettier-ignore
    const refused = results.flatMap((one) => ('detail' in one ? [one.detail] : []));
    response.json({ taken: results.length - refused.length, refused });
  });

  router.post('/held/:id', requireAccount, requireLead, csrfProtection, async (request, response) => {
    const account = accountOf(request);
    const which = id.validateSync(request.params.id);
    const { words } = bodyOf(leftOutSchema, request);
    await door.inOffice(account.office, async (tx) => {
      const [row] = await tx
        .update(held)
        .set({ settledAt: new Date(), settled: words })
        .where(and(eq(held.office, account.office), eq(held.id, which), isNull(held.settledAt)))
        .returning({ by: held.by });
      if (!row) throw new Problem(404, 'Not found', 'There is no such decision that waits.');
      await logPeople(tx, keys, account, row.by, `left the held decision ${which} unsealed: ${words}`);
    });
    response.json({ done: true });
  });
  return router;
}
