import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { example } from '../core/test/examples';

const root = join(__dirname, '..');
const check = (...args: string[]) => checkWith('', ...args);
const checkWith = (input: string, ...args: string[]) => {
  const run = spawnSync(process.execPath, [join(root, 'tools', 'run.mjs'), 'tools/check.ts', ...args], {
    cwd: root,
    encoding: 'utf8',
    input,
    maxBuffer: 64_000_000,
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
  expect(out).toContain('CORRECTIONS REQUIRED');
  expect(out).toContain('CORRECTION  breaker/not-above-weakest-link  [240.4, 110.3(B)]');
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
  expect(bad!.verdict).toBe('do-not-energize');
  for (const outcome of bad!.outcomes)
    expect(Object.keys(outcome).sort()).toEqual([
      'allowed',
      'cites',
      'found',
      'needs',
      'outcome',
      'part',
      'reading',
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
  ['a folder without cases', ['docs/screenshots'], 'no .json file in this folder'],
  ['a rule that is none', [CASE('1-interlock-holds'), '--rule', 'breaker/held-up'], 'rules of this station: breaker/'],
  ['an explanation of nothing', ['--explain', 'color'], 'color is no rule'],
  [
    'a profile that is none',
    [CASE('1-interlock-holds'), '--profile', 'package.json'],
    'package.json: format: right would be',
  ],
  ['standard input and a file', ['-', CASE('1-interlock-holds')], 'stands alone'],
  ['no JSON', [file('half.json', '{"format":')], 'this is no JSON'],
  [
    'a wrong size',
    [file('eleven.json', '{"format":"careful-latch/case","version":1,"edition":"2017","cord":[{"sizeAwg":"11"}]}')],
    'cord[0].sizeAwg: "11" is no AWG size in the tables; nearest are 12 and 10',
  ],
  ['an unknown edition', [CASE('1-interlock-holds'), '--edition', '2014'], 'right would be one of 2017, 2020, 2023'],
  ['an unknown flag', ['--color'], 'usage:'],
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

test('a folder stands for all its cases', () => {
  const { code, out } = check('examples', '--json');
  const all = JSON.parse(out) as { file: string; verdict: string }[];
  expect(code).toBe(1);
  expect(all.length).toBeGreaterThanOrEqual(140);
  expect(all.filter((one) => one.file.startsWith('examples/bases/')).map((one) => one.verdict)).toEqual(
    Array.from({ length: 9 }, () => 'nothing-against'),
  );
  expect(all.find((one) => one.file === CASE('1-interlock-holds'))!.verdict).toBe('nothing-against');
});

test('an example whose base is not there, or that says what is no fact: exit 2 and a sentence', () => {
  const told = { format: 'careful-latch/example', base: 'nowhere', title: 'x', otherwise: {}, expect: { verdict: 'not-finished', violations: [] } }; // prettier-ignore
  expect(check(file('told.json', JSON.stringify(told)))).toMatchObject({
    code: 2,
    err: expect.stringContaining('base: there is no sound house "nowhere"') as string,
  });
  mkdirSync(join(folder, 'bases'), { recursive: true });
  file('bases/broken.json', '{ "format": ');
  const broken = check(file('told.json', JSON.stringify({ ...told, base: 'broken' })));
  expect(broken).toMatchObject({ code: 2, err: expect.stringContaining('told.json: base broken: ') as string });
  expect(broken.err).not.toContain('    at ');
});

test('npm run examples writes them out whole, and each answers as it does by its sound house', () => {
  const run = (...args: string[]) =>
    spawnSync(process.execPath, [join(root, 'tools', 'run.mjs'), 'tools/examples.ts', ...args], { cwd: root, encoding: 'utf8' }); // prettier-ignore
  const whole = join(folder, 'whole');
  expect(run(whole).status).toBe(0);
  const path = join(whole, 'case-2-breaker-50-before-inlet-30.json');
  expect(JSON.parse(readFileSync(path, 'utf8'))).toEqual(example('case-2-breaker-50-before-inlet-30'));
  expect(check(path).out.split('\n').slice(1)).toEqual(check(CASE('2-breaker-50-before-inlet-30')).out.split('\n').slice(1)); // prettier-ignore
  expect(run().status).toBe(2);
});

test('standard input: a case a line, answered line by line, and one bad line silences no other', () => {
  const line = (name: string) => JSON.stringify(example(`case-${name}`));
  const input = `${line('1-interlock-holds')}\n\n{"format":1}\n${line('5-bonded-unswitched')}\n`;
  const text = checkWith(input, '-');
  expect(text.code).toBe(2);
  expect(text.out).toBe(
    'line 1  Nothing stands against approval\nline 4  Do not energize: neutral/matrix, neutral/none-on-ground\n',
  );
  expect(text.err).toContain('line 3: format:');
  const rows = checkWith(input, '-', '--json')
    .out.trim()
    .split('\n')
    .map((row) => JSON.parse(row) as { file: string });
  expect(rows.map((row) => row.file)).toEqual(['line 1', 'line 3', 'line 4']);
});

test('--rule: these rules alone, with the whole working', () => {
  const { code, out } = check(
    CASE('1-interlock-holds'),
    '--rule',
    'feeder/voltage-drop',
    '--rule',
    'breaker/held-down',
  );
  expect(code).toBe(0);
  expect(out.match(/ {2}HOLDS {2}/g)).toHaveLength(2);
  expect(out).toContain('Share of the voltage: 1.8 %');
});

test('--explain: what a rule demands, its sections in each edition, its facts and how to find them out', () => {
  const { code, out } = check('--explain', 'neutral/matrix');
  expect(code).toBe(0);
  expect(out).toMatch(/2017: .*250\.24\(A\)\(5\)[^]*2023: .*250\.24\(B\)/);
  expect(out).toContain('meter: neutral to frame');
});

test('--profile: the office’s rules, and what it changed', () => {
  const { code, out } = check('examples/transfer-on-cover.json', '--profile', 'profiles/strict-office.json');
  expect(code).toBe(1);
  expect(out).toContain('HAZARD  transfer/works-without-cover');
  expect(out.replace(/\s+/g, ' ')).toContain(
    'changed by Windfall Township, Electrical Inspection: hazard instead of advisory',
  );
  expect(check('examples/transfer-on-cover.json').code).toBe(0);
  const [one] = JSON.parse(
    check('examples/transfer-on-cover.json', '--profile', 'profiles/strict-office.json', '--json').out,
  ) as [{ outcomes: object[] }];
  expect(one.outcomes[0]).toHaveProperty('changedBy', null);
});

test('--function-test and --currents: the two models, for people and for programs', () => {
  const { out } = check(CASE('5-bonded-unswitched'), '--function-test', '--currents');
  expect(out).toContain('utility closed: switch generator on. It must be blocked.');
  expect(out).toMatch(/back on the equipment ground: 5\.\d+ A/);
  const [one] = JSON.parse(check(CASE('5-bonded-unswitched'), '--function-test', '--currents', '--json').out) as [
    { functionTest: { must: string }[]; currents: { groundA: number } },
  ];
  expect(one.currents.groundA).toBeGreaterThan(5);
  expect(one.functionTest.some((trial) => trial.must === 'be blocked')).toBe(true);
  expect(check('examples/ok-cords-only.json', '--function-test').out).toContain(
    'Function test: no moves to try; nothing is wired to the house; appliances hang on cords.',
  );
});

describe('broken case files: exit 2 and a sentence that names the place', () => {
  const good = () => ({ ...example('case-1-interlock-holds') }) as Record<string, unknown>;
  const broken = (change: object) => JSON.stringify({ ...good(), ...change });
  const nested = (depth: number) => '{"format":'.repeat(depth) + '1' + '}'.repeat(depth);
  const CORPUS: [name: string, text: string, sentence: string | RegExp][] = [
    ['empty', '', 'the file is empty'],
    ['blank', ' \n ', 'the file is empty'],
    ['truncated', broken({}).slice(0, 700), 'this is no JSON'],
    ['two objects', '{}{}', 'this is no JSON'],
    ['a list', '[]', '[] is no case'],
    ['a number', '42', '42 is no case'],
    ['null', 'null', 'null is no case'],
    ['no format', '{"version":1,"edition":"2020"}', 'format: '],
    ['another format', broken({ format: 'something/else' }), 'format: "something/else" is no case file'],
    ['a later version', broken({ version: 3 }), 'version: 3 is a version this program does not read'],
    ['a version as text', broken({ version: '1' }), 'version: "1"'],
    ['another edition', broken({ edition: '2014' }), 'edition: "2014" is no edition here'],
    ['a negative length', broken({ cord: [{ lengthFt: -20 }] }), 'cord[0].lengthFt: -20'],
    ['1e308', broken({ cord: [{ lengthFt: 1e308 }] }), 'cord[0].lengthFt: 1e+308'],
    ['infinity by overflow', broken({}).replace('"lengthFt":20', '"lengthFt":1e999'), 'cord[0].lengthFt: '],
    ['NaN as text', broken({ breaker: { ratingA: 'NaN' } }), 'breaker.ratingA: "NaN"'],
    ['NaN bare', broken({}).replace('"ratingA":30', '"ratingA":NaN'), 'this is no JSON'],
    ['a unit in the number', broken({ breaker: { ratingA: '30 A' } }), 'breaker.ratingA: "30 A"'],
    ['feet as an object', broken({ siting: { openingFt: { m: 6 } } }), 'siting.openingFt: {"m":6}'],
    ['a group as a list', broken({ inlet: [] }), 'inlet: [] is no group of facts'],
    ['a list as a group', broken({ cord: {} }), 'cord: {} is no list'],
    ['a cord that is null', broken({ cord: [null] }), 'cord[0]'],
    ['a stray station', broken({ solar: {} }), '"solar" is no fact known here'],
    ['a stray fact', broken({ breaker: { color: 'red' } }), '"color" is no fact known here'],
    ['a prototype key', `{"__proto__":{"x":1},${broken({}).slice(1)}`, '"__proto__" is no fact known here'],
    ['a constructor key', broken({ breaker: { constructor: 'x' } }), '"constructor" is no fact known here'],
    ['toString as a station', broken({ toString: {} }), '"toString" is no fact known here'],
    ['an answer that is none', broken({ transfer: { kind: 'magic' } }), 'transfer.kind: "magic"'],
    ['yes as true', broken({ breaker: { heldDown: true } }), 'breaker.heldDown: true'],
    [
      '43 circuits',
      broken({ loads: { circuits: Array.from({ length: 43 }, () => ({})) } }),
      'loads.circuits: more than 42 entries',
    ],
    [
      'a local answer that is none',
      broken({ local: { 'permit-posted': 'perhaps' } }),
      'local: permit-posted: "perhaps"',
    ],
    ['a local id that is none', broken({ local: { 'a b': 'yes' } }), '"a b" is no id'],
    ['a title of 400 characters', broken({ title: 'x'.repeat(400) }), 'title: longer than 300 characters'],
    ['binary', '\u0000\u0001\u0002', 'this is no JSON'],
    ['10 MB', broken({ title: 'x'.repeat(10_000_000) }), 'a case has at most 1000000'],
    ['100,000 deep', nested(100_000), /a case has at most|is no case file|this is no JSON/],
    [
      '20,000 deep in a fact',
      broken({}).replace('"ratingA":30', `"ratingA":${'['.repeat(20_000)}${']'.repeat(20_000)}`),
      /ratingA|this is no JSON/,
    ],
  ];
  const paths = CORPUS.map(([name, text], i) => [name, file(`broken-${i}.json`, text)] as const);
  const all = check(...paths.map(([, path]) => path));

  test('all of them in one run: none is dropped, nothing crashes', () => {
    expect(all.code).toBe(2);
    expect(all.err).not.toMatch(/\n\s+at /);
    expect(all.out).toBe('');
  });

  test.each(CORPUS.map(([name, , sentence], i) => [name, i, sentence] as const))('%s', (_, i, sentence) => {
    const own = all.err.split('\n').filter((line) => line.startsWith(`${paths[i]![1]}: `));
    expect(own.length).toBeGreaterThan(0);
    const said = own.join('\n');
    if (typeof sentence === 'string') expect(said).toContain(sentence);
    else expect(said).toMatch(sentence);
    for (const line of own) expect(line.length).toBeLessThan(700);
  });
});

test.each(['export', 'backup', 'verify'])('npm run %s with an option that it does not have: a sentence, and no trace', (command) => {
  const file = { export: 'office-file', backup: 'backup', verify: 'verify' }[command]!;
  const { status, stderr } = spawnSync(process.execPath, [join(root, 'tools', 'run.mjs'), `tools/${file}.ts`, '--nonsense'], { cwd: root, encoding: 'utf8' });
  expect([status, stderr]).toEqual([2, expect.stringMatching(/^Unknown option '--nonsense'\. What can be said[^\n]*\n$/)]);
}); // prettier-ignore
