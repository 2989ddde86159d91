import { desc, eq } from 'drizzle-orm';
import { Router } from 'express';
import { object, string } from 'yup';
import { bodyOf } from '../as-sent';
import { requirePassword } from '../people/password';
import type { Door } from '../database/client';
import { accounts, mails } from '../database/schema';
import type { SealKeys } from '../ledger/keys';
import { resetLink } from '../people/link';
import { slowly } from '../sessions/limits';
import { csrfProtection } from '../sessions/routes';
import { accountOf, requireAccount, requireLead, sameOrigin } from '../sessions/session';
import { postMail } from './outbox';

const MOST = 100;
export const forgottenSchema = object({
  login: string().trim().lowercase().required('Give your sign-in name.').max(100, 'At most 100 characters.'),
});
export const ownAddressSchema = object({
  email: string()
    .trim()
    .email('That is no mail address.')
    .max(200, 'At most 200 characters.')
    .nullable()
    .defined('Give a mail address, or null for none.'),
  /** A link to a new password goes there: whoever only holds the phone does not say where. */
  password: string().required('Give your password.').max(200),
});

/** The office’s outbox, shown to its lead; and whoever forgot their password, and has an address, gets a link by it. */
export function mailRoutes(door: Door, keys: SealKeys, wake: () => void, publicUrl: string): Router {
  const router = Router();
  router.get('/mails', requireAccount, requireLead, async (request, response) => {
    const { office } = accountOf(request);
    const rows = await door.inOffice(office, (tx) =>
      tx.select().from(mails).where(eq(mails.office, office)).orderBy(desc(mails.madeAt)).limit(MOST),
    );
    response.json({
      mails: rows.map(({ id, to, subject, madeAt, writtenAt }) => ({
        id,
        to,
        subject, // never the body: a link in it lets somebody in
        madeAt: madeAt.toISOString(),
        writtenAt: writtenAt?.toISOString() ?? null,
      })),
    });
  });

  router.patch(
    '/account',
    requireAccount,
    csrfProtection,
    slowly({ most: 10, of: (request) => accountOf(request).id }),
    async (request, response) => {
      const account = accountOf(request);
      const { id, office } = account;
      const { email, password } = bodyOf(ownAddressSchema, request);
      await requirePassword(door, account, password);
      await door.inOffice(office, (tx) =>
        tx
          .update(accounts)
          .set({ email: email || null })
          .where(eq(accounts.id, id)),
      );
      response.json({ done: true });
    },
  );

  /** Answers alike whether or not there is such a name: it tells nobody who is here. */
  router.post('/forgotten', sameOrigin, slowly({ most: 5, alsoWhatSucceeds: true }), async (request, response) => {
    const { login } = bodyOf(forgottenSchema, request);
    const office = await door.officeOf('login', login);
    if (office) {
      const [known] = await door.inOffice(office, (tx) => tx.select().from(accounts).where(eq(accounts.login, login)));
      const { email } = known ?? {};
      const made = known?.active && email ? await resetLink(door, keys, office, undefined, eq(accounts.login, login)) : undefined; // prettier-ignore
      if (made)
        await door.inOffice(office, (tx) =>
          postMail(tx, {
            office,
            to: email!,
            subject: 'A new password',
            body: `${known!.name},\n\nsomebody asked for a new password for ${login}. If it was you, open this within a day:\n\n${publicUrl}/join?for=password#${made.token}\n\nIf not, leave it be: nothing has changed.\n`,
          }),
        );
      wake();
    }
    response.json({ done: true });
  });
  return router;
}
