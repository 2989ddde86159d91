// Runs one of our TypeScript programs: node tools/run.mjs FILE ARGS…
import { existsSync } from 'node:fs';
import { spawn } from 'node:child_process';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('..', import.meta.url));
if (!existsSync(new URL('../node_modules/tsx', import.meta.url))) {
  console.error('The packages are not installed yet. Run npm install, or npm start, once.');
  process.exit(2);
}
const [file, ...args] = process.argv.slice(2);
const child = spawn(process.execPath, ['--import', 'tsx', `${root}${file}`, ...args], { stdio: 'inherit' });
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
child.on('exit', (code, signal) => process.exit(signal ? 1 : (code ?? 1)));
