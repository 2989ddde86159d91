import { and, desc, eq } from 'drizzle-orm';
import { Router } from 'express';
import { decodeJwt } from 'jose';
import { string } from 'yup';
import { inForce, isApproval } from '@careful-latch/core/record';
import type { Door, Transaction } from '../database/client';
import { decisions, inspections, ledger } from '../database/schema';
import { numberOf, type Line } from '../ledger/line';
import { Problem } from '../problems';

const id = string().uuid('The address names no paper.').required();

async function paperIn(tx: Transaction, paper: string) {
  const [found] = await tx
    .select({
      kind: decisions.kind,
      signedAt: decisions.signedAt,
      inspection: decisions.inspection,
      docket: inspections.docket,
      line: ledger.jws,
    })
    .from(decisions)
    .innerJoin(inspections, and(eq(inspections.office, decisions.office), eq(inspections.id, decisions.inspection)))
    .innerJoin(ledger, and(eq(ledger.office, decisions.office), eq(ledger.subject, paper)))
    .where(eq(decisions.id, paper));
  if (!found) return undefined;
  const [last] = await tx
    .select({ id: decisions.id })
    .from(decisions)
    .where(eq(decisions.inspection, found.inspection))
    .orderBy(desc(decisions.revision))
    .limit(1);
  return { ...found, last: last?.id };
}

/** What anybody who holds a paper may ask: its number, its day, and whether it is current. Nothing else stands there. */
export function paperRoutes(door: Door): Router {
  const router = Router();
  router.get('/papers/:id', async (request, response) => {
    const paper = id.validateSync(request.params.id);
    const office = await door.officeOf('decision', paper);
    const found = office && (await door.inOffice(office, (tx) => paperIn(tx, paper)));
    if (!found) throw new Problem(404, 'Not found', 'There is no such paper.');
    const stopped = isApproval(found.kind) && inForce(found.docket).length > 0;
    const current = found.last === paper && !stopped;
    const number = numberOf(decodeJwt(found.line) as unknown as Line);
    const day = found.signedAt.toISOString().slice(0, 10);
    response
      .set('Cache-Control', 'no-store')
      .type('html')
      .send(
        `<!doctype html><html lang="en"><meta name="viewport" content="width=device-width"><title>${number}</title><body style="font:24px sans-serif;padding:24px"><p>${number}</p><p>${day}</p><p><b>${current ? 'CURRENT' : 'VOID: a later decision or an order stands'}</b></p></body></html>`,
      );
  });
  return router;
}
