import { and, desc, eq, isNull } from 'drizzle-orm';
import { Router } from 'express';
import { object, string } from 'yup';
import { queryOf } from '../as-sent';
import type { Door } from '../database/client';
import { inspections, permitPosts } from '../database/schema';
import { Problem } from '../problems';
import { csrfProtection } from '../sessions/routes';
import { accountOf, requireAccount, requireInspector } from '../sessions/session';
import { PermitRefused, type PermitService } from './service';

const MOST = 100;
const id = string().uuid('The address names nothing that was sent.').required();
export const findPermitSchema = object({
  number: string().trim().max(60, 'A permit number has at most 60 characters.'),
  address: string().trim().max(200, 'An address has at most 200 characters.'),
});
const NONE = new Problem(404, 'No permit service', 'This office is connected to no permit service.');

/** Permits looked up at the permit office, and what it was told: what waits, what it refused, and the way to send that again. */
export function permitRoutes(door: Door, service: PermitService | undefined, wake: () => void): Router {
  const router = Router();
  router.get('/permits', requireAccount, async (request, response) => {
    requireInspector(accountOf(request));
    const { number, address } = queryOf(findPermitSchema, request);
    if (!number && !address)
      throw new Problem(422, 'What to look for', 'Give the number of the permit, or the address.');
    if (!service) throw NONE;
    try {
      response.json({ permits: await service.find(number ? { number } : { address: address! }) });
    } catch (error) {
      const refused = error instanceof PermitRefused;
      throw new Problem(
        refused ? 422 : 409,
        refused ? 'Refused' : 'No answer',
        `${(error as Error).message} Type it by hand.`,
      );
    }
  });

  router.get('/permits/posts', requireAccount, async (request, response) => {
    const account = accountOf(request);
    requireInspector(account);
    const rows = await door.inOffice(account.office, (tx) =>
      tx
        .select({ post: permitPosts, address: inspections.address })
        .from(permitPosts)
        .innerJoin(
          inspections,
          and(eq(inspections.office, permitPosts.office), eq(inspections.id, permitPosts.inspection)),
        )
        .where(eq(permitPosts.office, account.office))
        .orderBy(desc(permitPosts.madeAt))
        .limit(MOST),
    );
    response.json({
      connected: service !== undefined,
      posts: rows.map(({ post: one, address }) => ({
        id: one.id,
        inspection: one.inspection,
        address,
        permit: one.body.permit,
        decision: one.body.decision,
        madeAt: one.madeAt.toISOString(),
        state: one.deliveredAt ? 'delivered' : one.refusedAt ? 'refused' : 'waiting',
        tries: one.tries,
        trouble: one.trouble,
        answer: one.answer,
      })),
    });
  });

  router.post('/permits/posts/:id', requireAccount, csrfProtection, async (request, response) => {
    const account = accountOf(request);
    requireInspector(account);
    const post = id.validateSync(request.params.id);
    const again = await door.inOffice(account.office, (tx) =>
      tx
        .update(permitPosts)
        .set({ refusedAt: null, nextAt: new Date(), tries: 0 })
        .where(and(eq(permitPosts.id, post), isNull(permitPosts.deliveredAt)))
        .returning({ id: permitPosts.id }),
    );
    if (again.length === 0) throw new Problem(404, 'Not found', 'Nothing of that waits to be sent.');
    wake();
    response.json({ done: true });
  });
  return router;
}
