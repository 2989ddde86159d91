// One TypeScript program and all that it imports as one file, made again when one of its sources changed.
import { existsSync, mkdirSync, readFileSync, renameSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join, relative, sep } from 'node:path';

/** When a file last changed and how large it is; null where there is none. */
function stampOf(path) {
  const found = statSync(path, { throwIfNoEntry: false });
  return found ? `${found.mtimeMs} ${found.size}` : null;
}

function isCurrent(root, outfile) {
  const list = `${outfile}.inputs.json`;
  if (!existsSync(outfile) || !existsSync(list)) return false;
  return Object.entries(JSON.parse(readFileSync(list, 'utf8'))).every(
    ([path, stamp]) => stampOf(join(root, path)) === stamp,
  );
}

/** Our own files keep their own `import.meta.url`, as a way from the bundle, wherever the folder is moved to. */
const ownAddress = (root, outfile) => ({
  name: 'own-address',
  setup({ onLoad }) {
    onLoad({ filter: /\.ts$/ }, ({ path }) => {
      if (path.includes(`${sep}node_modules${sep}`)) return undefined;
      const text = readFileSync(path, 'utf8');
      if (!text.includes('import.meta.url')) return undefined;
      const way = relative(dirname(outfile), path).split(sep).join('/');
      return {
        loader: 'ts',
        contents: text.replaceAll('import.meta.url', `new URL(${JSON.stringify(way)}, import.meta.url).href`),
      };
    });
  },
});

/** Bundles `entry` into `outfile`, if it is not current; `outside` says which packages stay packages. */
export async function bundle({ root, entry, outfile, outside = [], plugins = [], sourceMap = false }) {
  if (isCurrent(root, outfile)) return outfile;
  const { build } = await import('esbuild');
  mkdirSync(dirname(outfile), { recursive: true });
  const made = `${outfile}-${process.pid}.mjs`; // another run may be reading the old one
  const { metafile } = await build({
    absWorkingDir: root,
    entryPoints: [entry],
    outfile: made,
    bundle: true,
    metafile: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    sourcemap: sourceMap,
    alias: { '@careful-latch/core': join(root, 'core') },
    external: outside,
    plugins: [...plugins, ownAddress(root, outfile)],
    // Packages of the older kind call require, which a module has not by itself.
    banner: {
      js: "import { createRequire as makeRequire } from 'node:module'; const require = makeRequire(import.meta.url);",
    },
    logLevel: 'warning',
  });
  const inputs = Object.keys(metafile.inputs).filter((path) => existsSync(join(root, path)));
  inputs.push('tools/bundle.mjs', 'package-lock.json');
  writeFileSync(
    `${made}.json`,
    JSON.stringify(Object.fromEntries(inputs.map((path) => [path, stampOf(join(root, path))]))),
  );
  if (sourceMap) renameSync(`${made}.map`, `${outfile}.map`);
  writeFileSync(
    made,
    readFileSync(made, 'utf8').replace(
      /\/\/# sourceMappingURL=\S*\s*$/, // the last one: bundled text may speak of it too
      `//# sourceMappingURL=${outfile.split(sep).at(-1)}.map`,
    ),
  );
  renameSync(made, outfile);
  renameSync(`${made}.json`, `${outfile}.inputs.json`);
  return outfile;
}

/** Native code stays a package; so do those that a driver only asks for where they are installed. */
const NATIVE = ['@node-rs/argon2', 'pg-native', 'pg-cloudflare', 'cloudflare:sockets'];

/** The server as one file, with its map beside it for stack traces. Resolves with its path. */
export const serverBundle = (root) =>
  bundle({
    root,
    entry: join(root, 'server', 'main.ts'),
    outfile: join(root, 'server', 'dist', 'main.mjs'),
    outside: NATIVE,
    sourceMap: true,
  });

/** The simulated permit office, likewise. */
export const permitOfficeBundle = (root) =>
  bundle({
    root,
    entry: join(root, 'server', 'permit-office', 'main.ts'),
    outfile: join(root, 'server', 'dist', 'permit-office.mjs'),
    outside: NATIVE,
    sourceMap: true,
  });

/** How the built server is started. */
export const serverCommand = (file) => [process.execPath, ['--enable-source-maps', file]];
