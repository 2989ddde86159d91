import { randomUUID } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import { and, asc, eq, gt, isNull, ne, sql } from 'drizzle-orm';
import { Router, type Request } from 'express';
import { boolean, mixed, number, object, string } from 'yup';
import { ROLES, type Role } from '@careful-latch/core/record';
import type { Door, Transaction } from '../database/client';
import { accounts, invites, offices, sessions } from '../database/schema';
import type { SealKeys } from '../ledger/keys';
import { logPeople } from '../ledger/ledger';
import { sha256 } from '../ledger/line';
import { Problem, databaseCodeOf } from '../problems';
import { makeParty } from '../parties/party';
import { linkFor, resetLink } from './link';
import { newPassword } from './password';
import { slowly } from '../sessions/limits';
import { csrfProtection } from '../sessions/routes';
import type { Account } from '../sessions/account';
import { accountOf, requireAccount, requireLead, sameOrigin } from '../sessions/session';

/** How long an invitation can be used. */
const INVITED_MS = 7 * 24 * 3600 * 1000;

const line = (what: string, most = 200) => string().trim().max(most, `${what}: at most ${most} characters.`);
const role = mixed<Role>().oneOf(Object.keys(ROLES) as Role[], 'There is no such role.');
const inviteSchema = object({
  role: role.required('Choose a role.'),
  name: line('The name').required('Whom do you invite?'),
});
const joinSchema = object({
  token: string().required('The link is not whole; open it as it was sent.').max(200),
  name: line('The name').default(''),
  login: line('A sign-in name', 100).lowercase().default(''),
  password: newPassword,
});
const changeSchema = object({ role: role.optional(), active: boolean().optional() });
const passwordSchema = object({
  password: string().required('Give your present password.').max(200),
  next: newPassword,
});
const againSchema = object({ password: string().required('Give your password.').max(200) });
const officeSchema = object({
  offlineHours: number()
    .typeError('Hours are a number.')
    .integer('Whole hours.')
    .min(1, 'At least an hour.')
    .max(168, 'At most a week.')
    .required('Say how many hours.'),
});
const id = string().uuid('The address names nobody.').required();

const USED = new Problem(410, 'Used up', 'This link was used, taken back, or is too old. Ask the lead for another.');

/** Holds the office still, so that of two leads who demote each other at one moment only one does. */
const heldOffice = (tx: Transaction, office: string) =>
  tx.select().from(offices).where(eq(offices.id, office)).for('update');

/** Refuses what would leave an office without a lead. */
async function requireALead(tx: Transaction, office: string): Promise<void> {
  const [lead] = await tx
    .select({ id: accounts.id })
    .from(accounts)
    .where(and(eq(accounts.office, office), eq(accounts.role, 'lead'), eq(accounts.active, true)))
    .limit(1);
  if (!lead) throw new Problem(409, 'The last lead', 'An office has a lead. Make somebody else one first.');
}

async function peopleOf(tx: Transaction, office: string) {
  const people = await tx
    .select({
      id: accounts.id,
      login: accounts.login,
      name: accounts.name,
      role: accounts.role,
      active: accounts.active,
    })
    .from(accounts)
    .where(eq(accounts.office, office))
    .orderBy(asc(accounts.name));
  const open = await tx
    .select({ id: invites.id, name: invites.name, role: invites.role, expiresAt: invites.expiresAt })
    .from(invites)
    .where(
      and(
        eq(invites.office, office),
        isNull(invites.usedAt),
        isNull(invites.account),
        gt(invites.expiresAt, new Date()),
      ),
    )
    .orderBy(asc(invites.expiresAt));
  return { people, invites: open };
}

