// Runs one of our TypeScript programs: node tools/run.mjs FILE ARGS…
// Bundled first, for file by file the same program is three times slower; the bundle is kept until a file in it changes.
import { existsSync } from 'node:fs';
import { basename, join, sep } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { bundle } from './bundle.mjs';

const root = fileURLToPath(new URL('..', import.meta.url));
if (!existsSync(join(root, 'node_modules', 'esbuild'))) {
  console.error('The packages are not installed yet. Run npm install, or npm start, once.');
  process.exit(2);
}
const [file, ...args] = process.argv.slice(2);

/** Packages stay outside of the bundle, but for those of the core: in it, they start sooner. */
const packagesOutside = {
  name: 'packages',
  setup({ onResolve }) {
    const inside = [join(root, 'core'), join(root, 'node_modules')].map((path) => path + sep);
    onResolve({ filter: /^[^./]/ }, ({ path, importer }) =>
      importer === '' || path.startsWith('@careful-latch/') || inside.some((one) => importer.startsWith(one))
        ? undefined
        : { external: true },
    );
  },
};

const outfile = await bundle({
  root,
  entry: join(root, file),
  outfile: join(root, 'node_modules', '.cache', 'careful-latch', `${basename(file, '.ts')}.mjs`),
  plugins: [packagesOutside],
});
process.argv = [process.argv[0], outfile, ...args];
try {
  await import(pathToFileURL(outfile).href);
} catch (error) {
  if (!String(error?.code).startsWith('ERR_PARSE_ARGS')) throw error;
  console.error(`${error.message.split('. ')[0]}. What can be said stands in README.md and docs/running.md.`);
  process.exit(2);
}
