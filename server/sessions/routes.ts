import { createHmac, randomUUID } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import { parse as parseCookie } from 'cookie';
import { csrfSync } from 'csrf-sync';
import { and, asc, eq, inArray } from 'drizzle-orm';
import { may, whoMay } from '@careful-latch/core/record';
import { Router, type Request, type RequestHandler, type Response } from 'express';
import { object, string } from 'yup';
import { bodyOf } from '../as-sent';
import type { Door, Transaction } from '../database/client';
import { accounts, firms, offices } from '../database/schema';
import { DEMO_PASSWORD } from '../demo/password';
import { Problem } from '../problems';
import { newestRules } from '../rules/queries';
import { addressOf, slowly } from './limits';
import type { Account } from './account';
import { requireAccountEvenOff, sameOrigin } from './session';
import type { SessionStore } from './store';

const csrf = csrfSync({ getTokenFromRequest: (request) => request.headers['x-csrf-token'] as string });
/** Refuses every change that does not carry the session's own token. */
export const csrfProtection = csrf.csrfSynchronisedProtection;

const MOST_LOGIN = 100;
export const credentialsSchema = object({
  login: string()
    .trim()
    .lowercase()
    .required('Give your sign-in name.')
    .max(MOST_LOGIN, `A sign-in name has at most ${MOST_LOGIN} characters.`),
  password: string().required('Give your password.').max(200, 'A password has at most 200 characters.'),
});

/** Who of an office may be sent to a house. */
const inspectorsOf = async (tx: Transaction, office: string): Promise<string[]> =>
  (
    await tx
      .select({ name: accounts.name })
      .from(accounts)
      .where(
        and(eq(accounts.office, office), eq(accounts.active, true), inArray(accounts.role, [...whoMay('inspect')])),
      )
      .orderBy(asc(accounts.name))
  ).map(({ name }) => name);

/** An office as its people see it: with the rules that it has adopted last, whose edition is the office’s then; and the name of one’s own firm. */
async function officeIn(tx: Transaction, { office: id, firm, role }: Account) {
  const [office] = await tx.select().from(offices).where(eq(offices.id, id));
  const rules = (await newestRules(tx, id)) ?? null;
  const [own] = firm === null ? [] : await tx.select({ name: firms.name }).from(firms).where(eq(firms.id, firm));
  return office
    ? {
        id,
        name: office.name,
        firm: own?.name ?? null,
        edition: rules?.profile.edition ?? office.edition,
        rules,
        offlineHours: office.offlineHours,
        zone: office.zone,
        inspectors: may(role, 'see-office') ? await inspectorsOf(tx, id) : [],
      }
    : null;
}

/** In the place of a hash where somebody has no password yet. */
export const NO_PASSWORD = '!';

/** An office that there is none of. */
const NOWHERE = randomUUID();
/** Verifying against this keeps an unknown name as slow as a wrong password. */
const NOBODY = hash('nobody has this password');

async function accountFor(door: Door, login: string, password: string): Promise<Account> {
  // For a name that nobody has the same is asked: how long it takes tells nothing.
  const office = (await door.officeOf('login', login)) ?? NOWHERE;
  const [row] = await door.inOffice(office, (tx) => tx.select().from(accounts).where(eq(accounts.login, login)));
  const hasOne = row !== undefined && row.passwordHash !== NO_PASSWORD;
  const right = (await verify(hasOne ? row.passwordHash : await NOBODY, password)) && hasOne;
  if (!row?.active || !right)
    throw new Problem(
      401,
      'Not signed in',
      'Name and password do not belong together. Nothing that was entered is lost.',
    );
  return { id: row.id, office: row.office, login: row.login, name: row.name, role: row.role, firm: row.firm };
}

/** Another session in the place of the one that was: nothing that knew the old one knows it. */
function renewSession(request: Request): Promise<void> {
  return new Promise((resolve, reject) =>
    request.session.regenerate((error?: Error) => (error ? reject(error) : resolve())),
  );
}

