import { eq } from 'drizzle-orm';
import unhomoglyph from 'unhomoglyph';
import type { Transaction } from '../database/client';
import { accounts } from '../database/schema';
import { Problem } from '../problems';

/** What a name looks like: letters of other scripts as those that they are taken for, whatever their case, and without what stands between them. */
const looksLike = (name: string): string =>
  unhomoglyph(unhomoglyph(name.normalize('NFKD')).toLowerCase())
    .replace(/[\p{M}\p{P}\p{Z}\p{C}\p{S}]/gu, '')
    .toLowerCase();

/**
 * Refuses a name that somebody of an office has or had, or one that looks the same: by their names people are told apart in records, on
 * papers and where two recorded differently. The office's row is to be held by the transaction. Throws a `Problem`.
 */
export async function requireOwnName(tx: Transaction, office: string, name: string): Promise<void> {
  const wanted = looksLike(name);
  const known = await tx.select({ name: accounts.name }).from(accounts).where(eq(accounts.office, office));
  if (wanted === '' || known.some((one) => looksLike(one.name) === wanted))
    throw new Problem(
      409,
      'Name in use',
      'Somebody of this office signs by that name, or by one that looks the same. Add a middle name or an initial, so that records tell you apart.',
    );
}
