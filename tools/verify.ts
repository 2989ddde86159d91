/**
 * npm run verify -- FILE [--key FINGERPRINT]: whether records that were saved as a file are as they were signed, and all there are.
 * npm run verify -- --database: the same of every decision in the database (DATABASE_URL, else that of npm start), without the
 * server. Exit code 0: everything holds; 1: something does not, and the first such thing is named; 2: it cannot be looked at, or not be proved.
 */
import { spawnSync } from 'node:child_process';
import { join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { VERIFIER } from '@careful-latch/core/verifier';
import { connect } from '../server/database/client';
import { offices } from '../server/database/schema';
import { EvidenceStore } from '../server/evidence/store';
import { verifyPhotos } from '../server/evidence/verify';
import { readAnchors } from '../server/ledger/anchor';
import { openKeys } from '../server/ledger/keys';
import { verifyOffice } from '../server/ledger/verify';
import { runningCluster, startCluster } from './database.mjs';

const root = fileURLToPath(new URL('..', import.meta.url));
const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    database: { type: 'boolean' },
    keys: { type: 'string', default: process.env.SEAL_KEYS ?? join(root, '.data', 'seal-keys.json') },
    anchors: { type: 'string', default: join(root, '.data', 'anchors') },
    photos: { type: 'string', default: process.env.EVIDENCE_FOLDER ?? join(root, '.data', 'evidence') },
    key: { type: 'string' },
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
      const { lines, wrong, unsigned, untold } = await verifyOffice(db, publicKeys, office.id, anchors);
      const photos = await verifyPhotos(db, new EvidenceStore(resolve(values.photos)), office.id);
      const last = anchors.filter((one) => one.office === office.id).at(-1);
      console.log(`${office.name}: ${wrong ?? `${lines} lines hold`}`);
      if (!wrong) {
        console.log(last ? `  vouched for up to line ${last.n}, ${last.day}` : '  no anchor vouches for the end');
        if (unsigned > 0)
          console.log(`  not proved: ${unsigned} changes that no line has signed yet; a day’s line does`);
        if (untold > 0) console.log(`  not proved: how ${untold} houses stand that are older than the lines of days`);
      }
      console.log(`  ${photos.wrong ?? `${photos.held} photos are as they were taken`}`);
      if (photos.absent > 0)
        console.log(`  not proved: ${photos.absent} photos are not here, never sent or taken away`);
      console.log(`  not looked at: ${NOT_COVERED}`);
      holds &&= wrong === undefined && photos.wrong === undefined;
    }
  } finally {
    await pool.end();
    await own?.stop();
  }
  return holds;
}

/** What no line of the ledger is about; see docs/running.md. */
const NOT_COVERED =
  'notes, storm days, what waits for the lead, who is party to a house, mails, and the days of the calendar';

/** A saved record, by the program that goes with every package. */
function file(path: string): number {
  const key = values.key === undefined ? [] : ['--key', values.key];
  const { status } = spawnSync(process.execPath, ['--input-type=module', '-', ...key, path], { input: VERIFIER, stdio: ['pipe', 'inherit', 'inherit'] }); // prettier-ignore
  return status ?? 2;
}

try {
  if (!values.database && positionals.length !== 1) throw new Error('Say what to verify: a FILE, or --database.');
  process.exitCode = values.database ? ((await database()) ? 0 : 1) : file(positionals[0]!);
} catch (error) {
  console.error((error as Error).message);
  process.exitCode = 2;
}
