import { and, eq, sql } from 'drizzle-orm';
import { raw, Router } from 'express';
import { number, object, string } from 'yup';
import { CHANGES, may, type Inspection } from '@careful-latch/core/record';
import { queryOf } from '../as-sent';
import type { Door } from '../database/client';
import { decisions } from '../database/schema';
import { inspectionIn, shownTo } from '../inspections/queries';
import { destroyedAt } from '../keeping/routes';
import { Problem } from '../problems';
import { csrfProtection } from '../sessions/routes';
import type { Account } from '../sessions/account';
import { accountOf, requireAccount } from '../sessions/session';
import type { EvidenceStore } from './store';

/** Largest piece of a photo, bytes. */
const MOST_PIECE_BYTES = 512 * 1024;

const addressSchema = object({
  id: string().uuid('The address names no inspection.').required(),
  sha256: string()
    .matches(/^[0-9a-f]{64}$/, 'The address names no photo.')
    .required(),
});
export const placeSchema = object({
  at: number()
    .typeError('Say at which byte the piece begins: at=0.')
    .integer('A piece begins at a whole byte.')
    .min(0, 'A piece begins at byte 0 or later.')
    .required('Say at which byte the piece begins: at=0.'),
});

/** Photos of inspections: sent in pieces that go on after a break, each known by its SHA-256. */
export function evidenceRoutes(door: Door, store: EvidenceStore): Router {
  const router = Router();

  async function addressed(account: Account, params: unknown) {
    const { id, sha256 } = addressSchema.validateSync(params);
    return door.inOffice(account.office, async (tx) => {
      const gone = await destroyedAt(tx, sha256);
      if (gone)
        throw new Problem(
          410,
          'Destroyed',
          `This photo was destroyed on ${gone.toISOString().slice(0, 10)}, when its time was over.`,
        );
      return { sha256, inspection: await inspectionIn(tx, account, id) };
    });
  }

  /** Whether a photo is one that somebody is shown of an inspection, or stands in a record that was sealed there: a hash alone opens none. */
  async function isOf(account: Account, inspection: Inspection, sha256: string): Promise<boolean> {
    if (shownTo(account)(inspection).evidence.some(({ photo }) => photo?.sha256 === sha256)) return true;
    const named = JSON.stringify([{ photo: { sha256 } }]);
    const sealed = await door.inOffice(account.office, (tx) =>
      tx.$count(decisions, and(eq(decisions.inspection, inspection.id), sql`${decisions.record}->'evidence' @> ${named}::jsonb`)),
    ); // prettier-ignore
    return sealed > 0;
  }

  router.put(
    '/inspections/:id/photos/:sha256',
    requireAccount,
    csrfProtection,
    raw({ type: 'application/octet-stream', limit: MOST_PIECE_BYTES }),
    async (request, response) => {
      const at = queryOf(placeSchema, request).at;
      const piece: unknown = request.body;
      if (!Buffer.isBuffer(piece) || piece.length === 0)
        throw new Problem(422, 'Nothing came', 'A piece of a photo is bytes (application/octet-stream).');
      const account = accountOf(request);
      if (!may(account.role, CHANGES.evidence.may))
        throw new Problem(403, 'Not yours', 'Whoever records at a house sends its photos.');
      const { sha256, inspection } = await addressed(account, request.params);
      const photo = inspection?.evidence.map((one) => one.photo).find((one) => one?.sha256 === sha256);
      if (!photo) throw new Problem(404, 'Not announced', 'No inspection of the office names this photo.');
      response.json(await store.write(account.office, photo, at, piece));
    },
  );

  router.get('/inspections/:id/photos/:sha256', requireAccount, async (request, response) => {
    const account = accountOf(request);
    const { sha256, inspection } = await addressed(account, request.params);
    // One that was taken out since is still to be seen in the records that were sealed with it.
    const picture =
      inspection && (await isOf(account, inspection, sha256)) && (await store.read(account.office, sha256));
    if (!picture)
      throw new Problem(404, 'Not here yet', 'The device that took this photo has not sent the whole of it yet.');
    response.set('Cache-Control', 'private, max-age=31536000, immutable').type('image/jpeg').send(picture);
  });

  return router;
}
