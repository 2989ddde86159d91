// Builds the web application into app/dist when its sources changed since the last time.
import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { once } from 'node:events';
import { copyFileSync, existsSync, mkdirSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { basename, join, relative } from 'node:path';
import { brotliCompressSync, constants } from 'node:zlib';
import { drawnPages } from './drawn.mjs';

const FONTS = {
  '@fontsource/atkinson-hyperlegible': [
    'atkinson-hyperlegible-latin-400-normal',
    'atkinson-hyperlegible-latin-700-normal',
    'atkinson-hyperlegible-latin-ext-400-normal',
    'atkinson-hyperlegible-latin-ext-700-normal',
  ],
  '@fontsource/ibm-plex-mono': ['ibm-plex-mono-latin-500-normal'],
};
/** The same faces whole, as papers are printed in them. */
const PRINTED = ['400Regular/AtkinsonHyperlegible_400Regular.ttf', '700Bold/AtkinsonHyperlegible_700Bold.ttf'];
const WORKERS = [
  ['app/evidence/scale.worker.ts', 'photo-worker.js'],
  ['app/papers/print.worker.ts', 'paper-worker.js'],
];
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
    .update(readFileSync(join(root, 'tools', 'build.mjs')))
    .update(readFileSync(join(root, 'tools', 'drawn.mjs')))
    .update(readFileSync(join(root, 'server', 'demo', 'people.ts')));
  for (const folder of ['app', 'core'])
    for (const file of [...files(join(root, folder))].sort())
      hash.update(relative(root, file)).update(readFileSync(file));
  return hash.digest('hex');
}

/** Has Expo bundle the screens; throws what it said where it fails. */
async function exported(root) {
  const run = spawn(
    process.execPath,
    [join(root, 'node_modules', 'expo', 'bin', 'cli'), 'export', '--platform', 'web', '--output-dir', 'dist'],
    {
      cwd: join(root, 'app'),
      stdio: ['ignore', 'pipe', 'pipe'],
      env: {
        ...process.env,
        NODE_ENV: 'production',
        EXPO_OFFLINE: '1',
        EXPO_NO_TELEMETRY: '1',
        CI: '1',
      },
    },
  );
  let said = '';
  for (const stream of [run.stdout, run.stderr]) stream.setEncoding('utf8').on('data', (text) => (said += text));
  const [code] = await once(run, 'close');
  if (code !== 0)
    throw new Error(`The application could not be built:\n${said.trim().split('\n').slice(-20).join('\n')}`);
}