/** The people of an office, who may come in, and each one’s own password and sessions. */
export function peopleRoutes(door: Door, keys: SealKeys): Router {
  const router = Router();
  const slow = slowly({ most: 20 });

  async function requirePassword(account: Account, password: string): Promise<void> {
    const [known] = await door.inOffice(account.office, (tx) =>
      tx.select({ hash: accounts.passwordHash }).from(accounts).where(eq(accounts.id, account.id)),
    );
    if (!known || !(await verify(known.hash, password)))
      throw new Problem(422, 'Not it', 'This is not your present password. Nothing was changed.');
  }

  router.get('/people', requireAccount, requireLead, async (request, response) => {
    const { office } = accountOf(request);
    response.json(await door.inOffice(office, (tx) => peopleOf(tx, office)));
  });

  router.post('/invites', requireAccount, requireLead, csrfProtection, async (request, response) => {
    const account = accountOf(request);
    const wanted = inviteSchema.validateSync(request.body);
    const made = await door.inOffice(account.office, async (tx) => {
      await logPeople(tx, keys, account, account.id, `invited ${wanted.name} as ${wanted.role}`);
      return linkFor(tx, account, wanted, INVITED_MS);
    });
    response.status(201).json(made);
  });

  router.delete('/invites/:id', requireAccount, requireLead, csrfProtection, async (request, response) => {
    const account = accountOf(request);
    const invite = id.validateSync(request.params.id);
    await door.inOffice(account.office, async (tx) => {
      const taken = await tx
        .update(invites)
        .set({ usedAt: new Date() })
        .where(and(eq(invites.id, invite), eq(invites.office, account.office), isNull(invites.usedAt)))
        .returning({ name: invites.name });
      if (taken.length === 0) throw new Problem(404, 'Not found', 'There is no such invitation.');
      await logPeople(tx, keys, account, account.id, `took back the invitation of ${taken[0]!.name}`);
    });
    response.json({ done: true });
  });

  /** Whoever has a link makes the account that it is for, or gives their own a new password. */
  router.post('/join', sameOrigin, slow, async (request, response) => {
    const { token, name, login, password } = joinSchema.validateSync(request.body);
    const unused = and(eq(invites.tokenHash, sha256(token)), isNull(invites.usedAt), gt(invites.expiresAt, new Date()));
    const office = await door.officeOf('invite', sha256(token));
    const [asked] = office ? await door.inOffice(office, (tx) => tx.select().from(invites).where(unused)) : [];
    if (!asked) throw USED;
    if (!asked.account && (name === '' || login === ''))
      throw new Problem(422, 'Not whole', name === '' ? 'Give your name.' : 'Give a sign-in name.');
    const passwordHash = await hash(password);
    try {
      const joined = await door.inOffice(asked.office, async (tx) => {
        await heldOffice(tx, asked.office);
        const used = await tx.update(invites).set({ usedAt: new Date() }).where(unused).returning({ id: invites.id });
        if (used.length === 0) throw USED; // the same link, a moment ago
        if (asked.account) {
          const [own] = await tx
            .update(accounts)
            .set({ passwordHash, voidBefore: new Date() })
            .where(eq(accounts.id, asked.account))
            .returning();
          await logPeople(tx, keys, own!, own!.id, 'gave a new password by a link of the lead');
          return own!.login;
        }
        const made = { id: randomUUID(), office: asked.office, login, name, role: asked.role! };
        await tx.insert(accounts).values({ ...made, passwordHash });
        await logPeople(tx, keys, made, made.id, `joined as ${made.role}`);
        if (asked.inspection) await makeParty(tx, { id: asked.by, office: asked.office }, asked.inspection, made.id);
        return login;
      });
      response.status(201).json({ login: joined });
    } catch (error) {
      if (databaseCodeOf(error) !== '23505') throw error;
      throw new Problem(409, 'Taken', 'Somebody has this sign-in name already. Choose another.');
    }
  });

  router.patch('/people/:id', requireAccount, requireLead, csrfProtection, async (request, response) => {
    const account = accountOf(request);
    const person = id.validateSync(request.params.id);
    const wanted = changeSchema.validateSync(request.body);
    await door.inOffice(account.office, async (tx) => {
      await heldOffice(tx, account.office);
      const off = wanted.active === false;
      const [changed] = await tx
        .update(accounts)
        .set({ ...wanted, ...(off && { voidBefore: new Date() }) })
        .where(and(eq(accounts.id, person), eq(accounts.office, account.office)))
        .returning({ name: accounts.name });
      if (!changed) throw new Problem(404, 'Not found', 'There is nobody such here.');
      await requireALead(tx, account.office);
      const did = [
        wanted.role && `made ${changed.name} ${wanted.role}`,
        wanted.active !== undefined && `switched ${changed.name} ${off ? 'off' : 'on'}`,
      ];
      await logPeople(tx, keys, account, person, did.filter(Boolean).join(', '));
    });
    response.json({ done: true });
  });

  router.post('/people/:id/reset', requireAccount, requireLead, csrfProtection, async (request, response) => {
    const account = accountOf(request);
    const person = id.validateSync(request.params.id);
    const made = await resetLink(door, keys, account.office, account, eq(accounts.id, person));
    if (!made) throw new Problem(404, 'Not found', 'There is nobody such here.');
    response.status(201).json(made);
  });

  /** Whoever changes their password ends every session of theirs but this one. */
  router.post('/password', requireAccount, csrfProtection, slow, async (request, response) => {
    const account = accountOf(request);
    const { password, next } = passwordSchema.validateSync(request.body);
    await requirePassword(account, password);
    const passwordHash = await hash(next);
    const now = new Date();
    await door.inOffice(account.office, async (tx) => {
      await tx.update(accounts).set({ passwordHash, voidBefore: now }).where(eq(accounts.id, account.id));
      await logPeople(tx, keys, account, account.id, 'changed the password');
    });
    request.session.signedInAt = request.session.passwordAt = now.getTime();
    response.json({ done: true });
  });

  /** Whoever signs after more than a day gives the password again. */
  router.post('/session/password', requireAccount, csrfProtection, slow, async (request, response) => {
    const account = accountOf(request);
    const { password } = againSchema.validateSync(request.body);
    await requirePassword(account, password);
    request.session.passwordAt = Date.now();
    response.json({ done: true });
  });

  router.patch('/office', requireAccount, requireLead, csrfProtection, async (request, response) => {
    const account = accountOf(request);
    const { offlineHours } = officeSchema.validateSync(request.body);
    await door.inOffice(account.office, async (tx) => {
      await tx.update(offices).set({ offlineHours }).where(eq(offices.id, account.office));
      await logPeople(tx, keys, account, account.id, `let decisions arrive ${offlineHours} hours after they were signed without signal`); // prettier-ignore
    });
    response.json({ done: true });
  });

  const ownSessions = (request: Request) =>
    and(sql`${sessions.sess}->>'accountId' = ${accountOf(request).id}`, gt(sessions.expire, new Date()));

  router.get('/sessions', requireAccount, async (request, response) => {
    const { id: self, office } = accountOf(request);
    const [known] = await door.inOffice(office, (tx) =>
      tx.select({ email: accounts.email }).from(accounts).where(eq(accounts.id, self)),
    );
    const own = await door.inOffice(office, (tx) =>
      tx
        .select({ sid: sessions.sid, signedInAt: sql<string>`${sessions.sess}->>'signedInAt'` })
        .from(sessions)
        .where(ownSessions(request))
        .orderBy(asc(sessions.expire)),
    );
    response.json({
      email: known?.email ?? null,
      sessions: own.map(({ sid, signedInAt }) => ({
        signedInAt: new Date(Number(signedInAt)).toISOString(),
        here: sid === request.sessionID,
      })),
    });
  });

  router.delete('/sessions', requireAccount, csrfProtection, async (request, response) => {
    const account = accountOf(request);
    const now = new Date();
    await door.inOffice(account.office, async (tx) => {
      await tx.delete(sessions).where(and(ownSessions(request), ne(sessions.sid, request.sessionID)));
      await tx.update(accounts).set({ voidBefore: now }).where(eq(accounts.id, account.id));
      await logPeople(tx, keys, account, account.id, 'ended the other sessions');
    });
    request.session.signedInAt = now.getTime();
    response.json({ done: true });
  });

  return router;
}
