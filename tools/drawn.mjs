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
const EDGE = '<template></template>';
const wrapper = ({ children }) => [createElement('template', { key: 1 }), children, createElement('template', { key: 2 })];
export function drawn(way) {
  const location = new URL(way, 'http://localhost');
  const { element, getStyleElement } = registerStaticRootComponent(ExpoRoot, { location, context: ctx, wrapper });
  const html = renderToString(createElement(InnerRoot, { loadedData: null }, element));
  return { picture: html.split(EDGE)[1], sheet: renderToStaticMarkup(getStyleElement()) };
}`;

/** The screens at these ways below the application's address: the HTML of each, and the style element that goes with it. */
export async function drawnPages(root, ways) {
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
  return ways.map((way) => drawn(way));
}
