/** npm run examples -- FOLDER: writes every example out as the whole case file that it stands for. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { EXAMPLES, example } from '../core/test/examples';

const [folder, ...more] = process.argv.slice(2);
if (folder === undefined || more.length > 0) {
  console.error('usage: npm run examples -- FOLDER');
  process.exit(2);
}
try {
  mkdirSync(folder, { recursive: true });
  for (const name of EXAMPLES)
    writeFileSync(join(folder, `${name}.json`), `${JSON.stringify(example(name), null, 2)}\n`);
  console.log(`${EXAMPLES.length} examples, each a whole case file, in ${folder}`);
} catch (error) {
  console.error(`${folder}: they cannot be written there (${(error as NodeJS.ErrnoException).code})`);
  process.exitCode = 2;
}
