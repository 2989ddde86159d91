import { and, asc, eq, gt, inArray, isNull } from 'drizzle-orm';
import { Router } from 'express';
import { object, string } from 'yup';
import { ROLES, isOutside, type Role } from '@careful-latch/core/record';
import { counted } from '../changes/apply';
import { bodyOf } from '../as-sent';
import type { Door, Transaction } from '../database/client';
import { accounts, firms, inspections, invites, parties } from '../database/schema';
import { inspectionIn, ofSameFirm } from '../inspections/queries';
import type { SealKeys } from '../ledger/keys';
import { logPeople } from '../ledger/ledger';
import { linkFor } from '../people/link';
import { Problem } from '../problems';
import { makeParty } from './party';
import type { Account } from '../sessions/account';
import { csrfProtection } from '../sessions/routes';
import { accountOf, requireAccount, requireInspector } from '../sessions/session';

/** An owner or a firm answers a notice within weeks, not days. */
const LINK_MS = 30 * 24 * 3600 * 1000;

const OUTSIDE = (Object.keys(ROLES) as Role[]).filter(isOutside);

const id = string().uuid('The address names nobody and nothing.').required();
export const partySchema = object({
  account: string().uuid('A contractor is named by their id.').optional(),
  name: string().trim().max(200, 'The name: at most 200 characters.').optional(),
}).test(
  'one',
  'Say which contractor, or give the name of whoever gets a link.',
  ({ account, name }) => (account === undefined) === (name !== undefined && name !== ''),
);

/** The house that is given; refuses one on which nothing was decided yet, for what the office records until then is its own. */
async function decidedHouse(tx: Transaction, account: Account, inspection: string) {
  const house = await inspectionIn(tx, account, inspection);
  if (!house) throw new Problem(404, 'Not found', 'There is no such inspection.');
  if (house.decisions.length === 0)
    throw new Problem(409, 'Not yet', 'Nothing was decided here yet, so there is nothing to answer.');
  return house;
}

/** Who of outside the office sees a house and says what was corrected: the owner or a firm, from a day to another. */
export function partyRoutes(door: Door, keys: SealKeys): Router {
  const router = Router();

  router.get('/inspections/:id/parties', requireAccount, async (request, response) => {
    const account = accountOf(request);
    requireInspector(account);
    const inspection = id.validateSync(request.params.id);
    const answer = await door.inOffice(account.office, async (tx) => ({
      parties: await tx
        .select({ account: accounts.id, name: accounts.name, since: parties.since, until: parties.until })
        .from(parties)
        .innerJoin(accounts, eq(accounts.id, parties.account))
        .where(eq(parties.inspection, inspection))
        .orderBy(asc(parties.since)),
      asked: await tx
        .select({ name: invites.name, expiresAt: invites.expiresAt })
        .from(invites)
        .where(and(eq(invites.inspection, inspection), isNull(invites.usedAt), gt(invites.expiresAt, new Date())))
        .orderBy(asc(invites.expiresAt)),
      contractors: await tx
        .select({ account: accounts.id, name: accounts.name, firm: firms.name })
        .from(accounts)
        .leftJoin(firms, eq(firms.id, accounts.firm))
        .where(and(eq(accounts.office, account.office), inArray(accounts.role, OUTSIDE), eq(accounts.active, true)))
        .orderBy(asc(accounts.name)),
    }));
    response.json(answer);
  });

  router.post('/inspections/:id/parties', requireAccount, csrfProtection, async (request, response) => {
    const by = accountOf(request);
    requireInspector(by);
    const inspection = id.validateSync(request.params.id);
    const { account, name } = bodyOf(partySchema, request);
    const made = await door.inOffice(by.office, async (tx) => {
      const { header } = await decidedHouse(tx, by, inspection);
      if (account === undefined) {
        await logPeople(tx, keys, by, inspection, `made a link for ${name}, as party to ${header.address}`);
        return linkFor(tx, by, { name: name!, role: 'contractor', inspection }, LINK_MS);
      }
      const [known] = await tx
        .select({ name: accounts.name })
        .from(accounts)
        .where(and(eq(accounts.id, account), eq(accounts.office, by.office), inArray(accounts.role, OUTSIDE)));
      if (!known) throw new Problem(404, 'Not found', 'There is no such contractor here.');
      await makeParty(tx, by, inspection, account);
      const seq = await counted(tx, by.office);
      await tx.update(inspections).set({ seq }).where(eq(inspections.id, inspection)); // their devices hear of it
      await logPeople(tx, keys, by, account, `made ${known.name} party to ${header.address}`);
      return undefined;
    });
    response.status(201).json(made ?? { done: true });
  });

  router.delete('/inspections/:id/parties/:account', requireAccount, csrfProtection, async (request, response) => {
    const by = accountOf(request);
    requireInspector(by);
    const inspection = id.validateSync(request.params.id);
    const account = id.validateSync(request.params.account);
    await door.inOffice(by.office, async (tx) => {
      const untilSeq = await counted(tx, by.office);
      const none = new Problem(404, 'Not found', 'They are no party to this house.');
      const [known] = await tx.select().from(accounts).where(eq(accounts.id, account));
      if (!known) throw none;
      const ended = await tx
        .update(parties)
        .set({ until: new Date(), untilSeq })
        .where(
          and(
            eq(parties.inspection, inspection),
            isNull(parties.until),
            inArray(parties.account, ofSameFirm(known)), // a firm sees it whole, or not at all
          ),
        )
        .returning({ account: parties.account });
      if (ended.length === 0) throw none;
      await logPeople(tx, keys, by, account, `ended what they see of ${inspection}`);
    });
    response.json({ done: true });
  });
  return router;
}
