import { spawnSync } from 'node:child_process';
import {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const root = join(__dirname, '..');
const page = readFileSync(join(root, 'docs', 'a-new-rule.md'), 'utf8');

type Step =
  | { readonly how: 'run'; readonly script: string }
  | {
      readonly how: 'new' | 'at the end of' | 'before' | 'instead of';
      readonly file: string;
      readonly at: string | undefined;
      readonly code: string;
    };

/** The steps of the page: what its comments say to do with the code below them, or to run. */
const STEPS: Step[] = [
  ...page.matchAll(
    /<!-- (?:run npm run (\w+)|(in|new|at the end of) ([\w./-]+)(?:, (before|instead of) "(.+)")?) -->(?:\n\n```(?:ts|json)\n([^]*?)```)?/g,
  ),
].map(([, script, how, file, where, at, code]) =>
  script !== undefined ? { how: 'run', script } : ({ how: where ?? how, file, at, code } as Step),
);

/** A copy of the project that the page's steps are done to. */
function copied(): string {
  const folder = mkdtempSync(join(tmpdir(), 'careful-latch-rule-'));
  for (const part of [
    'core',
    'server',
    'tools',
    'app/drawn',
    'app/theme/palette.ts',
    'e2e',
    'examples',
    'profiles',
    'docs',
    'package.json',
    '.prettierrc.json',
  ])
    cpSync(join(root, part), join(folder, part), {
      recursive: true,
      filter: (from) => !from.includes('node_modules') && !from.includes('/dist') && !from.endsWith('.png'),
    });
  // Packages are shared; our own among them are the copy's, and so is what is kept beside them.
  const packages = join(folder, 'node_modules');
  mkdirSync(join(packages, '@careful-latch'), { recursive: true });
  for (const name of readdirSync(join(root, 'node_modules')))
    if (name !== '@careful-latch' && name !== '.cache')
      symlinkSync(join(root, 'node_modules', name), join(packages, name));
  for (const part of ['core', 'server', 'tools']) {
    symlinkSync(join(folder, part), join(packages, '@careful-latch', part));
    const own = join(root, part, 'node_modules');
    if (existsSync(own)) symlinkSync(own, join(folder, part, 'node_modules'));
  }
  return folder;
}

const run = (folder: string, ...args: string[]) =>
  spawnSync(process.execPath, args, {
    cwd: folder,
    encoding: 'utf8',
    maxBuffer: 64_000_000,
    // The houses that are generated beside the tables are fewer here: the core’s own run has them all.
    env: { ...process.env, HOUSES: '40', AGREEMENT_RUNS: '40', WALKED: '40' },
  });

function follow(folder: string, step: Step): void {
  if (step.how === 'run') {
    const done = run(folder, 'tools/run.mjs', `tools/${step.script}.ts`);
    expect([step.script, done.status, done.status === 0 ? '' : done.stderr]).toEqual([step.script, 0, '']);
    return;
  }
  const { how, file, at, code } = step;
  const path = join(folder, file);
  if (how === 'new') return writeFileSync(path, code);
  const text = readFileSync(path, 'utf8');
  if (how === 'at the end of') return writeFileSync(path, `${text}\n${code}`);
  expect([file, at, text.split(at!).length]).toEqual([file, at, 2]); // there once
  writeFileSync(
    path,
    text.replace(at!, () => (how === 'before' ? code + at! : code.trim())),
  );
}

const tests = (folder: string, ...only: string[]) =>
  run(folder, join(root, 'node_modules', 'jest', 'bin', 'jest.js'), '-c', 'core/jest.config.cjs', '--silent', '--maxWorkers=2', ...only); // prettier-ignore

test('whoever follows the page has a rule with which all of the core is green, and whose table fails once it is wrong', () => {
  expect(STEPS.map(({ how }) => how)).toEqual([
    'before',
    'instead of',
    'new',
    'before',
    'before',
    'at the end of',
    'new',
    'run',
  ]);
  const folder = copied();
  try {
    for (const step of STEPS) follow(folder, step);
    const right = tests(folder);
    const failed = right.stderr.match(/●.*/g) ?? [];
    expect([failed, right.status]).toEqual([[], 0]);
    const file = join(folder, 'core/rules/inlet/above-grade.ts');
    writeFileSync(file, readFileSync(file, 'utf8').replace("=== 'yes'", "!== 'yes'"));
    expect(tests(folder, 'rules/inlet', '-t', 'inlet/above-grade').status).toBe(1);
  } finally {
    rmSync(folder, { recursive: true });
  }
}, 600_000);
