import { sql } from 'drizzle-orm';
import type { Database } from '../database/client';
import { decisions, destroyed, inspections } from '../database/schema';
import { Problem } from '../problems';
import type { EvidenceStore } from './store';

/** What was verified of an office's photos. */
interface VerifiedPhotos {
  /** The first whose file was altered; absent where none was. */
  readonly wrong?: string;
  readonly held: number;
  /** Named by a house or a sealed record, and not here: never sent by its device, or taken away. */
  readonly absent: number;
}

/** Hashes every photo that a house or a sealed record of an office names, but those that were destroyed. */
export async function verifyPhotos(db: Database, store: EvidenceStore, office: string): Promise<VerifiedPhotos> {
  const named = sql`jsonb_array_elements(e) as p where p->'photo'->>'sha256' is not null`;
  const { rows } = await db.execute<{ sha: string; address: string }>(sql`
    select distinct on (sha) sha, address from (
      select p->'photo'->>'sha256' as sha, address from (select address, evidence as e from ${inspections} where office = ${office}) i, ${named}
      union all
      select p->'photo'->>'sha256', address from (
        select record->'header'->>'address' as address, record->'evidence' as e from ${decisions}
        where office = ${office} and jsonb_typeof(record->'evidence') = 'array') d, ${named}) all_named
    where not exists (select from ${destroyed} x where x.office = ${office} and x.subject = sha) order by sha`);
  let held = 0;
  for (const { sha, address } of rows)
    try {
      if (await store.read(office, sha)) held++;
    } catch (error) {
      if (!(error instanceof Problem)) throw error;
      return { wrong: `A photo of ${address} (${sha}): its file was altered.`, held, absent: 0 };
    }
  return { held, absent: rows.length - held };
}
