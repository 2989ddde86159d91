import { spawnSync } from 'node:child_process';
import { cpSync, existsSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const root = join(__dirname, '..');
const page = readFileSync(join(root, 'docs', 'a-new-rule.md'), 'utf8');

interface Step {
  readonly how: string;
  readonly file: string;
  readonly at: string | undefined;
  readonly code: string;
}

/** The steps of the page: what its comments say to do with the code below them. */
const STEPS: Step[] = [
  ...page.matchAll(/<!-- (in|new|at the end of) ([\w./-]+)(?:, (before|instead of) "(.+)")? -->\n\n```ts\n([^]*?)```/g),
].map(([, how, file, where, at, code]) => ({ how: where ?? how!, file: file!, at, code: code! }));

/** A copy of the core that the page's steps are done to. */
function copied(): string {
  const folder = mkdtempSync(join(tmpdir(), 'careful-latch-rule-'));
  for (const part of ['core', 'examples', 'profiles', 'docs', 'tools/jest-node.cjs', 'tools/jest-esbuild.cjs'])
    cpSync(join(root, part), join(folder, part), {
      recursive: true,
      filter: (from) => !from.includes('node_modules') && !from.endsWith('.png'),
    });
  for (const packages of ['node_modules', 'core/node_modules', 'tools/node_modules'])
    if (existsSync(join(root, packages))) symlinkSync(join(root, packages), join(folder, packages));
  return folder;
}

function follow(folder: string, { how, file, at, code }: Step): void {
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

const tests = (folder: string) =>
  spawnSync(
    process.execPath,
    [
      join(root, 'node_modules', 'jest', 'bin', 'jest.js'),
      '-c',
      'core/jest.config.cjs',
      'rules/inlet',
      '-t',
      'inlet/above-grade',
    ],
    {
      cwd: folder,
      encoding: 'utf8',
    },
  );

test('whoever follows the page has a rule whose table of cases passes, and fails once the rule is wrong', () => {
  expect(STEPS.map(({ how }) => how)).toEqual(['before', 'instead of', 'new', 'before', 'before', 'at the end of']);
  const folder = copied();
  try {
    for (const step of STEPS) follow(folder, step);
    const right = tests(folder);
    expect(right.stderr).toMatch(/Tests: .* 6 passed/);
    expect(right.status).toBe(0);
    const file = join(folder, 'core/rules/inlet/above-grade.ts');
    writeFileSync(file, readFileSync(file, 'utf8').replace('foundIn >= leastIn', 'foundIn > leastIn'));
    expect(tests(folder).status).toBe(1);
  } finally {
    rmSync(folder, { recursive: true });
  }
}, 120_000);
