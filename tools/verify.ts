/**
 * npm run verify -- FILE: whether a record that was saved as a file is as it was signed.
 * npm run verify -- --database: the same of every decision in the database (DATABASE_URL, else that of npm start), without the
 * server. Exit code 0: everything holds; 1: something does not, and the first such thing is named; 2: it cannot be looked at.
 */
import { readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { connect } from '../server/database/client';
import { offices } from '../server/database/schema';
import { readAnchors } from '../server/ledger/anchor';
import { openKeys } from '../server/ledger/keys';
import { verifyKept, verifyOffice, type KeptRecord } from '../server/ledger/verify';
import { runningCluster, startCluster } from './database.mjs';

const root = fileURLToPath(new URL('..', import.meta.url));
const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    database: { type: 'boolean' },
    keys: { type: 'string', default: process.env.SEAL_KEYS ?? join(root, '.data', 'seal-keys.json') },
    anchors: { type: 'string', default: join(root, '.data', 'anchors') },
  },
});

async function database(): Promise<boolean> {
  const folder = join(root, '.data', 'postgres');
  const running = process.env.DATABASE_URL ?? runningCluster(folder);
  const own = running === undefined ? await startCluster({ folder }) : undefined;
  const { db, pool } = connect(running ?? own!.url, () => undefined);
  let holds = true;
  try {
    const { publicKeys } = await openKeys(resolve(values.keys));
    const anchors = await readAnchors(resolve(values.anchors));
    for (const office of await db.select().from(offices)) {
      const { lines, wrong } = await verifyOffice(db, publicKeys, office.id, anchors);
      const last = anchors.filter((one) => one.office === office.id).at(-1);
      console.log(`${office.name}: ${wrong ?? `${lines} lines hold`}`);
      if (!wrong)
        console.log(last ? `  vouched for up to line ${last.n}, ${last.day}` : '  no anchor vouches for the end');
      holds &&= wrong === undefined;
    }
  } finally {
    await pool.end();
    await own?.stop();
  }
  return holds;
}

interface Kept {
  readonly records: KeptRecord[];
  readonly keys: { kid: string }[];
}

function readKept(path: string): Kept {
  try {
    const { records, keys } = JSON.parse(readFileSync(path, 'utf8')) as Kept;
    if (Array.isArray(records) && Array.isArray(keys)) return { records, keys };
  } catch {
    // said below
  }
  throw new Error(
    `${path} is no record that can be read. Right would be the file that “Save as a file” gives on a record’s screen.`,
  );
}

async function file(path: string): Promise<boolean> {
  const { records, keys } = readKept(path);
  let holds = true;
  for (const one of records) {
    const wrong = await verifyKept(keys, one);
    const { header, decision } = one.record;
    console.log(`${header.address}, ${decision.kind}, ${decision.at}: ${wrong ?? 'as it was signed'}`);
    holds &&= wrong === undefined;
  }
  console.log(`Signed with ${keys.map(({ kid }) => kid).join(', ')}. Ask the office whether that key is its own.`);
  return holds;
}

try {
  if (!values.database && positionals.length !== 1) throw new Error('Say what to verify: a FILE, or --database.');
  process.exitCode = (values.database ? await database() : await file(positionals[0]!)) ? 0 : 1;
} catch (error) {
  console.error((error as Error).message);
  process.exitCode = 2;
}
