import type { Request, RequestHandler } from 'express';
import 'express-session';
import { inspects } from '@careful-latch/core/record';
import type { Door } from '../database/client';
import { Problem } from '../problems';
import type { Account } from './account';

declare module 'express-session' {
  interface SessionData {
    /** The account alone: what it may do is read afresh at every request. */
    accountId?: string;
    /** When its owner gave the password, ms since 1970: it ends some time after that, whatever is done in it. */
    signedInAt?: number;
    /** When its owner ended all others, ms since 1970: it holds on beside what was ended then. */
    keptAt?: number;
    /** When the password was given again in it, ms since 1970. */
    passwordAt?: number;
    /** When it was renewed last, ms since 1970: its week of idleness counts from then. */
    renewedAt?: number;
  }
}

declare module 'express-serve-static-core' {
  interface Request {
    account?: Account;
    /** Whose session it was: they are switched off, and may still send what they had entered. */
    switchedOff?: Account;
  }
}

/** However busy a session is, its owner gives the password again after this. */
const LONGEST_SESSION_MS = 30 * 24 * 3600 * 1000;

/** A session in use is renewed this often. */
const RENEW_MS = 3600_000;

/** Reads afresh who a session belongs to: whoever is switched off or has another role is so from the next request on. */
export const readAccount =
  (door: Door): RequestHandler =>
  async (request, _response, next) => {
    const { accountId, signedInAt = 0, keptAt = 0 } = request.session;
    if (accountId !== undefined && Date.now() - signedInAt < LONGEST_SESSION_MS) {
      const account = await door.accountOf(accountId);
      if (account && Math.max(signedInAt, keptAt) >= account.voidBeforeMs) {
        const { voidBeforeMs: _, ...who } = account;
        request.account = who;
        const { renewedAt = 0 } = request.session;
        if (Date.now() - renewedAt > RENEW_MS) request.session.renewedAt = Date.now();
      } else if (!account) request.switchedOff = await door.switchedOff(accountId);
    }
    next();
  };

/** Says whom a device takes for signed in; two tabs with two accounts have one session, and must not mix. */
const ACCOUNT_HEADER = 'x-account';

/** Refuses what a device asks for another than the session’s own. */
function requireSame(request: Request, account: Account): void {
  const meant = request.headers[ACCOUNT_HEADER];
  if (meant !== undefined && meant !== account.id)
    throw new Problem(
      409,
      'Somebody else',
      `${account.name} has signed in here meanwhile. Sign in again as yourself; what was entered stays on this device.`,
    );
}

export const requireAccount: RequestHandler = (request, _response, next) => {
  if (!request.account)
    throw new Problem(
      401,
      'Sign in',
      'Sign in first. What was entered stays on this device and goes to the office after that.',
    );
  requireSame(request, request.account);
  next();
};

/** As `requireAccount`, and lets through who is switched off by now: for what is kept for the lead. */
export const requireAccountEvenOff: RequestHandler = (request, response, next) => {
  if (!request.switchedOff) return requireAccount(request, response, next);
  requireSame(request, request.switchedOff);
  next();
};

/** What changes anything must say in whose name. */
export const requireNamed: RequestHandler = (request, _response, next) => {
  if (request.headers[ACCOUNT_HEADER] === undefined)
    throw new Problem(
      409,
      'In whose name?',
      'This page is older than the office and does not say in whose name it asks. Load it again; nothing that was entered is lost.',
    );
  next();
};

const hostOf = (origin: string): string | undefined => (URL.canParse(origin) ? new URL(origin).host : undefined);

/** Refuses what another site’s page sends: for those who have no session, and so no token, yet. */
export const sameOrigin: RequestHandler = (request, _response, next) => {
  const site = request.headers['sec-fetch-site'];
  const { origin, host } = request.headers;
  if ((site && site !== 'same-origin' && site !== 'none') || (origin && hostOf(origin) !== host))
    throw new Problem(
      403,
      'Another page',
      'This came from another site’s page; nothing was changed. Open Careful Latch itself.',
    );
  next();
};

/** The account of a request that `requireAccount` let through. */
export function accountOf(request: Request): Account {
  return request.account!;
}

/** Only an inspector signs. */
export function requireInspector(account: Account): void {
  if (!inspects(account.role))
    throw new Problem(403, 'Inspectors only', 'Only an inspector of the office may do that.');
}

/** Only the lead looks after people. */
export const requireLead: RequestHandler = (request, _response, next) => {
  if (accountOf(request).role !== 'lead')
    throw new Problem(403, 'The lead only', 'Only the lead of the office looks after its people.');
  next();
};

/** The lead of the office looks after all its people, the lead of a firm after those of the firm. */
export const requirePeopleLead: RequestHandler = (request, response, next) => {
  if (accountOf(request).role === 'firm-lead') next();
  else requireLead(request, response, next);
};
