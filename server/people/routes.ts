import { randomUUID } from 'node:crypto';
import { hash } from '@node-rs/argon2';
import { and, asc, eq, gt, isNotNull, isNull, ne, or, sql, type SQL } from 'drizzle-orm';
import { Router, type Request } from 'express';
import { boolean, mixed, number, object, string } from 'yup';
import { ROLES, isOutside, oneLine, type Role } from '@careful-latch/core/record';
import { bodyOf } from '../as-sent';
import type { Door, Transaction } from '../database/client';
import { accounts, firms, inspections, invites, offices, sessions } from '../database/schema';
import type { SealKeys } from '../ledger/keys';
import { logPeople } from '../ledger/ledger';
import { sha256 } from '../ledger/line';
import { Problem, databaseCodeOf } from '../problems';
import { counted } from '../changes/apply';
import { seenBy } from '../inspections/queries';
import { postMail } from '../mail/outbox';
import { makeParty } from '../parties/party';
import { linkFor, resetLink } from './link';
import { requireOwnName } from './names';
import { timeZone } from './zone';
import { newPassword, requirePassword } from './password';
import { slowly } from '../sessions/limits';
import { beginSession, csrfProtection } from '../sessions/routes';
import type { Account } from '../sessions/account';
import { accountOf, requireAccount, requireLead, requirePeopleLead, sameOrigin } from '../sessions/session';

/** So many people of a firm are invited by mail within a day; the office knows whom it writes to. */
const MOST_FIRM_MAILS = 10;
const DAY_MS = 24 * 3600 * 1000;

async function requireFewMails(tx: Transaction, { id, role }: Account): Promise<void> {
  if (role === 'lead') return;
  const since = new Date(Date.now() + INVITED_MS - DAY_MS); // each can be used so long from when it was made
  const mailed = await tx.$count(invites, and(eq(invites.by, id), isNotNull(invites.email), gt(invites.expiresAt, since)));
  if (mailed >= MOST_FIRM_MAILS)
    throw new Problem(429, 'Enough for today', `A firm invites ${MOST_FIRM_MAILS} people by mail within a day. Give the others their link by hand.`);
} // prettier-ignore

/** How long an invitation can be used. */
const INVITED_MS = 7 * 24 * 3600 * 1000;

const line = (what: string, most = 200) => oneLine(what, most);
const role = mixed<Role>().oneOf(Object.keys(ROLES) as Role[], 'There is no such role.');
export const inviteSchema = object({
  role: role.required('Choose a role.'),
  name: line('The name').required('Whom do you invite?'),
  /** Of a contractor, or of one who leads a firm. */
  firm: line('The firm').default(''),
  /** The link goes there, too. */
  email: line('The mail address').email('That is no mail address.').default(''),
});
export const joinSchema = object({
  token: string().required('The link is not whole; open it as it was sent.').max(200),
  name: line('The name').default(''),
  login: line('A sign-in name', 100).lowercase().default(''),
  password: newPassword,
});
export const personChangeSchema = object({
  role: role.optional(),
  active: boolean().optional(),
  firm: line('The firm').min(1, 'Name the firm.').optional(),
});
export const passwordSchema = object({
  password: string().required('Give your present password.').max(200),
  next: newPassword,
});
export const passwordAgainSchema = object({ password: string().required('Give your password.').max(200) });
export const officeChangeSchema = object({
  offlineHours: number()
    .typeError('Hours are a number.')
    .integer('Whole hours.')
    .min(1, 'At least an hour.')
    .max(168, 'At most a week.')
    .optional(),
  zone: timeZone.optional(),
}).test('one', 'Say what is to be otherwise: offlineHours, or zone.', (wanted) =>
  Object.values(wanted).some((one) => one !== undefined),
);
const id = string().uuid('The address names nobody.').required();

const USED = new Problem(410, 'Used up', 'This link was used, taken back, or is too old. Ask the lead for another.');

/** Holds the office still, so that of two leads who demote each other at one moment only one does. */
const heldOffice = (tx: Transaction, office: string) =>
  tx.select().from(offices).where(eq(offices.id, office)).for('update');

/** The people whom somebody looks after: the lead all of the office, the lead of a firm those of the firm. */
const lookedAfter = (table: typeof accounts | typeof invites, { office, role, firm }: Account): SQL | undefined =>
  and(eq(table.office, office), role === 'lead' ? undefined : eq(table.firm, firm!));

/** Refuses what would leave an office, or a firm by its own hand, without a lead. */
async function requireALead(tx: Transaction, by: Account): Promise<void> {
  const [lead] = await tx
    .select({ id: accounts.id })
    .from(accounts)
    .where(and(lookedAfter(accounts, by), eq(accounts.role, by.role), eq(accounts.active, true)))
    .limit(1);
  const whose = by.role === 'lead' ? 'An office' : 'A firm';
  if (!lead) throw new Problem(409, 'The last lead', `${whose} has a lead. Make somebody else one first.`);
}

/** Ends links that nobody has used yet: to a password that is another by now, or by somebody who is not of the office any more. */
const endLinks = (tx: Transaction, which: SQL) =>
  tx
    .update(invites)
    .set({ usedAt: new Date() })
    .where(and(which, isNull(invites.usedAt)));

