import { randomBytes, randomUUID } from 'node:crypto';
import { and, eq, type SQL } from 'drizzle-orm';
import type { Role } from '@careful-latch/core/record';
import type { Door, Transaction } from '../database/client';
import { accounts, invites } from '../database/schema';
import type { SealKeys } from '../ledger/keys';
import { logPeople } from '../ledger/ledger';
import { sha256 } from '../ledger/line';

/** How long a link to a new password can be used. */
const RESET_MS = 24 * 3600 * 1000;

type By = { readonly id: string; readonly office: string };

/** Makes a link that can be used once: its secret goes to whoever asked, and only its hash stays. */
export async function linkFor(
  tx: Transaction,
  by: By,
  wanted: {
    name: string;
    role?: Role;
    account?: string;
    firm?: string | undefined;
    email?: string | undefined;
    inspection?: string;
  },
  lastsMs: number,
) {
  const token = randomBytes(32).toString('base64url');
  const expiresAt = new Date(Date.now() + lastsMs);
  await tx
    .insert(invites)
    .values({ id: randomUUID(), office: by.office, tokenHash: sha256(token), by: by.id, expiresAt, ...wanted });
  return { token, expiresAt: expiresAt.toISOString() };
}

/**
 * A link to a new password of the one account of an office that `which` names; made by somebody, else by that account itself. `on` switches it
 * on, too, where it is off. Undefined where there is none.
 */
export const resetLink = (door: Door, keys: SealKeys, office: string, by: By | undefined, which: SQL, on = false) =>
  door.inOffice(office, async (tx) => {
    const [known] = await tx
      .select()
      .from(accounts)
      .where(and(eq(accounts.office, office), which));
    if (!known) return undefined;
    if (on && !known.active) {
      await tx.update(accounts).set({ active: true }).where(eq(accounts.id, known.id));
      await logPeople(tx, keys, by ?? known, known.id, `switched ${known.name} on, at the machine of the office`);
    }
    await logPeople(tx, keys, by ?? known, known.id, `made a link to a new password for ${known.name}`);
    return linkFor(tx, by ?? known, { name: known.name, account: known.id }, RESET_MS);
  });
