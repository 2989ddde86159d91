import { and, eq } from 'drizzle-orm';
import { Router } from 'express';
import { decodeJwt } from 'jose';
import { string } from 'yup';
import { isCurrent } from '@careful-latch/core/record';
import type { Door, Transaction } from '../database/client';
import { decisions, inspections, ledger } from '../database/schema';
import { inspectionsOf } from '../inspections/queries';
import type { SealKeys } from '../ledger/keys';
import { numberOf, type Line } from '../ledger/line';
import { Problem } from '../problems';

const id = string().uuid('The address names no paper.').required();

async function paperIn(tx: Transaction, paper: string) {
  const [found] = await tx
    .select({ signedAt: decisions.signedAt, inspection: decisions.inspection, line: ledger.jws })
    .from(decisions)
    .innerJoin(ledger, and(eq(ledger.office, decisions.office), eq(ledger.subject, paper)))
    .where(eq(decisions.id, paper));
  if (!found) return undefined;
  const [row] = await tx.select().from(inspections).where(eq(inspections.id, found.inspection));
  const [inspection] = await inspectionsOf(tx, [row!]);
  return { ...found, current: isCurrent(inspection!, paper) };
}

/** What anybody who holds a paper may ask: its number, its day, whether it is current, and by which key records are verified. Nothing else stands there. */
export function paperRoutes(door: Door, keys: SealKeys): Router {
  const router = Router();
  router.get('/papers/:id', async (request, response) => {
    const paper = id.validateSync(request.params.id);
    const office = await door.officeOf('decision', paper);
    const found = office && (await door.inOffice(office, (tx) => paperIn(tx, paper)));
    if (!found) throw new Problem(404, 'Not found', 'There is no such paper.');
    const number = numberOf(decodeJwt(found.line) as unknown as Line);
    const day = found.signedAt.toISOString().slice(0, 10);
    response
      .set('Cache-Control', 'no-store')
      .type('html')
      .send(
        `<!doctype html><html lang="en"><meta name="viewport" content="width=device-width"><title>${number}</title><body style="font:24px sans-serif;padding:24px"><p>${number}</p><p>${day}</p><p><b>${found.current ? 'CURRENT' : 'VOID: ask the office what holds now'}</b></p><p style="font-size:16px;overflow-wrap:anywhere">Records are sealed with the key ${keys.publicKeys.at(-1)!.kid}</p></body></html>`,
      );
  });
  return router;
}
