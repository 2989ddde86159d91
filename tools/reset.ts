/**
 * npm run reset -- SIGN-IN-NAME: a link to a new password, for whoever has nobody else to ask: the only lead of an office. It is
 * used once within a day, and switches on whoever is off, as everybody is in an office that was just imported. The office’s database is DATABASE_URL, else that of npm start while it runs.
 */
import { join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { eq } from 'drizzle-orm';
import { connect } from '../server/database/client';
import { accounts } from '../server/database/schema';
import { openKeys } from '../server/ledger/keys';
import { resetLink } from '../server/people/link';
import { runningCluster } from './database.mjs';

const root = fileURLToPath(new URL('..', import.meta.url));
const login = process.argv[2]?.trim().toLowerCase();
const url = process.env.DATABASE_URL ?? runningCluster(join(root, '.data', 'postgres'));
if (login === undefined || url === undefined) {
  console.error(
    login === undefined
      ? 'Say whose: npm run reset -- SIGN-IN-NAME.'
      : 'The office does not run here. Start it, or give DATABASE_URL.',
  );
  process.exit(2);
}
const { door, pool } = connect(url, () => undefined);
const keys = await openKeys(resolve(process.env.SEAL_KEYS ?? join(root, '.data', 'seal-keys.json')));
const office = await door.officeOf('login', login);
const made = office && (await resetLink(door, keys, office, undefined, eq(accounts.login, login), true));
await pool.end();
if (made) console.log(`Open at the office’s address, until ${made.expiresAt}:\n  /join?for=password#${made.token}`);
else {
  console.error(`Nobody here signs in as ${login}.`);
  process.exitCode = 1;
}
