import type { Request, RequestHandler } from 'express';
import 'express-session';
import { Problem } from '../problems';

/** Who is signed in. */
export interface Account {
  readonly id: string;
  readonly office: string;
  readonly login: string;
  readonly name: string;
  readonly role: 'inspector' | 'contractor';
}

declare module 'express-session' {
  interface SessionData {
    account?: Account;
  }
}

export const requireAccount: RequestHandler = (request, _response, next) => {
  if (!request.session.account)
    throw new Problem(
      401,
      'Sign in',
      'Sign in first. What was entered stays on this device and goes to the office after that.',
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
  return request.session.account!;
}

/** Only an inspector signs. */
export function requireInspector(account: Account): void {
  if (account.role !== 'inspector')
    throw new Problem(403, 'Inspectors only', 'Only an inspector of the office can sign a decision.');
}
