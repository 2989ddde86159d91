// Runs one of our TypeScript programs: node tools/run.mjs FILE ARGS…
// Bundled first, for file by file the same program is three times slower; the bundle is kept until a file in it changes.
import { existsSync, mkdirSync, readFileSync, renameSync, statSync, writeFileSync } from 'node:fs';
import { basename, join, sep } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const root = fileURLToPath(new URL('..', import.meta.url));
if (!existsSync(join(root, 'node_modules', 'esbuild'))) {
  console.error('The packages are not installed yet. Run npm install, or npm start, once.');
  process.exit(2);
}
const [file, ...args] = process.argv.slice(2);
const entry = join(root, file);
const folder = join(root, 'node_modules', '.cache', 'careful-latch');
const outfile = join(folder, `${basename(file, '.ts')}.mjs`);
const list = `${outfile}.inputs.json`;

/** When a file last changed and how large it is; null where there is none. */
function stampOf(path) {
  const found = statSync(join(root, path), { throwIfNoEntry: false });
  return found ? `${found.mtimeMs} ${found.size}` : null;
}

function current() {
  if (!existsSync(outfile) || !existsSync(list)) return false;
  return Object.entries(JSON.parse(readFileSync(list, 'utf8'))).every(([path, stamp]) => stampOf(path) === stamp);
}

/** Packages stay outside of the bundle, but for those of the core: in it, they start sooner. */
function packagesOutside({ onResolve }) {
  const inside = [join(root, 'core'), join(root, 'node_modules')].map((path) => path + sep);
  onResolve({ filter: /^[^./]/ }, ({ path, importer }) =>
    importer === '' || path.startsWith('@careful-latch/') || inside.some((one) => importer.startsWith(one))
      ? undefined
      : { external: true },
  );
}

async function bundle() {
  const { build } = await import('esbuild');
  const made = `${outfile}-${process.pid}`; // another run may be reading the old one
  const { metafile } = await build({
    absWorkingDir: root,
    entryPoints: [entry],
    outfile: made,
    bundle: true,
    metafile: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    alias: { '@careful-latch/core': join(root, 'core') },
    plugins: [{ name: 'packages', setup: packagesOutside }],
    define: { 'import.meta.url': JSON.stringify(pathToFileURL(entry).href) },
    logLevel: 'warning',
  });
  const inputs = [...Object.keys(metafile.inputs), 'tools/run.mjs', 'package-lock.json'];
  writeFileSync(`${made}.json`, JSON.stringify(Object.fromEntries(inputs.map((path) => [path, stampOf(path)]))));
  renameSync(made, outfile);
  renameSync(`${made}.json`, list);
}

if (!current()) {
  mkdirSync(folder, { recursive: true });
  await bundle();
}
process.argv = [process.argv[0], outfile, ...args];
await import(pathToFileURL(outfile).href);
