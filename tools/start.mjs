// npm start: from a fresh clone to a page that can be used. Node built-ins only, since nothing may be installed yet.
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { buildApplication } from './build.mjs';
import { permitOfficeBundle, serverBundle, serverCommand } from './bundle.mjs';
import { startCluster } from './database.mjs';
import { installPackages } from './install.mjs';
import { logFile } from './log-file.mjs';

const root = fileURLToPath(new URL('..', import.meta.url));
const data = join(root, '.data');
const empty = process.argv.includes('--empty');
const port = Number(process.env.PORT ?? 4780);
const host = process.env.HOST ?? '127.0.0.1';
const lockFile = join(data, 'running');
const began = Date.now();

const say = (text) => console.log(`  ${text}`);
const clock = () => `${((Date.now() - began) / 1000).toFixed(1)} s`;

const unknown = process.argv.slice(2).find((argument) => argument !== '--empty');
let cluster;
let server;
let permitOffice;
let ending;

function portIsFree() {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, host, () => probe.close(() => resolve(true)));
  });
}

function alive(pid) {
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
}

/** One start at a time in one folder: two would fight for the database. */
function takeLock() {
  mkdirSync(data, { recursive: true });
  const other = existsSync(lockFile) ? Number(readFileSync(lockFile, 'utf8')) : 0;
  if (other && other !== process.pid && alive(other))
    throw new Error(`Careful Latch is running from this folder already (process ${other}). Stop it first.`);
  writeFileSync(lockFile, String(process.pid));
}

async function end(code) {
  if (ending) return ending;
  ending = (async () => {
    if (server && server.exitCode === null && server.signalCode === null) {
      const gone = new Promise((resolve) => server.once('exit', resolve));
      server.kill('SIGTERM');
      await gone;
    }
    permitOffice?.kill('SIGTERM');
    await cluster?.stop();
    if (existsSync(lockFile) && readFileSync(lockFile, 'utf8') === String(process.pid)) rmSync(lockFile);
    process.exit(code);
  })();
  return ending;
}

/** The last thing the server said before it ended, as a sentence. */
function lastWords(text) {
  for (const line of text.trim().split('\n').reverse()) {
    try {
      const { level, msg } = JSON.parse(line);
      if (level >= 60) return msg ?? line;
    } catch {
      if (/Error/.test(line)) return line;
    }
  }
  return 'The server ended by itself.';
}

/** Starts the simulated permit office that belongs to the demo; resolves with its address. */
async function startPermitOffice() {
  const [command, args] = serverCommand(await permitOfficeBundle(root));
  permitOffice = spawn(command, args, { cwd: root, stdio: ['ignore', 'ignore', 'ignore', 'ipc'], detached: true });
  return new Promise((resolve, reject) => {
    permitOffice.once('message', ({ port }) => resolve(`http://localhost:${port}`));
    permitOffice.once('exit', () => reject(new Error('The simulated permit office did not start.')));
  });
}

/** So much of what the server said last is kept at hand, for its last words. */
const LAST_BYTES = 20_000;

async function startServer(databaseUrl, permitServiceUrl) {
  const log = logFile(join(data, 'server.log'));
  const urlFile = join(data, 'database-url');
  writeFileSync(urlFile, databaseUrl, { mode: 0o600 });
  const [command, args] = serverCommand(await serverBundle(root));
  server = spawn(command, args, {
    cwd: root,
    stdio: ['ignore', 'pipe', 'pipe', 'ipc'],
    detached: true, // Ctrl-C reaches this process alone; it ends the others in their order
    env: {
      ...process.env,
      NODE_ENV: 'production',
      PORT: String(port),
      HOST: host,
      DATABASE_URL_FILE: urlFile,
      DEMO: empty ? '0' : '1',
      ...(permitServiceUrl && { PERMIT_SERVICE_URL: permitServiceUrl }),
    },
  });
  let last = '';
  for (const stream of [server.stdout, server.stderr])
    stream.on('data', (chunk) => {
      log.write(chunk);
      last = (last + chunk.toString('utf8')).slice(-LAST_BYTES);
    });
  return new Promise((resolve, reject) => {
    server.once('message', resolve);
    server.once('close', () =>
      ending ? undefined : reject(new Error(`${lastWords(last)}\nMore in .data/server.log.`)),
    );
  });
}

async function main() {
  if (unknown) throw new Error(`${unknown} is not known. Right would be npm start, or npm start -- --empty.`);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new Error(`PORT is ${process.env.PORT}; right would be a number from 1 to 65535.`);
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19))
    throw new Error(`Node.js ${process.versions.node} is too old; 20.19 or newer is needed.`);
  if (!(await portIsFree()))
    throw new Error(`Port ${port} is taken by another program. Choose another: PORT=${port + 10} npm start`);
  takeLock();
  console.log('Careful Latch');
  installPackages(root, say);
  await buildApplication(root, say);
  let databaseUrl = process.env.DATABASE_URL;
  if (!databaseUrl) {
    say('starting the database');
    cluster = await startCluster({ folder: join(data, 'postgres'), say, keepRunning: true });
    databaseUrl = cluster.url;
  }
  say('starting the server');
  const permits = process.env.PERMIT_SERVICE_URL ?? (empty ? undefined : await startPermitOffice());
  await startServer(databaseUrl, permits);
  server.once('exit', () => {
    if (ending) return;
    console.error('The server ended by itself; see .data/server.log.');
    void end(1);
  });
  console.log(`\nReady after ${clock()}:  http://${host === '127.0.0.1' ? 'localhost' : host}:${port}`);
  if (!empty)
    console.log(
      'Demo sign-ins (one tap on the first page): ilse, joss (inspectors), maro (leads a firm); password: windfall orchard',
    );
  if (permitOffice) console.log(`A simulated permit office answers at ${permits} (see docs/running.md).`);
  console.log('Stop with Ctrl-C.');
}

process.on('SIGINT', () => void end(0));
process.on('SIGTERM', () => void end(0));
process.on('SIGHUP', () => void end(0));
main().catch((error) => {
  console.error(`\n${error.message}`);
  void end(1);
});