/** Begins a session for somebody who has just given the password; what their page carries goes on. */
export async function beginSession(request: Request, accountId: string): Promise<void> {
  const { csrfToken } = request.session as { csrfToken?: string };
  const goesOn = request.account !== undefined && csrfToken !== undefined;
  await renewSession(request);
  (request.sessionStore as unknown as SessionStore).begin(request.sessionID);
  const now = Date.now();
  Object.assign(request.session, { accountId, signedInAt: now, passwordAt: now, ...(goesOn && { csrfToken }) });
}

/** The cookie of a device on which somebody has signed in before. */
const KNOWN = 'careful-latch-known';
const YEAR_MS = 365 * 24 * 3600 * 1000;

export function sessionRoutes(door: Door, secret: string): Router {
  const router = Router();

  async function demoAccounts() {
    const office = await door.officeOf('demo');
    if (!office) return [];
    const all = await door.inOffice(office, (tx) =>
      tx
        .select({ login: accounts.login, name: accounts.name, role: accounts.role })
        .from(accounts)
        .where(eq(accounts.demo, true))
        .orderBy(accounts.login),
    );
    return all.map((one) => ({ ...one, password: DEMO_PASSWORD }));
  }

  async function sessionState(request: Request) {
    const account = request.account ?? null;
    const office = account && (await door.inOffice(account.office, (tx) => officeIn(tx, account)));
    return {
      // A stranger has no session to protect yet, and makes no row: the token comes with the account.
      csrfToken: account || request.switchedOff ? csrf.generateToken(request) : null,
      /** Whoever asks was switched off; what they still send is kept for the lead. */
      switchedOff: request.switchedOff !== undefined,
      account: account && { id: account.id, login: account.login, name: account.name, role: account.role },
      office,
      /** When the password was given last. */
      passwordAt: account ? (request.session.passwordAt ?? request.session.signedInAt ?? 0) : null,
      demo: account ? [] : await demoAccounts(),
      needsSetup: !account && (await door.officeIds()).length === 0,
    };
  }

  router.get('/session', async (request, response) => {
    response.json(await sessionState(request));
  });

  const loginOf = ({ body }: Request) => {
    const { login } = (body ?? {}) as { login?: unknown };
    return typeof login === 'string' ? login.slice(0, MOST_LOGIN).trim().toLowerCase() : ''; // what is counted is kept
  };
  /** What a device is given once its owner has signed in on it: whoever tries that name from elsewhere cannot lock it out. */
  const knownAs = (login: string) => createHmac('sha256', secret).update(`known ${login}`).digest('base64url');
  const isKnown = (request: Request) => parseCookie(request.headers.cookie ?? '')[KNOWN] === knownAs(loginOf(request));
  const limits: RequestHandler[] = [
    slowly({ most: 100, of: (request) => (isKnown(request) ? `known ${loginOf(request)}` : addressOf(request)) }),
    // By many addresses, too, one name is tried so often; a device on which its owner has signed in before has its own count.
    slowly({ most: 30, of: (request) => `${isKnown(request) ? 'known' : 'anywhere'} ${loginOf(request)}` }),
    slowly({ most: 10, of: (request) => `${isKnown(request) ? 'known' : addressOf(request)} ${loginOf(request)}` }),
  ];
  router.post('/session', sameOrigin, ...limits, async (request: Request, response: Response) => {
    const { login, password } = bodyOf(credentialsSchema, request);
    const account = await accountFor(door, login, password);
    await beginSession(request, account.id); // a session from before the sign-in is never reused after it
    request.account = account;
    response.cookie(KNOWN, knownAs(account.login), {
      httpOnly: true,
      sameSite: 'lax',
      secure: request.secure,
      maxAge: YEAR_MS,
    });
    response.json(await sessionState(request));
  });

  router.delete('/session', requireAccountEvenOff, csrfProtection, async (request, response) => {
    await renewSession(request);
    delete request.account;
    delete request.switchedOff;
    response.json(await sessionState(request));
  });

  return router;
}
