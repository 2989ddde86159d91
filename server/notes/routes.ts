import { randomUUID } from 'node:crypto';
import { asc, eq } from 'drizzle-orm';
import { Router } from 'express';
import { object, string } from 'yup';
import { bodyOf } from '../as-sent';
import type { Door } from '../database/client';
import { accounts, notes } from '../database/schema';
import { inspectionIn } from '../inspections/queries';
import { Problem } from '../problems';
import { csrfProtection } from '../sessions/routes';
import { accountOf, requireAccount, requireInspector } from '../sessions/session';

const id = string().uuid('The address names no inspection.').required();
export const noteSchema = object({
  words: string().trim().required('Write the note.').max(2000, 'A note has at most 2,000 characters.'),
});

/** Restricted notes: who complained, and what else only those who inspect may know. They leave this table by these two routes alone. */
export function noteRoutes(door: Door): Router {
  const router = Router();
  router.get('/inspections/:id/notes', requireAccount, async (request, response) => {
    const account = accountOf(request);
    requireInspector(account);
    const inspection = id.validateSync(request.params.id);
    const rows = await door.inOffice(account.office, (tx) =>
      tx
        .select({ id: notes.id, words: notes.words, by: accounts.name, at: notes.at })
        .from(notes)
        .innerJoin(accounts, eq(accounts.id, notes.by))
        .where(eq(notes.inspection, inspection))
        .orderBy(asc(notes.at)),
    );
    response.json({ notes: rows.map((one) => ({ ...one, at: one.at.toISOString() })) });
  });

  router.post('/inspections/:id/notes', requireAccount, csrfProtection, async (request, response) => {
    const account = accountOf(request);
    requireInspector(account);
    const inspection = id.validateSync(request.params.id);
    const { words } = bodyOf(noteSchema, request);
    await door.inOffice(account.office, async (tx) => {
      if (!(await inspectionIn(tx, account, inspection)))
        throw new Problem(404, 'Not found', 'There is no such inspection.');
      await tx.insert(notes).values({ id: randomUUID(), office: account.office, inspection, words, by: account.id });
    });
    response.json({ done: true });
  });
  return router;
}
