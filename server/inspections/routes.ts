import { and, eq, sql } from 'drizzle-orm';
import { Router } from 'express';
import { number, object, string } from 'yup';
import { queryOf } from '../as-sent';
import type { Door, Transaction } from '../database/client';
import { decisions, inspections, ledger, views } from '../database/schema';
import { signedBy, type SealKeys } from '../ledger/keys';
import { saidOf } from '../ledger/ledger';
import { numberOf, type Line } from '../ledger/line';
import { whyNotHeld } from '../ledger/verify';
import { Problem } from '../problems';
import type { Account } from '../sessions/account';
import { accountOf, requireAccount } from '../sessions/session';
import { listOf, listSchema } from './list';
import { changedSince, inspectionIn, seenBy, shownTo } from './queries';

export const cursorSchema = object({
  since: number()
    .typeError('Say since which count: since=0.')
    .integer('A count is a whole number.')
    .min(0, 'A count is 0 or more.')
    .max(Number.MAX_SAFE_INTEGER, 'No office has counted that far.')
    .default(0),
});
const id = string().uuid('The address names no inspection.').required();

async function recordsOf(tx: Transaction, keys: SealKeys, account: Account, inspection: string) {
  const rows = await tx
    .select({ decision: decisions, line: ledger.jws })
    .from(decisions)
    .innerJoin(inspections, and(eq(inspections.office, decisions.office), eq(inspections.id, decisions.inspection)))
    .leftJoin(ledger, and(eq(ledger.office, decisions.office), eq(ledger.subject, sql`${decisions.id}::text`)))
    .where(and(eq(decisions.inspection, inspection), seenBy(account)))
    .orderBy(decisions.revision);
  let previous: string | null = null;
  const records = [];
  for (const { decision, line } of rows) {
    const said = line === null ? undefined : ((await signedBy(keys.publicKeys, line)) as Line | undefined);
    const sealHolds =
      said !== undefined &&
      whyNotHeld(said, { ...(await saidOf(tx, decision, said.v)), seal: decision.seal }) === undefined &&
      decision.record.previousSeal === previous;
    previous = decision.seal;
    const number = said ? numberOf(said) : null;
    records.push({ id: decision.id, seal: decision.seal, sealHolds, number, record: decision.record, line });
  }
  return records;
}

/** What the office signs when it gives records away: which there are of a house, in their order, and by which keys. */
const statementOf = (keys: SealKeys, { office }: Account, inspection: string, decided: readonly string[]) =>
  keys.sign({
    v: 1,
    kind: 'package',
    office,
    inspection,
    decisions: decided,
    keys: keys.publicKeys.map(({ kid }) => kid),
    at: new Date().toISOString(),
  });

export function inspectionRoutes(door: Door, keys: SealKeys): Router {
  const router = Router();
  router.use('/inspections', requireAccount);

  /** What was changed since a device asked last, in portions. */
  router.get('/inspections', async (request, response) => {
    const account = accountOf(request);
    const { since } = queryOf(cursorSchema, request);
    response.json(await door.inOffice(account.office, (tx) => changedSince(tx, account, since)));
  });

  /** A page of the office’s list: what is on no device is found here. */
  router.get('/inspections/list', async (request, response) => {
    const account = accountOf(request);
    const wanted = queryOf(listSchema, request);
    response.json(await door.inOffice(account.office, (tx) => listOf(tx, account, wanted)));
  });

  router.get('/inspections/:id', async (request, response) => {
    const account = accountOf(request);
    const wanted = id.validateSync(request.params.id);
    const found = await door.inOffice(account.office, (tx) => inspectionIn(tx, account, wanted));
    if (!found) throw new Problem(404, 'Not found', 'The office has no such inspection.');
    response.json(shownTo(account)(found));
  });

  /** The signed records as they were sealed, each with its line of the ledger, and whether it still holds. */
  router.get('/inspections/:id/records', async (request, response) => {
    const account = accountOf(request);
    const wanted = id.validateSync(request.params.id);
    const records = await door.inOffice(account.office, async (tx) => {
      const found = await recordsOf(tx, keys, account, wanted);
      if (found.length > 0)
        await tx
          .insert(views)
          .values({ office: account.office, inspection: wanted, by: account.id })
          .onConflictDoNothing();
      return found;
    });
    const statement = await statementOf(keys, account, wanted, records.map((one) => one.id)); // prettier-ignore
    response.json({ records, keys: keys.publicKeys, statement });
  });

  return router;
}