/** The firm of a name, made where the office had none; the one there is where only the capitals differ. */
async function firmNamed(tx: Transaction, office: string, name: string): Promise<string> {
  const known = and(eq(firms.office, office), sql`lower(${firms.name}) = lower(${name})`);
  await tx.insert(firms).values({ id: randomUUID(), office, name }).onConflictDoNothing();
  const [firm] = await tx.select({ id: firms.id }).from(firms).where(known);
  return firm!.id;
}

/** The firm of somebody who is invited as something. Throws a Problem where the two do not go together. */
async function firmOfInvited(tx: Transaction, by: Account, as: Role, name: string): Promise<string | undefined> {
  if (by.role === 'firm-lead') {
    if (!isOutside(as)) throw new Problem(403, 'Your firm only', 'You invite people of your firm; the office invites its own.'); // prettier-ignore
    return by.firm!;
  }
  if (as === 'firm-lead' && name === '') throw new Problem(422, 'Of which firm?', 'Name the firm that they lead.');
  if (!isOutside(as) && name !== '') throw new Problem(422, 'Of no firm', 'Whoever is of the office is of no firm.');
  return name === '' ? undefined : firmNamed(tx, by.office, name);
}

/** Why somebody does not become something; undefined where they do. An account of a firm never turns into one of the office, or its records would go along. */
function whyNotAs(by: Account, person: { role: Role; firm: string | null }, wanted: { role?: Role; firm?: string }) {
  const role = wanted.role ?? person.role;
  if (by.role === 'firm-lead' && !isOutside(role)) return 'You look after the people of your firm; the office says who is of the office.'; // prettier-ignore
  if (person.firm !== null && !isOutside(role))
    return 'They are of a firm. Invite them anew as somebody of the office.';
  if (wanted.firm === undefined) return role === 'firm-lead' && person.firm === null ? 'Say first of which firm they are.' : undefined; // prettier-ignore
  if (person.firm !== null) return 'They are of a firm already. Whoever goes to another is invited anew, and leaves its records where they are.'; // prettier-ignore
  return isOutside(role) ? undefined : 'Whoever is of the office is of no firm.';
}

async function peopleOf(tx: Transaction, account: Account) {
  const people = await tx
    .select({
      id: accounts.id,
      login: accounts.login,
      name: accounts.name,
      role: accounts.role,
      active: accounts.active,
      firm: firms.name,
    })
    .from(accounts)
    .leftJoin(firms, eq(firms.id, accounts.firm))
    .where(lookedAfter(accounts, account))
    .orderBy(asc(accounts.name));
  const open = await tx
    .select({
      id: invites.id,
      name: invites.name,
      role: invites.role,
      expiresAt: invites.expiresAt,
      firm: firms.name,
    })
    .from(invites)
    .leftJoin(firms, eq(firms.id, invites.firm))
    .where(
      and(
        lookedAfter(invites, account),
        isNull(invites.usedAt),
        isNull(invites.account),
        gt(invites.expiresAt, new Date()),
      ),
    )
    .orderBy(asc(invites.expiresAt));
  return { people, invites: open };
}

