import { randomUUID } from 'node:crypto';
import { hash } from '@node-rs/argon2';
import { sql } from 'drizzle-orm';
import { Router } from 'express';
import { mixed, object, string } from 'yup';
import { EDITIONS, type Edition } from '@careful-latch/core/codebook';
import { bodyOf } from '../as-sent';
import type { Door } from '../database/client';
import { accounts, offices } from '../database/schema';
import type { SealKeys } from '../ledger/keys';
import { bringUp } from '../ledger/ledger';
import { newPassword } from '../people/password';
import { timeZone } from '../people/zone';
import { Problem } from '../problems';
import { sameOrigin } from '../sessions/session';

export const setupSchema = object({
  office: string()
    .trim()
    .required('Give the name of the office.')
    .max(200, 'The name of an office has at most 200 characters.'),
  edition: mixed<Edition>()
    .oneOf([...EDITIONS], 'Choose an edition.')
    .required('Choose an edition.'),
  name: string().trim().required('Give your name.').max(200, 'A name has at most 200 characters.'),
  login: string()
    .trim()
    .lowercase()
    .required('Give a sign-in name.')
    .max(100, 'A sign-in name has at most 100 characters.'),
  password: newPassword,
  /** Of its clock; as the browser of whoever sets it up has it. */
  zone: timeZone.default('America/New_York'),
});

const CLOSED = new Problem(409, 'Set up already', 'This office has accounts already. Sign in.');

/** The first account of a fresh installation; refused as soon as there is any. */
export function setupRoutes(door: Door, keys: SealKeys): Router {
  const router = Router();
  router.post('/setup', sameOrigin, async (request, response) => {
    if ((await door.officeIds()).length > 0) throw CLOSED; // looked at before anything costly is done
    const wanted = bodyOf(setupSchema, request);
    const passwordHash = await hash(wanted.password);
    const office = randomUUID();
    await door.inOffice(office, async (tx) => {
      await tx.execute(sql`LOCK TABLE ${offices} IN EXCLUSIVE MODE`);
      const { rows } = await tx.execute(sql`select office_ids()`);
      if (rows.length > 0) throw CLOSED;
      await tx.insert(offices).values({ id: office, name: wanted.office, edition: wanted.edition, zone: wanted.zone });
      await tx
        .insert(accounts)
        .values({ id: randomUUID(), office, login: wanted.login, name: wanted.name, role: 'lead', passwordHash });
    });
    await bringUp(door, keys); // its ledger begins with its first key
    response.status(201).json({ login: wanted.login });
  });
  return router;
}
