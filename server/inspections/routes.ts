import { and, eq } from 'drizzle-orm';
import { Router } from 'express';
import { number, string } from 'yup';
import type { Database } from '../database/client';
import { decisions, inspections } from '../database/schema';
import { Problem } from '../problems';
import { accountOf, requireAccount } from '../sessions/session';
import { changedSince, inspectionIn, seenBy } from './queries';
import { sealOf } from './seal';

const cursor = number()
  .typeError('Say since which count: since=0.')
  .integer('A count is a whole number.')
  .min(0, 'A count is 0 or more.')
  .max(Number.MAX_SAFE_INTEGER, 'No office has counted that far.')
  .required();
const id = string().uuid('The address names no inspection.').required();

export function inspectionRoutes(db: Database): Router {
  const router = Router();
  router.use('/inspections', requireAccount);

  /** What was changed since a device asked last, in portions. */
  router.get('/inspections', async (request, response) => {
    response.json(await changedSince(db, accountOf(request), cursor.validateSync(request.query.since ?? '0')));
  });

  router.get('/inspections/:id', async (request, response) => {
    const found = await inspectionIn(db, accountOf(request), id.validateSync(request.params.id));
    if (!found) throw new Problem(404, 'Not found', 'The office has no such inspection.');
    response.json(found);
  });

  /** The signed records as they were sealed, and whether each seal still holds. */
  router.get('/inspections/:id/records', async (request, response) => {
    const rows = await db
      .select({ id: decisions.id, record: decisions.record, seal: decisions.seal })
      .from(decisions)
      .innerJoin(inspections, eq(inspections.id, decisions.inspection))
      .where(and(eq(decisions.inspection, id.validateSync(request.params.id)), seenBy(accountOf(request))))
      .orderBy(decisions.revision);
    let previous: string | null = null;
    const records = rows.map((row) => {
      const sealHolds = sealOf(row.record) === row.seal && row.record.previousSeal === previous;
      previous = row.seal;
      return { id: row.id, seal: row.seal, sealHolds, record: row.record };
    });
    response.json({ records });
  });

  return router;
}