/** The people of an office, who may come in, and each one’s own password and sessions. */
export function peopleRoutes(door: Door, keys: SealKeys, wake: () => void, publicUrl: string): Router {
  const router = Router();
  const slow = slowly({ most: 20 });

  router.get('/people', requireAccount, requirePeopleLead, async (request, response) => {
    const account = accountOf(request);
    response.json(await door.inOffice(account.office, (tx) => peopleOf(tx, account)));
  });

  router.post('/invites', requireAccount, requirePeopleLead, csrfProtection, async (request, response) => {
    const account = accountOf(request);
    const { name, role: as, firm: named, email } = bodyOf(inviteSchema, request);
    const firmName = account.role === 'lead' ? named : ''; // the lead of a firm invites into no other
    const made = await door.inOffice(account.office, async (tx) => {
      const firm = await firmOfInvited(tx, account, as, firmName);
      if (email) await requireFewMails(tx, account);
      await logPeople(tx, keys, account, account.id, `invited ${name} as ${as}${firmName && ` of ${firmName}`}`);
      const link = await linkFor(tx, account, { name, role: as, firm, email: email || undefined }, INVITED_MS);
      if (email)
        await postMail(tx, {
          office: account.office,
          to: email,
          subject: 'You are invited',
          // Nothing that the lead of a firm has typed: a stranger would read it as the office’s word.
          body: `${account.role === 'lead' ? `${name},\n\n${account.name} invites you` : 'The lead of a firm invites you'} to Careful Latch. Open this within a week, and give yourself a name and a password:\n\n${publicUrl}/join#${link.token}\n\nIt can be used once.\n`,
        });
      return link;
    });
    if (email) wake();
    response.status(201).json(made);
  });

  router.delete('/invites/:id', requireAccount, requirePeopleLead, csrfProtection, async (request, response) => {
    const account = accountOf(request);
    const invite = id.validateSync(request.params.id);
    await door.inOffice(account.office, async (tx) => {
      const taken = await tx
        .update(invites)
        .set({ usedAt: new Date() })
        .where(and(eq(invites.id, invite), lookedAfter(invites, account), isNull(invites.usedAt)))
        .returning({ name: invites.name });
      if (taken.length === 0) throw new Problem(404, 'Not found', 'There is no such invitation.');
      await logPeople(tx, keys, account, account.id, `took back the invitation of ${taken[0]!.name}`);
    });
    response.json({ done: true });
  });

  /** Whoever has a link makes the account that it is for, or gives their own a new password. */
  router.post('/join', sameOrigin, slow, async (request, response) => {
    const { token, name, login, password } = bodyOf(joinSchema, request);
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
          await endLinks(tx, eq(invites.account, asked.account));
          await logPeople(tx, keys, own!, own!.id, 'gave a new password by a link of the lead');
          return own!.login;
        }
        const made = {
          id: randomUUID(),
          office: asked.office,
          login,
          name,
          role: asked.role!,
          firm: asked.firm,
          email: asked.email,
        };
        await requireOwnName(tx, asked.office, name);
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

  router.patch('/people/:id', requireAccount, requirePeopleLead, csrfProtection, async (request, response) => {
    const account = accountOf(request);
    const person = id.validateSync(request.params.id);
    const wanted = bodyOf(personChangeSchema, request);
    await door.inOffice(account.office, async (tx) => {
      await heldOffice(tx, account.office);
      const [known] = await tx
        .select()
        .from(accounts)
        .where(and(eq(accounts.id, person), lookedAfter(accounts, account)));
      if (!known) throw new Problem(404, 'Not found', 'There is nobody such here.');
      const whyNot = whyNotAs(account, known, wanted);
      if (whyNot !== undefined) throw new Problem(422, 'Not that', whyNot);
      const off = wanted.active === false;
      const firm = wanted.firm === undefined ? known.firm : await firmNamed(tx, account.office, wanted.firm);
      await tx
        .update(accounts)
        .set({ role: wanted.role, active: wanted.active, firm, ...(off && { voidBefore: new Date() }) })
        .where(eq(accounts.id, person));
      if (off) await endLinks(tx, or(eq(invites.by, person), eq(invites.account, person))!);
      await requireALead(tx, account);
      if (firm !== known.firm) {
        const seq = await counted(tx, account.office); // each hears of the houses of the other
        await tx
          .update(inspections)
          .set({ seq })
          .where(seenBy({ ...known, firm }));
      }
      const did = [
        wanted.firm !== undefined && `made ${known.name} one of ${wanted.firm}`,
        wanted.role && `made ${known.name} ${wanted.role}`,
        wanted.active !== undefined && `switched ${known.name} ${off ? 'off' : 'on'}`,
      ];
      await logPeople(tx, keys, account, person, did.filter(Boolean).join(', '));
    });
    response.json({ done: true });
  });

  router.post('/people/:id/reset', requireAccount, requirePeopleLead, csrfProtection, async (request, response) => {
    const account = accountOf(request);
    const person = id.validateSync(request.params.id);
    const made = await resetLink(
      door,
      keys,
      account.office,
      account,
      and(eq(accounts.id, person), lookedAfter(accounts, account))!,
    );
    if (!made) throw new Problem(404, 'Not found', 'There is nobody such here.');
    response.status(201).json(made);
  });

  /** Whoever changes their password ends every session of theirs but this one. */
  router.post('/password', requireAccount, csrfProtection, slow, async (request, response) => {
    const account = accountOf(request);
    const { password, next } = bodyOf(passwordSchema, request);
    await requirePassword(door, account, password);
    const passwordHash = await hash(next);
    const now = new Date();
    await door.inOffice(account.office, async (tx) => {
      await tx.update(accounts).set({ passwordHash, voidBefore: now }).where(eq(accounts.id, account.id));
      await endLinks(tx, eq(invites.account, account.id));
      await logPeople(tx, keys, account, account.id, 'changed the password');
    });
    await beginSession(request, account.id);
    response.json({ done: true });
  });

  /** Whoever signs after more than a day gives the password again. */
  router.post('/session/password', requireAccount, csrfProtection, slow, async (request, response) => {
    const account = accountOf(request);
    const { password } = bodyOf(passwordAgainSchema, request);
    await requirePassword(door, account, password);
    request.session.passwordAt = Date.now();
    response.json({ done: true });
  });

  router.patch('/office', requireAccount, requireLead, csrfProtection, async (request, response) => {
    const account = accountOf(request);
    const { offlineHours, zone } = bodyOf(officeChangeSchema, request);
    const did = [
      offlineHours !== undefined && `let decisions arrive ${offlineHours} hours after they were signed without signal`,
      zone !== undefined && `set the office’s time zone to ${zone}`,
    ];
    await door.inOffice(account.office, async (tx) => {
      await tx.update(offices).set({ offlineHours, zone }).where(eq(offices.id, account.office));
      await logPeople(tx, keys, account, account.id, did.filter(Boolean).join(', '));
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
    request.session.keptAt = now.getTime();
    response.json({ done: true });
  });

  return router;
}
