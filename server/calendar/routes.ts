import { randomBytes } from 'node:crypto';
import { and, eq, isNotNull, or, sql } from 'drizzle-orm';
import { Router } from 'express';
import { daysOf, iCalendar } from '@careful-latch/core/calendar';
import { isOutside } from '@careful-latch/core/record';
import type { Door } from '../database/client';
import { accounts, inspections } from '../database/schema';
import { isAsked } from '../inspections/list';
import { seenBy } from '../inspections/queries';
import { sha256 } from '../ledger/line';
import { Problem } from '../problems';
import { csrfProtection } from '../sessions/routes';
import { accountOf, requireAccount } from '../sessions/session';

/** The calendar at an address of one’s own, for whatever calendar somebody keeps: one’s own visits, and all that is due. */
export function feedRoutes(door: Door): Router {
  const router = Router();
  router.post('/feed', requireAccount, csrfProtection, async (request, response) => {
    const { id, office } = accountOf(request);
    const secret = randomBytes(32).toString('base64url');
    await door.inOffice(office, (tx) =>
      tx
        .update(accounts)
        .set({ feedHash: sha256(secret) })
        .where(eq(accounts.id, id)),
    );
    response.json({ path: `/calendar/${secret}.ics` });
  });
  router.delete('/feed', requireAccount, csrfProtection, async (request, response) => {
    const { id, office } = accountOf(request);
    await door.inOffice(office, (tx) => tx.update(accounts).set({ feedHash: null }).where(eq(accounts.id, id)));
    response.json({ done: true });
  });
  return router;
}

/** What stands at such an address; whoever has it needs no session, so it names streets and no people’s houses by owner. */
export function calendarRoutes(door: Door): Router {
  const router = Router();
  router.get('/calendar/:secret.ics', async (request, response) => {
    const hash = sha256(request.params.secret);
    const office = await door.officeOf('feed', hash);
    const all =
      office &&
      (await door.inOffice(office, async (tx) => {
        const [account] = await tx.select().from(accounts).where(eq(accounts.feedHash, hash));
        if (!account?.active) return undefined;
        // Neither cases nor decisions: a calendar is asked for by the hour, and needs a hundredth of an inspection.
        const { id, address, permit, docket, inspector } = inspections;
        const rows = await tx
          .select({
            id,
            address,
            permit,
            docket,
            inspector,
            asked: isAsked,
          })
          .from(inspections)
          .where(
            and(
              seenBy(account),
              eq(inspections.resting, false),
              or(isNotNull(inspections.dueOn), sql`docket ? 'permit'`),
            ),
          );
        const days = rows
          .filter(({ asked }) => !isOutside(account.role) || !asked) // what the office records then is its own yet
          .flatMap((one) =>
            daysOf({
              id: one.id,
              header: one,
              docket: one.docket,
              decisions: [{ signature: { name: one.inspector ?? '' } }],
            }),
          );
        return days.filter(({ what, inspector }) => what !== 'visit' || account.role !== 'inspector' || inspector === account.name); // prettier-ignore
      }));
    if (!all) throw new Problem(404, 'Not found', 'There is no calendar at this address.');
    response.set('Cache-Control', 'no-store').type('text/calendar').send(iCalendar(all, new Date().toISOString()));
  });
  return router;
}
