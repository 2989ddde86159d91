import type { Transaction } from '../database/client';
import { parties } from '../database/schema';

/** Makes an account of outside party to a house from now on, again where it was before. */
export async function makeParty(
  tx: Transaction,
  by: { readonly id: string; readonly office: string },
  inspection: string,
  account: string,
): Promise<void> {
  const row = { office: by.office, inspection, account, by: by.id };
  await tx
    .insert(parties)
    .values(row)
    .onConflictDoUpdate({
      target: [parties.office, parties.inspection, parties.account],
      set: { by: by.id, since: new Date(), until: null, untilSeq: null },
    });
}
