/**
 * npm run export -- FILE [OFFICE]: everything of an office as one file, a JSON line each, while the server runs.
 * npm run import -- FILE: into a database (DATABASE_URL, or the one that runs here), whole or not at all.
 */
import { createReadStream, createWriteStream } from 'node:fs';
import { join, resolve } from 'node:path';
import { createInterface } from 'node:readline';
import { once } from 'node:events';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { connect } from '../server/database/client';
import { migrate } from '../server/database/migrate';
import { offices } from '../server/database/schema';
import { EvidenceStore } from '../server/evidence/store';
import { openKeys } from '../server/ledger/keys';
import { officeLines, takeOffice } from '../server/office-file/office-file';
import { runningCluster } from './database.mjs';

/** The lines of a file, which is opened when the first is asked for: one that was opened before loses what it has read until then. */
async function* linesOf(path: string): AsyncGenerator<string> {
  yield* createInterface({ input: createReadStream(path, 'utf8'), crlfDelay: Infinity });
}

const root = fileURLToPath(new URL('..', import.meta.url));
const { values, positionals } = parseArgs({ allowPositionals: true, options: { import: { type: 'boolean' } } });
const [file, wanted] = positionals;

try {
  if (file === undefined) throw new Error('Say which file: npm run export -- FILE.');
  const url = process.env.DATABASE_URL ?? runningCluster(join(root, '.data', 'postgres'));
  if (url === undefined) throw new Error('Nothing runs here. Start it, or say which database: DATABASE_URL.');
  const store = new EvidenceStore(resolve(process.env.EVIDENCE_FOLDER ?? join(root, '.data', 'evidence')));
  const { db, pool } = connect(url, () => undefined);
  try {
    if (values.import) {
      await migrate(db); // a database that holds nothing yet is as good as one that was brought up
      const { publicKeys } = await openKeys(resolve(process.env.SEAL_KEYS ?? join(root, '.data', 'seal-keys.json')));
      const { name, people } = await takeOffice(pool, store, publicKeys, linesOf(resolve(file)));
      console.log(`${name}: taken in with its photos; its seals hold.`);
      console.log('Its people have no passwords here, and are switched off:');
      for (const one of people) console.log(`  ${one.name} (${one.role}) signs in as ${one.login}`);
      console.log('npm run reset -- SIGN-IN-NAME lets a lead in, who switches the others on and sends them links.');
    } else {
      const all = await db.select({ id: offices.id, name: offices.name }).from(offices);
      const office =
        wanted === undefined && all.length === 1
          ? all[0]
          : all.find(({ id, name }) => wanted === id || wanted === name);
      if (!office) throw new Error(`Say which office: ${all.map(({ name }) => `“${name}”`).join(', ')}.`);
      const out = createWriteStream(resolve(file), { mode: 0o600 });
      for await (const line of officeLines(pool, store, office.id))
        if (!out.write(`${line}\n`)) await once(out, 'drain');
      out.end();
      await once(out, 'finish');
      console.log(`${office.name} is in ${file}, with its photos. Its keys stay in their file.`);
    }
  } finally {
    await pool.end();
  }
} catch (error) {
  console.error((error as Error).message);
  process.exitCode = 2;
}
