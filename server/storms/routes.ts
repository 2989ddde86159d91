import { randomUUID } from 'node:crypto';
import { and, asc, desc, eq, gt, sql } from 'drizzle-orm';
import { Router } from 'express';
import { array, number, object, string, ValidationError } from 'yup';
import { canonicalText } from '@careful-latch/core/record';
import { readStormEntry, whyNotEntry, type StormEntry } from '@careful-latch/core/storm';
import { bodyOf, queryOf } from '../as-sent';
import { asSent, clockOffMs, dated, deviceNow } from '../changes/clock';
import type { Door, Transaction } from '../database/client';
import { accounts, inspections, offices, stormEntries, storms } from '../database/schema';
import { Problem } from '../problems';
import { csrfProtection } from '../sessions/routes';
import type { Account } from '../sessions/account';
import { accountOf, requireAccount, requireInspector, requireLead } from '../sessions/session';

const MOST_STORMS = 20;
const MOST_ENTRIES = 100;
const id = string().uuid('The address names no storm day.').required();
export const stormSchema = object({
  id: string().uuid('The id of a storm day is a UUID.').required('A storm day has an id.'),
  name: string().trim().required('Name the storm day.').max(100, 'The name: at most 100 characters.'),
  day: string()
    .matches(/^\d{4}-\d{2}-\d{2}$/, 'The day is an ISO date, like 2026-12-09.')
    .required('Give the day.'),
});
export const stormEntriesSchema = object({
  entries: array()
    .required('Entries are sent as a list.')
    .max(MOST_ENTRIES, `At most ${MOST_ENTRIES} entries at once.`),
  /** What the device’s clock says. */
  now: deviceNow,
});
export const stormSinceSchema = object({ since: number().integer().min(0).default(0) });

const ID_IN_USE = 'Something else was recorded under this number. Record it anew.';

/** The houses of an office where an order may be in force. */
const ordered = (tx: Transaction, office: string) =>
  tx
    .select({ address: inspections.address, docket: inspections.docket })
    .from(inspections)
    .where(and(eq(inspections.office, office), eq(inspections.state, 'stop-work')));

/** Takes in an entry once; answers why it is not, where it is not. */
async function takeIn(
  tx: Transaction,
  account: Account,
  storm: typeof storms.$inferSelect,
  sent: StormEntry,
  offMs: number,
): Promise<string | undefined> {
  const entry = dated(sent, offMs, -Infinity, Date.now());
  const [known] = await tx.select().from(stormEntries).where(eq(stormEntries.id, sent.id));
  if (known)
    return known.by === account.id && canonicalText(asSent(known.body)) === canonicalText(sent) ? undefined : ID_IN_USE;
  const why =
    entry.storm === storm.id
      ? whyNotEntry(storm, entry, await ordered(tx, account.office))
      : 'It is of another storm day.';
  if (why !== undefined) return why;
  // The office's lock gives each entry a place behind all that anybody has seen.
  const [row] = await tx.update(offices).set({ seq: sql`${offices.seq} + 1` }).where(eq(offices.id, account.office)).returning({ seq: offices.seq }); // prettier-ignore
  await tx
    .insert(stormEntries)
    .values({ id: entry.id, office: account.office, storm: storm.id, seq: row!.seq, body: entry, by: account.id });
  return undefined;
}

/** Storm days: opened by the lead; houses taken and seen by whoever inspects, with signal or later. */
export function stormRoutes(door: Door): Router {
  const router = Router();
  const stormIn = async (tx: Transaction, storm: string) => {
    const [found] = await tx.select().from(storms).where(eq(storms.id, storm));
    if (!found) throw new Problem(404, 'Not found', 'There is no such storm day.');
    return found;
  };

  router.get('/storms', requireAccount, async (request, response) => {
    const account = accountOf(request);
    requireInspector(account);
    const rows = await door.inOffice(
      account.office,
      (tx) =>
      tx.select({ id: storms.id, name: storms.name, day: storms.day }).from(storms).where(eq(storms.office, account.office)).orderBy(desc(storms.day), desc(storms.at)).limit(MOST_STORMS), // prettier-ignore
    );
    response.json({ storms: rows });
  });

  router.post('/storms', requireAccount, requireLead, csrfProtection, async (request, response) => {
    const account = accountOf(request);
    const { id, name, day } = bodyOf(stormSchema, request);
    await door.inOffice(account.office, async (tx) => {
      const made = await tx.insert(storms).values({ id, name, day, office: account.office, by: account.id }).onConflictDoNothing().returning({ id: storms.id }); // prettier-ignore
      const [there] = made.length > 0 ? [{ name, day }] : await tx.select().from(storms).where(eq(storms.id, id));
      if (there?.name !== name || there.day !== day) throw new Problem(409, 'In use', ID_IN_USE);
    });
    response.json({ id });
  });

  router.get('/storms/:id', requireAccount, async (request, response) => {
    const account = accountOf(request);
    requireInspector(account);
    const storm = id.validateSync(request.params.id);
    const { since } = queryOf(stormSinceSchema, request);
    const rows = await door.inOffice(account.office, async (tx) => {
      await stormIn(tx, storm);
      return tx
        .select({ body: stormEntries.body, by: accounts.name, seq: stormEntries.seq })
        .from(stormEntries)
        .innerJoin(accounts, eq(accounts.id, stormEntries.by))
        .where(and(eq(stormEntries.storm, storm), gt(stormEntries.seq, since)))
        .orderBy(asc(stormEntries.seq));
    });
    response.json({
      entries: rows.map(({ body: { clockAt: _, ...body }, by }) => ({ ...body, by })),
      cursor: rows.at(-1)?.seq ?? since,
    });
  });

  router.post('/storms/:id/entries', requireAccount, csrfProtection, async (request, response) => {
    const account = accountOf(request);
    requireInspector(account);
    const storm = id.validateSync(request.params.id);
    const { entries, now } = bodyOf(stormEntriesSchema, request);
    const offMs = clockOffMs(now, Date.now());
    // A portion is one transaction: others see what a phone brings back whole, or not yet.
    const results = await door.inOffice(account.office, async (tx) => {
      const day = await stormIn(tx, storm);
      const said: { id: string; status: 'taken' | 'refused'; detail?: string }[] = [];
      for (const data of entries as unknown[]) {
        const named = (data as { id?: unknown } | null)?.id;
        const own = typeof named === 'string' && named.length <= 100 ? named : randomUUID();
        try {
          const detail = await takeIn(tx, account, day, readStormEntry(data), offMs);
          said.push(detail === undefined ? { id: own, status: 'taken' } : { id: own, status: 'refused', detail });
        } catch (error) {
          if (!(error instanceof ValidationError)) throw error;
          said.push({ id: own, status: 'refused', detail: error.errors.join(' ') });
        }
      }
      return said;
    });
    response.json({ results });
  });
  return router;
}
