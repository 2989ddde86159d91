// npm run dev: the server restarts and the application is built again when their sources change. The database stays.
import { spawn } from 'node:child_process';
import { watch } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { buildApplication } from './build.mjs';
import { startCluster } from './database.mjs';
import { installPackages } from './install.mjs';

const root = fileURLToPath(new URL('..', import.meta.url));
const say = (text) => console.log(`  ${text}`);

installPackages(root, say);
await buildApplication(root, say);
const cluster = await startCluster({ folder: join(root, '.data', 'postgres'), say, keepRunning: true });
const server = spawn(process.execPath, ['--watch', '--import', 'tsx', join(root, 'server', 'main.ts')], {
  cwd: root,
  stdio: 'inherit',
  detached: true,
  env: { ...process.env, DATABASE_URL: process.env.DATABASE_URL ?? cluster.url, DEMO: '1' },
});

let timer;
let building = Promise.resolve();
const rebuild = () => {
  clearTimeout(timer);
  timer = setTimeout(() => {
    building = building
      .then(() => buildApplication(root, say))
      .then(
        () => say('built; load the page again'),
        (error) => console.error(error.message),
      );
  }, 300);
};
for (const folder of ['app', 'core'])
  watch(join(root, folder), { recursive: true }, (_event, file) => {
    if (file && !/(^|\/)(dist|node_modules|\.expo)(\/|$)/.test(file)) rebuild();
  });

async function end() {
  server.kill('SIGTERM');
  await cluster.stop();
  process.exit(0);
}
process.on('SIGINT', () => void end());
process.on('SIGTERM', () => void end());
