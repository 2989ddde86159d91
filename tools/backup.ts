/**
 * npm run backup -- FOLDER: database and photos into a new folder, while the server runs. Keys are kept apart.
 * npm run restore -- FOLDER: back into an empty database (DATABASE_URL), and every seal verified.
 */
import { join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { backUp, restore, type Place } from '../server/backup/backup';
import { connect } from '../server/database/client';
import { offices } from '../server/database/schema';
import { openKeys } from '../server/ledger/keys';
import { verifyOffice } from '../server/ledger/verify';
import { postgresPrograms, runningCluster } from './database.mjs';

const root = fileURLToPath(new URL('..', import.meta.url));
const { values, positionals } = parseArgs({ allowPositionals: true, options: { restore: { type: 'boolean' } } });
const keysFile = resolve(process.env.SEAL_KEYS ?? join(root, '.data', 'seal-keys.json'));

function placeOf(databaseUrl: string | undefined, missing: string): Place {
  const programs = postgresPrograms();
  if (databaseUrl === undefined) throw new Error(missing);
  if (!programs) throw new Error('PostgreSQL’s programs are not on this machine (Debian package postgresql).');
  return {
    databaseUrl,
    programs,
    evidenceFolder: resolve(process.env.EVIDENCE_FOLDER ?? join(root, '.data', 'evidence')),
  };
}

async function verified(databaseUrl: string): Promise<void> {
  const { db, pool } = connect(databaseUrl, () => undefined);
  const { publicKeys } = await openKeys(keysFile);
  for (const { id, name } of await db.select().from(offices)) {
    const { lines, wrong } = await verifyOffice(db, publicKeys, id);
    console.log(`${name}: ${wrong ?? `${lines} lines hold`}`);
    if (wrong) process.exitCode = 1;
  }
  await pool.end();
}

try {
  const [folder] = positionals;
  if (folder === undefined) throw new Error('Say which folder: npm run backup -- FOLDER.');
  if (values.restore) {
    const place = placeOf(process.env.DATABASE_URL, 'Say into which empty database: DATABASE_URL.');
    await restore(place, resolve(folder));
    await verified(place.databaseUrl);
  } else {
    const running = process.env.DATABASE_URL ?? runningCluster(join(root, '.data', 'postgres'));
    await backUp(
      placeOf(running, 'Nothing runs here. Start it, or say which database: DATABASE_URL.'),
      resolve(folder),
    );
    console.log(`Database and photos are in ${folder}. Keep ${keysFile} apart from it.`);
  }
} catch (error) {
  console.error((error as Error).message);
  process.exitCode = 2;
}
