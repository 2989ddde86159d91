import { dictionary } from '@zxcvbn-ts/language-common';
import { verify } from '@node-rs/argon2';
import { eq } from 'drizzle-orm';
import { string } from 'yup';
import type { Door } from '../database/client';
import { accounts } from '../database/schema';
import { Problem } from '../problems';
import type { Account } from '../sessions/account';

const COMMON: ReadonlySet<string> = new Set(dictionary['passwords-common']);

/** A password that somebody chooses. */
export const newPassword = string()
  .required('Give a password.')
  .min(10, 'A password has at least 10 characters.')
  .max(200, 'A password has at most 200 characters.')
  .test(
    'common',
    'This password is one of the most common, which are tried first. Choose another.',
    (password) => !COMMON.has((password ?? '').toLowerCase()),
  );

/** Refuses whoever does not know the password of the account that they are signed in with. */
export async function requirePassword(door: Door, account: Account, password: string): Promise<void> {
  const [known] = await door.inOffice(account.office, (tx) =>
    tx.select({ hash: accounts.passwordHash }).from(accounts).where(eq(accounts.id, account.id)),
  );
  if (!known || !(await verify(known.hash, password)))
    throw new Problem(422, 'Not it', 'This is not your present password. Nothing was changed.');
}
