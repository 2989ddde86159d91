import { and, eq } from 'drizzle-orm';
import { Router } from 'express';
import { decodeJwt } from 'jose';
import { string } from 'yup';
import { dayIn, isCurrent } from '@careful-latch/core/record';
import type { Door, Transaction } from '../database/client';
import { decisions, inspections, ledger, offices } from '../database/schema';
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
  const [office] = await tx.select({ zone: offices.zone }).from(offices).where(eq(offices.id, row!.office));
  const order = inspection!.docket.orders.find((one) => one.id === paper);
  const standing = isCurrent(inspection!, paper)
    ? order?.state === 'limited'
      ? 'IN FORCE, corrective work allowed: ask the office for what'
      : order
        ? 'IN FORCE'
        : 'CURRENT'
    : order?.state === 'lifted'
      ? 'LIFTED: the order may be taken down'
      : 'VOID: ask the office what holds now';
  return { ...found, standing, day: dayIn(office!.zone, found.signedAt) };
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
    const { day, standing } = found;
    response
      .set('Cache-Control', 'no-store')
      .type('html')
      .send(
        `<!doctype html><html lang="en"><meta name="viewport" content="width=device-width"><title>${number}</title><body style="font:24px sans-serif;padding:24px"><p>${number}</p><p>${day}</p><p><b>${standing}</b></p><p style="font-size:16px;overflow-wrap:anywhere">Records are sealed with the key ${keys.publicKeys.at(-1)!.kid}</p></body></html>`,
      );
  });
  return router;
}
