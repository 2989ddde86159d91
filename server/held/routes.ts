import { and, asc, eq, isNull } from 'drizzle-orm';
import { Router } from 'express';
import { object, string } from 'yup';
import type { Door } from '../database/client';
import { accounts, held, inspections } from '../database/schema';
import type { SealKeys } from '../ledger/keys';
import { logPeople } from '../ledger/ledger';
import { Problem } from '../problems';
import { csrfProtection } from '../sessions/routes';
import { accountOf, requireAccount, requireLead } from '../sessions/session';

const id = string().uuid('The address names nothing that is held.').required();
const settleSchema = object({
  words: string()
    .trim()
    .min(10, 'Say why it stays unsealed, in at least 10 characters.')
    .max(500, 'The reason: at most 500 characters.')
    .required('Say why it stays unsealed.'),
});

/** Decisions that were signed without signal and could not be sealed: shown to whoever signed, and to the lead, who settles them. */
export function heldRoutes(door: Door, keys: SealKeys): Router {
  const router = Router();
  router.get('/held', requireAccount, async (request, response) => {
    const { id: own, office, role } = accountOf(request);
    const rows = await door.inOffice(office, (tx) =>
      tx
        .select({
          id: held.id,
          inspection: held.inspection,
          address: inspections.address,
          by: accounts.name,
          body: held.body,
          why: held.why,
          receivedAt: held.receivedAt,
        })
        .from(held)
        .innerJoin(inspections, and(eq(inspections.office, held.office), eq(inspections.id, held.inspection)))
        .innerJoin(accounts, eq(accounts.id, held.by))
        .where(and(eq(held.office, office), isNull(held.settledAt), role === 'lead' ? undefined : eq(held.by, own)))
        .orderBy(asc(held.receivedAt)),
    );
    response.json({
      held: rows.map(({ body, receivedAt, ...row }) => ({
        ...row,
        decision: body.type === 'decide' ? body.decision.kind : null,
        signedAt: body.at,
        receivedAt: receivedAt.toISOString(),
      })),
    });
  });

  router.post('/held/:id', requireAccount, requireLead, csrfProtection, async (request, response) => {
    const account = accountOf(request);
    const which = id.validateSync(request.params.id);
    const { words } = settleSchema.validateSync(request.body);
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
