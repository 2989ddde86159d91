// Builds the web application into app/dist when its sources changed since the last time.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { copyFileSync, existsSync, mkdirSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants } from 'node:zlib';

const FONTS = {
  '@fontsource/atkinson-hyperlegible': [
    'atkinson-hyperlegible-latin-400-normal',
    'atkinson-hyperlegible-latin-700-normal',
    'atkinson-hyperlegible-latin-ext-400-normal',
    'atkinson-hyperlegible-latin-ext-700-normal',
  ],
  '@fontsource/ibm-plex-mono': ['ibm-plex-mono-latin-500-normal'],
};
const COMPRESSED = /\.(js|css|html|json|svg|webmanifest)$/;

function* files(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (['node_modules', 'dist', '.expo', 'test'].includes(entry.name) || /\.test\.tsx?$/.test(entry.name)) continue;
    const path = join(folder, entry.name);
    if (entry.isDirectory()) yield* files(path);
    else yield path;
  }
}

function fingerprint(root) {
  const hash = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .update(readFileSync(new URL(import.meta.url)));
  for (const folder of ['app', 'core'])
    for (const file of [...files(join(root, folder))].sort())
      hash.update(file.slice(root.length)).update(readFileSync(file));
  return hash.digest('hex');
}

/** Builds if needed; says so while it does. */
export async function buildApplication(root, say) {
  const dist = join(root, 'app', 'dist');
  const stamp = join(root, '.data', 'built');
  const now = fingerprint(root);
  if (existsSync(join(dist, 'index.html')) && existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return;
  say('building the application (about a minute)');
  rmSync(dist, { recursive: true, force: true });
  const run = spawnSync(
    process.execPath,
    [join(root, 'node_modules', 'expo', 'bin', 'cli'), 'export', '--platform', 'web', '--output-dir', 'dist'],
    {
      cwd: join(root, 'app'),
      encoding: 'utf8',
      env: {
        ...process.env,
        NODE_ENV: 'production',
        EXPO_OFFLINE: '1',
        EXPO_NO_TELEMETRY: '1',
        CI: '1',
        EXPO_UNSTABLE_TREE_SHAKING: '1',
        EXPO_UNSTABLE_METRO_OPTIMIZE_GRAPH: '1',
      },
    },
  );
  if (run.status !== 0)
    throw new Error(
      `The application could not be built:\n${`${run.stdout}\n${run.stderr}`.trim().split('\n').slice(-20).join('\n')}`,
    );

  mkdirSync(join(dist, 'fonts'), { recursive: true });
  for (const [name, faces] of Object.entries(FONTS))
    for (const face of faces)
      copyFileSync(join(root, 'node_modules', name, 'files', `${face}.woff2`), join(dist, 'fonts', `${face}.woff2`));

  preload(dist);

  const { generateSW } = await import('workbox-build');
  await generateSW({
    globDirectory: dist,
    globPatterns: ['index.html', '_expo/**/*.js', 'fonts/*.woff2', '*.webmanifest', '*.svg'],
    swDest: join(dist, 'worker.js'),
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/api\//, /^\/(healthz|readyz)/],
    dontCacheBustURLsMatching: /^_expo\//,
    maximumFileSizeToCacheInBytes: 8_000_000,
    sourcemap: false,
    inlineWorkboxRuntime: true,
    skipWaiting: true,
    clientsClaim: true,
  });

  for (const file of everyFile(dist))
    if (COMPRESSED.test(file))
      writeFileSync(
        `${file}.br`,
        brotliCompressSync(readFileSync(file), { params: { [constants.BROTLI_PARAM_QUALITY]: 11 } }),
      );
  mkdirSync(join(root, '.data'), { recursive: true });
  writeFileSync(stamp, now);
}

function everyFile(folder) {
  return readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath ?? entry.path, entry.name));
}

/** Lets the browser fetch the session beside the script rather than after it, and the script before the fonts. */
function preload(dist) {
  const page = join(dist, 'index.html');
  const html = readFileSync(page, 'utf8');
  const entry = /<script src="([^"]*\/entry-[^"]+)"/.exec(html)?.[1];
  if (!entry) throw new Error('The built page has no entry script.');
  const links = `<link rel="preload" as="script" fetchpriority="high" href="${entry}"><link rel="preload" as="fetch" crossorigin="anonymous" href="/api/session">`;
  writeFileSync(page, html.replace('<meta name="theme-color"', `${links}<meta name="theme-color"`));
}
