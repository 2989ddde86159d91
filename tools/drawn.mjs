// Screens drawn as pages, without a browser: by React's server renderer, from one bundle of the application that is made for it and not kept.
import { readdirSync, rmSync } from 'node:fs';
import { join, sep } from 'node:path';

/** What Metro calls a context: the routes, by their place below the folder. */
function contextOf(folder) {
  const all = readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter((file) => file.endsWith('.tsx'));
  const keys = all.map((file) => JSON.stringify(`./${file.split(sep).join('/')}`));
  return `${all.map((file, i) => `import * as r${i} from ${JSON.stringify(join(folder, file))};`).join('\n')}
const all = { ${keys.map((key, i) => `${key}: r${i}`).join(', ')} };
export const ctx = Object.assign((key) => all[key], { keys: () => Object.keys(all), resolve: (key) => key, id: 'routes' });`;
}

const ENTRY = `
import { createElement } from 'react';
import { renderToStaticMarkup, renderToString } from 'react-dom/server';
import { ExpoRoot } from 'expo-router';
import { InnerRoot, registerStaticRootComponent } from 'expo-router/internal/static';
import { ctx } from 'expo-router/_ctx';
import { Dimensions } from 'react-native';
import { useSession } from './stores/session';
import { WIDE_PX } from './theme/screen';
import { DEMO_PEOPLE } from '../server/demo/people';
const EDGE = '<template></template>';
const wrapper = ({ children }) => [createElement('template', { key: 1 }), children, createElement('template', { key: 2 })];
function drawnAt(width, way) {
  const screen = { width, height: 800, scale: 1, fontScale: 1 };
  Dimensions.set({ window: screen, screen });
  const location = new URL(way, 'http://localhost');
  const { element, getStyleElement } = registerStaticRootComponent(ExpoRoot, { location, context: ctx, wrapper });
  const html = renderToString(createElement(InnerRoot, { loadedData: null }, element));
  return { picture: html.split(EDGE)[1], sheet: renderToStaticMarkup(getStyleElement()) };
}
export function drawn({ way, demo }) {
  Object.assign(useSession.getInitialState(), { demo: demo ? DEMO_PEOPLE : [] }); // what a server's drawing is made from
  const phone = drawnAt(390, way);
  const { picture, sheet } = drawnAt(WIDE_PX, way);
  if (picture === phone.picture) return { picture, sheet };
  const shown = '<style>@media(max-width:' + (WIDE_PX - 0.02) + 'px){#on-wide{display:none!important}}@media(min-width:' + WIDE_PX + 'px){#on-phone{display:none!important}}</style>';
  return { picture: shown + '<div id="on-phone">' + phone.picture + '</div><div id="on-wide">' + picture + '</div>', sheet };
}`;

/** These screens, each by its way below the application's address and whether the office is the demo's: its HTML, and the style element that goes with it. */
export async function drawnPages(root, screens) {
  const { build } = await import('esbuild');
  const app = join(root, 'app');
  const outfile = join(root, '.data', `drawn-${process.pid}.cjs`);
  await build({
    absWorkingDir: app,
    stdin: { contents: ENTRY, resolveDir: app, loader: 'js' },
    outfile,
    bundle: true,
    platform: 'node',
    format: 'cjs',
    target: 'node20',
    jsx: 'automatic',
    loader: { '.js': 'jsx', '.png': 'empty' },
    mainFields: ['browser', 'module', 'main'],
    resolveExtensions: ['.web.tsx', '.web.ts', '.web.jsx', '.web.js', '.tsx', '.ts', '.jsx', '.mjs', '.js', '.json'],
    alias: { 'react-native': 'react-native-web', '@careful-latch/core': join(root, 'core') },
    define: {
      __DEV__: 'false',
      'process.env.NODE_ENV': '"production"',
      'process.env.EXPO_OS': '"web"',
      'process.env.EXPO_BASE_URL': '""',
    },
    logLevel: 'error',
    plugins: [
      {
        name: 'routes',
        setup({ onResolve, onLoad }) {
          onResolve({ filter: /^expo-router\/_ctx$/ }, () => ({ path: 'routes', namespace: 'routes' }));
          onLoad({ filter: /./, namespace: 'routes' }, () => ({
            contents: contextOf(join(app, 'routes')),
            resolveDir: app,
          }));
        },
      },
    ],
  });
  const { drawn } = await import(outfile);
  rmSync(outfile);
  return screens.map((screen) => drawn(screen));
}
