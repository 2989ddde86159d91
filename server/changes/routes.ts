import { Router } from 'express';
import { array, mixed, object } from 'yup';
import { bodyOf } from '../as-sent';
import type { Door } from '../database/client';
import type { SealKeys } from '../ledger/keys';
import { csrfProtection } from '../sessions/routes';
import { accountOf, requireAccountEvenOff, requireNamed } from '../sessions/session';
import { takeInAll } from './apply';
import { clockOffMs, deviceNow } from './clock';

/** A device that was away all day sends its changes in portions of this many. */
const MOST_CHANGES = 200;

export const changesSchema = object({
  changes: array(mixed().nullable())
    .required('The changes are missing.')
    .max(MOST_CHANGES, `At most ${MOST_CHANGES} changes at once.`),
  /** What the device’s clock says. */
  now: deviceNow,
});

export function changeRoutes(door: Door, keys: SealKeys, wake: () => void): Router {
  const router = Router();
  router.post('/changes', requireAccountEvenOff, csrfProtection, requireNamed, async (request, response) => {
    const body = bodyOf(changesSchema, request);
    const receivedAt = Date.now();
    const received = {
      at: () => receivedAt,
      clockOffMs: clockOffMs(body.now, receivedAt),
      passwordAt: request.session.passwordAt ?? request.session.signedInAt ?? 0,
      ...(request.headers['x-again'] !== undefined && { as: 'again' as const }),
      ...(request.switchedOff && { as: 'late' as const }),
    };
    const account = request.switchedOff ?? accountOf(request);
    const results = await takeInAll(door, keys, account, body.changes, received);
    if (results.some((one) => 'seal' in one)) wake(); // the permit office is told
    response.json({ results });
  });
  return router;
}