/** Builds if needed; says so while it does. */
export async function buildApplication(root, say) {
  const dist = join(root, 'app', 'dist');
  const stamp = join(root, '.data', 'built');
  const now = fingerprint(root);
  if (existsSync(join(dist, 'shell.html')) && existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return;
  say('building the application (one to three minutes the first time)');
  rmSync(dist, { recursive: true, force: true });
  await exported(root);
  rmSync(join(dist, 'metadata.json')); // for shops of applications

  mkdirSync(join(dist, 'fonts'), { recursive: true });
  for (const [name, faces] of Object.entries(FONTS))
    for (const face of faces)
      copyFileSync(join(root, 'node_modules', name, 'files', `${face}.woff2`), join(dist, 'fonts', `${face}.woff2`));
  for (const face of PRINTED)
    copyFileSync(
      join(root, 'node_modules', '@expo-google-fonts', 'atkinson-hyperlegible', face),
      join(dist, 'fonts', basename(face)),
    );

  const { build } = await import('esbuild'); // a file of its own, for the page's security policy lets no other be a worker
  for (const [from, to] of WORKERS)
    await build({
      absWorkingDir: root,
      entryPoints: [from],
      outfile: join(dist, to),
      bundle: true,
      minify: true,
      target: 'es2022',
      logLevel: 'warning',
    });

  await pages(root, dist);

  const { generateSW } = await import('workbox-build');
  await generateSW({
    globDirectory: dist,
    globPatterns: ['shell.html', '*-worker.js', '_expo/**/*.js', 'fonts/*.{woff2,ttf}', '*.webmanifest', '*.svg'],
    swDest: join(dist, 'worker.js'),
    navigateFallback: '/shell.html',
    navigateFallbackDenylist: [/^\/(api|papers)\//, /^\/(healthz|readyz)/],
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

/** The screens whose picture stands in the page from its first byte on: our file, and the way to the screen. */
const PICTURES = {
  'index.html': { way: '/' },
  'path.html': { way: '/inspection/[id]' },
  'sign-in.html': { way: '/sign-in', waits: true },
  'sign-in-demo.html': { way: '/sign-in', waits: true, demo: true },
};

/**
 * Makes our pages from the template and from what is drawn: the script is fetched before the fonts and the session beside it;
 * the picture of a screen covers it until it is there (app/theme/first-picture.ts). shell.html is the page without a picture.
 * A screen that waits is typed into before anything needs the application: its page fetches the script last, and starts it when
 * a button is pressed (app/public/index.html).
 */
async function pages(root, dist) {
  const { default: ts } = await import('typescript'); // not there yet when the start command begins
  const app = join(root, 'app');
  const built = readFileSync(join(dist, 'index.html'), 'utf8');
  // The entry script last, after what it shares with those that are fetched later.
  const scripts = [...built.matchAll(/<script src="([^"]+)"/g)].map(([, address]) => address);
  if (!scripts.at(-1)?.includes('/entry-')) throw new Error('The built page has no entry script.');
  const early = scripts.map((one) => `<link rel="preload" as="script" fetchpriority="high" href="${one}">`).join('');
  const links = `${early}<link rel="preload" as="fetch" crossorigin="anonymous" href="/api/session">`;
  const late = scripts.map((one) => `<script src="${one}" defer></script>`).join('');
  const plain = readFileSync(join(app, 'public', 'index.html'), 'utf8');
  const template = plain
    .replace('<meta name="theme-color"', `${links}<meta name="theme-color"`)
    .replace('</body>', `${late}</body>`);
  const waiting = plain.replace(
    '</body>',
    `${scripts.map((one) => `<link data-begin href="${one}">`).join('')}</body>`,
  );
  writeFileSync(join(dist, 'shell.html'), template);
  const inBothThemes = await themed(app, ts);
  const drawn = await drawnPages(root, Object.values(PICTURES));
  for (const [i, [name, { waits }]] of Object.entries(PICTURES).entries()) {
    const { picture, sheet } = drawn[i];
    writeFileSync(
      join(dist, name),
      (waits ? waiting : template)
        .replace(
          '</head>',
          () => `<style>${inBothThemes.variables}${inBothThemes.paint(used(sheet, picture))}</style></head>`,
        )
        .replace('<div id="root">', () => `<div id="picture">${inBothThemes.paint(picture)}</div><div id="root">`),
    );
  }
}

/** Only the rules whose classes the picture has, and for it alone: the application brings its own, and these come after them. */
const used = (sheet, picture) => {
  const classes = new Set([...picture.matchAll(/class="([^"]+)"/g)].flatMap(([, names]) => names.split(' ')));
  return sheet
    .split('\n')
    .filter((rule) => [...rule.matchAll(/^\.([\w-]+)/g)].some(([, name]) => classes.has(name)))
    .map((rule) => rule.replace(/^[^{]+/, (selectors) => selectors.replace(/(^|,)\s*\./g, '$1#picture .')))
    .join('\n');
};

/** Pictures are drawn by day; every color of the palette becomes a variable, so that the device's night is night from the start. */
async function themed(app, ts) {
  const source = readFileSync(join(app, 'theme', 'palette.ts'), 'utf8');
  const { outputText } = ts.transpileModule(source, { compilerOptions: { module: ts.ModuleKind.ESNext } });
  const { DAY, NIGHT } = await import(`data:text/javascript,${encodeURIComponent(outputText)}`);
  const names = Object.keys(DAY);
  const variables = (palette) => names.map((name) => `--${name}:${palette[name]}`).join(';');
  const rgba = (hex) => `rgba(${[1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16)).join(',')},1.00)`;
  return {
    variables: `:root{${variables(DAY)}}@media (prefers-color-scheme:dark){:root{${variables(NIGHT)}}}`,
    paint: (html) =>
      names.reduce(
        (text, name) => text.replaceAll(DAY[name], `var(--${name})`).replaceAll(rgba(DAY[name]), `var(--${name})`),
        html,
      ),
  };
}
