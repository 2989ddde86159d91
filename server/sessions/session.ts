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

/** The account of a request that `requireAccount` let through. */
export function accountOf(request: Request): Account {
  return request.session.account!;
}

/** Only an inspector signs. */
export function requireInspector(account: Account): void {
  if (account.role !== 'inspector')
    throw new Problem(403, 'Inspectors only', 'Only an inspector of the office can sign a decision.');
}
