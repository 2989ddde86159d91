// npm test: everything, on a fresh machine too. Ends with "N passed, N failed". Names of parts may be given to run those alone.
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { buildApplication } from './build.mjs';
import { serverBundle } from './bundle.mjs';
import { chromiumForTests } from './chromium.mjs';
import { debianPackagesAhead, postgresPrograms, programHere, startCluster } from './database.mjs';
import { installPackages } from './install.mjs';

const root = fileURLToPath(new URL('..', import.meta.url));
const reports = join(root, '.data', 'reports');
const say = (text) => console.log(`· ${text}`);
const wanted = process.argv.slice(2);
const MUTATE = 'mutate.test';
const bin = (name) => join(root, 'node_modules', '.bin', name);
/** The compiler that checks types in a fifth of the time; linters still read the one before it. */
const tsc = join(root, 'node_modules', 'typescript-native', 'bin', 'tsc');

let cluster;
let passed = 0;
let failed = 0;

function run(command, args, env = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } });
    child.once('error', () => resolve(1));
    child.once('exit', (code) => resolve(code ?? 1));
  });
}

/** A step that passes or fails as one. */
async function step(name, command, args) {
  if (wanted.length > 0 && !wanted.includes(name)) return;
  say(name);
  if ((await run(command, args)) === 0) passed++;
  else {
    failed++;
    console.error(`${name} failed`);
  }
}

async function inTurn(...steps) {
  for (const one of steps) await step(...one);
}

/** A runner that reports its tests as JSON; a report that is missing or empty counts as a failure. */
async function suite(name, command, args, env, count) {
  if (wanted.length > 0 && !wanted.includes(name)) return;
  say(`${name} tests`);
  const report = join(reports, `${name}.json`);
  rmSync(report, { force: true });
  const code = await run(command, args(report), env(report));
  const counted = existsSync(report) ? count(JSON.parse(readFileSync(report, 'utf8'))) : { passed: 0, failed: 0 };
  passed += counted.passed;
  failed += counted.failed;
  if (counted.passed + counted.failed === 0 || (code !== 0 && counted.failed === 0)) failed++;
}

/** A folder’s tests by Jest, or some of them under a name of their own. */
const jest = (folder, { env = {}, name = folder, only = [] } = {}) =>
  suite(
    name,
    bin('jest'),
    (report) => [
      '-c',
      `${folder}/jest.config.${folder === 'app' ? 'js' : 'cjs'}`,
      '--json',
      '--outputFile',
      report,
      '--silent=false',
      '--maxWorkers=100%', // of two cores jest would use one
      '--forceExit', // a test that failed may leave a connection open; the rest goes on
      ...only,
    ],
    () => env,
    (result) => ({ passed: result.numPassedTests, failed: result.numFailedTests + result.numRuntimeErrorTestSuites }),
  );

/** Debian packages that the tests will ask for and that are not here yet. */
const missing = () => [
  ...(postgresPrograms() ? [] : ['postgresql']),
  ...(process.env.CHROMIUM || programHere('chromium-headless-shell') ? [] : ['chromium-headless-shell']),
  ...(programHere('pdftotext') ? [] : ['poppler-utils']),
];

async function main() {
  mkdirSync(reports, { recursive: true });
  const debian = debianPackagesAhead(wanted.length > 0 ? [] : missing());
  installPackages(root, say);
  const journeys = wanted.length === 0 || wanted.includes('e2e');
  const builds = journeys && buildApplication(root, say);
  await Promise.all([
    inTurn(
      ['lint', bin('eslint'), ['.', '--max-warnings', '0']],
      ['format', bin('prettier'), ['--check', '--log-level', 'warn', '.']],
      ['dead-code', bin('knip'), ['--no-progress', '--no-config-hints']],
    ),
    inTurn(
      ['types', tsc, ['-b']],
      ['types-app', tsc, ['-p', 'app']],
      ['types-tests', tsc, ['-p', 'tsconfig.tests.json']],
    ),
  ]);
  await jest('core'); // the build draws its pages meanwhile, which takes one core of two
  await Promise.all([builds, debian]);
  await jest('tools', { only: ['--testPathIgnorePatterns', MUTATE] });
  // The planting of mistakes has a test that takes as long as all others of the tools: it runs where it is named.
  if (wanted.includes('mutate')) await jest('tools', { name: 'mutate', only: [MUTATE] });
  await jest('app');
  const needsDatabase = wanted.length === 0 || wanted.includes('server') || wanted.includes('e2e');
  if (!needsDatabase) return;
  cluster = await startCluster({ folder: join(root, '.data', 'test-postgres'), say, forTests: true });
  const database = { TEST_DATABASE_URL: cluster.url, POSTGRES_PROGRAMS: postgresPrograms() };
  await jest('server', { env: database });
  if (!journeys) return;
  const browser = chromiumForTests(say);
  await serverBundle(root);
  await suite(
    'e2e',
    bin('playwright'),
    () => ['test', '-c', 'e2e/playwright.config.ts'],
    (report) => ({ ...database, CHROMIUM: browser, E2E_REPORT: report }),
    ({ stats }) => ({ passed: stats.expected, failed: stats.unexpected + stats.flaky }),
  );
}

async function end(code) {
  await cluster?.stop();
  process.exit(code);
}
process.on('SIGINT', () => void end(130));
process.on('SIGTERM', () => void end(143));

try {
  await main();
} catch (error) {
  failed++;
  console.error(error.message);
}
console.log(`\n${passed} passed, ${failed} failed`);
await end(failed === 0 ? 0 : 1);
