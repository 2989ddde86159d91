import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const root = join(__dirname, '..');
const check = (...args: string[]) => {
  const run = spawnSync(process.execPath, [join(root, 'tools', 'run.mjs'), 'tools/check.ts', ...args], {
    cwd: root,
    encoding: 'utf8',
  });
  return { code: run.status, out: run.stdout, err: run.stderr };
};
const CASE = (name: string) => `examples/case-${name}.json`;
const folder = mkdtempSync(join(tmpdir(), 'careful-latch-'));
const file = (name: string, text: string) => {
  const path = join(folder, name);
  writeFileSync(path, text);
  return path;
};

test('nothing against: exit 0', () => {
  const { code, out } = check(CASE('1-interlock-holds'));
  expect(code).toBe(0);
  expect(out).toContain('NOTHING STANDS AGAINST APPROVAL');
});

test('violations with working and remedy, for people: exit 1', () => {
  const { code, out } = check(CASE('2-breaker-50-before-inlet-30'));
  expect(code).toBe(1);
  expect(out).toContain('DO NOT ENERGISE');
  expect(out).toContain('HAZARD  breaker/not-above-weakest-link  [240.4, 110.3(B)]');
  expect(out).toContain('inlet (its marking): 30 A (rating row)');
  expect(out).toContain('remedy: The largest breaker that may stay is 30 A');
});

test('what is unproven, with how to find it out: exit 1', () => {
  const { code, out } = check(
    file(
      'empty.json',
      '{"format":"careful-latch/case","version":1,"edition":"2017","transfer":{"kind":"retrofit-interlock"}}',
    ),
  );
  expect(code).toBe(1);
  expect(out).toContain('NOT FINISHED');
  expect(out).toMatch(
    /Source: Neutral of the source \(source\.neutralBond\)\n\s+meter: neutral to frame, engine off, nothing plugged in/,
  );
});

test('--json: one object a file, as the interface says', () => {
  const { code, out } = check(CASE('1-interlock-holds'), CASE('5-bonded-unswitched'), '--json', '--edition', '2023');
  expect(code).toBe(1);
  const [good, bad] = JSON.parse(out) as { verdict: string; edition: string; outcomes: Record<string, unknown>[] }[];
  expect(good).toMatchObject({ file: CASE('1-interlock-holds'), verdict: 'nothing-against', edition: '2023' });
  expect(bad!.verdict).toBe('do-not-energise');
  for (const outcome of bad!.outcomes)
    expect(Object.keys(outcome).sort()).toEqual([
      'allowed',
      'cites',
      'found',
      'needs',
      'outcome',
      'reason',
      'remedy',
      'rule',
      'severity',
      'unit',
      'working',
    ]);
  const matrix = bad!.outcomes.find((one) => one.rule === 'neutral/matrix')!;
  expect(matrix).toMatchObject({ outcome: 'violation', cites: expect.arrayContaining(['250.24(B)']) as unknown });
  expect(matrix.working).toContainEqual({
    label: 'Current on the equipment ground',
    value: 6,
    unit: 'A',
    source: '0.5 × 12 A',
  });
});

test.each<[string, string[], string]>([
  ['no file', [], 'No file was named'],
  ['a file that is not there', ['nowhere.json'], 'nowhere.json: there is no such file'],
  ['a folder', ['examples'], 'examples: this is a folder'],
  ['no JSON', [file('half.json', '{"format":')], 'this is no JSON'],
  [
    'a wrong size',
    [file('eleven.json', '{"format":"careful-latch/case","version":1,"edition":"2017","cord":[{"sizeAwg":"11"}]}')],
    'cord[0].sizeAwg: "11" is no AWG size in the tables; nearest are 12 and 10',
  ],
  ['an unknown edition', [CASE('1-interlock-holds'), '--edition', '2014'], 'right would be one of 2017, 2020, 2023'],
  ['an unknown flag', ['--colour'], 'usage:'],
])('%s: exit 2 and a sentence, never a trace', (_, args, words) => {
  const { code, err } = check(...args);
  expect(code).toBe(2);
  expect(err).toContain(words);
  expect(err).not.toMatch(/\n\s+at /);
});

test('one unreadable file does not silence the others', () => {
  const { code, out, err } = check(CASE('1-interlock-holds'), 'nowhere.json', '--json');
  expect(code).toBe(2);
  expect(err).toContain('nowhere.json');
  expect(JSON.parse(out)).toMatchObject([
    { verdict: 'nothing-against' },
    { file: 'nowhere.json', errors: ['there is no such file'] },
  ]);
});
