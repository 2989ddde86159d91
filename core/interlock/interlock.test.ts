import {
  MECHANISMS,
  NOT_SEEN,
  TRANSFER_KINDS,
  emptyCase,
  goesWith,
  sheet,
  type Case,
  type MechanismName,
  type TransferKind,
} from '../case';
import { caseWith, type Facts } from '../test/rule-table';
import {
  RIGHT_ANSWERS,
  dangerousSequence,
  disagreements,
  explore,
  functionTest,
  functionTestAt,
  honestAnswers,
  mechanism,
  settingOf,
  whyNotByHand,
  type Defects,
  type TestFact,
} from '.';

/** Those that have a model; what fits none of ours has none. */
const names = (Object.keys(MECHANISMS) as MechanismName[]).filter((name) => name !== 'other');
const words = (name: MechanismName, defects: Defects) =>
  dangerousSequence(mechanism(name, defects))?.map((move) => move.words);

test.each(names)('%s, sound: no sequence closes both, and each source closes alone', (name) => {
  const sound = mechanism(name);
  expect(dangerousSequence(sound)).toBeUndefined();
  const reached = explore(sound, () => false).reached.map((state) => sound.describe(state));
  const closes = (one: string, positions: RegExp) =>
    expect([name, one, reached.some((state) => positions.test(state))]).toEqual([name, one, true]);
  if (name === 'circuit-handles') {
    closes('line', /handle 1 line/);
    closes('generator', /handle 1 generator/);
  } else {
    closes('utility', /utility on/);
    closes('generator', /generator on/);
  }
});

test.each<[MechanismName, Defects, string[]]>([
  ['sliding-plate', { loose: true }, ['switch utility on', 'lift the plate off its guides', 'switch generator on']],
  ['sliding-plate', { trimmed: true }, ['switch utility on', 'slide the plate half-way', 'switch generator on']],
  ['sliding-plate', { partsMissing: true }, ['switch utility on', 'switch generator on']],
  ['sliding-plate', { wrongSpacing: true }, ['switch utility on', 'switch generator on']],
  [
    'sliding-plate',
    { coverOff: true },
    ['switch utility on', 'take the cover off, and the part with it', 'switch generator on'],
  ],
  ['sliding-plate', { tieMissing: true }, ['switch utility on', 'switch the untied pole of the generator breaker on']],
  [
    'sliding-plate',
    { breakerNotHeld: true },
    [
      'switch utility on',
      'pull the generator breaker off its seat',
      'switch generator on',
      'push the generator breaker back on its seat',
    ],
  ],
  [
    'two-part-plate',
    { loose: true },
    ['push the utility plate up', 'switch utility on', 'push the generator plate up', 'switch generator on'],
  ],
  ['two-part-plate', { partsMissing: true }, ['switch utility on', 'switch generator on']],
  ['linkage', { loose: true }, ['switch utility on', 'switch generator on']],
  ['linked-mains', { wrongSpacing: true }, ['switch utility on', 'switch generator on']],
  ['circuit-handles', { tieMissing: true }, ['turn handle 1 to line', 'turn handle 2 to generator']],
  ['double-throw', { partsMissing: true }, ['move it to utility', 'move it to generator']],
  ['automatic', { loose: true }, ['move it to utility', 'move it to generator']],
])('%s with %j: the shortest sequence', (name, defects, expected) => {
  const found = words(name, defects)!;
  expect(found).toHaveLength(expected.length);
  expect([...found].sort()).toEqual([...expected].sort());
});

test('the shortest sequence, replayed move by move, ends with both closed and not before', () => {
  for (const name of names)
    for (const defects of [
      { loose: true },
      { trimmed: true },
      { partsMissing: true },
      { tieMissing: true },
      { breakerNotHeld: true },
      { coverOff: true },
    ]) {
      const machine = mechanism(name, defects);
      const sequence = dangerousSequence(machine);
      if (!sequence) continue;
      let state = machine.start;
      for (const move of sequence) {
        expect(machine.parallel(state)).toBe(false);
        state = machine.moves(state).find(([one]) => one.words === move.words)![1];
      }
      expect([name, defects, machine.parallel(state)]).toEqual([name, defects, true]);
    }
});

/** Every defect of a mechanism, and where it hangs. */
const DEFECTS = [
  'loose',
  'trimmed',
  'partsMissing',
  'wrongSpacing',
  'tieMissing',
  'breakerNotHeld',
  'coverOff',
] as const;

test('one defect more never takes a dangerous sequence away', () => {
  for (const name of names)
    for (let bits = 0; bits < 1 << DEFECTS.length; bits++) {
      const defects = Object.fromEntries(DEFECTS.map((key, i) => [key, (bits & (1 << i)) !== 0])) as Defects;
      if (!dangerousSequence(mechanism(name, defects))) continue;
      for (const key of DEFECTS)
        expect([
          name,
          defects,
          key,
          dangerousSequence(mechanism(name, { ...defects, [key]: true })) !== undefined,
        ]).toEqual([name, defects, key, true]);
    }
});

describe('function test', () => {
  test('a sliding plate: both pushes, the plate under either closed handle, and each source alone', () => {
    const trials = functionTest('sliding-plate').map((trial) => `${trial.given}: ${trial.attempt}: must ${trial.must}`);
    expect(trials).toContain('utility closed: switch generator on: must be blocked');
    expect(trials).toContain('generator closed: switch utility on: must be blocked');
    expect(trials).toContain('utility closed: lift the plate off its guides: must be blocked');
    expect(trials).toContain('generator closed: slide the plate half-way back: must be blocked');
    expect(trials).toContain('both open: switch utility on: must go');
    expect(trials).toContain('both open: switch generator on: must go');
  });

  test('of a case: the cover counts at a retrofit interlock; nothing is listed where the mechanism is unknown or another’s', () => {
    const at = (transfer: Case['transfer']) => functionTestAt({ ...emptyCase('2023'), transfer });
    const onPanel = at({ kind: 'retrofit-interlock', mechanism: 'sliding-plate', mountedOn: 'panel' });
    const onCover = at({ kind: 'retrofit-interlock', mechanism: 'sliding-plate', mountedOn: 'cover' });
    expect(onPanel).toEqual(functionTest('sliding-plate'));
    expect(onCover.map((trial) => trial.fact)).toEqual([
      ...onPanel.map((trial) => trial.fact),
      'function.coverOnHolds',
    ]);
    expect(at({ kind: 'load-side-switch', mechanism: 'circuit-handles', mountedOn: 'cover' })).toEqual(
      functionTest('circuit-handles', { manyHandles: true }),
    );
    for (const nothing of [
      undefined,
      { kind: 'retrofit-interlock' },
      { kind: 'retrofit-interlock', mechanism: NOT_SEEN },
      { kind: 'load-side-switch', mechanism: 'sliding-plate' },
      { mechanism: 'sliding-plate' },
    ] as const)
      expect(at(nothing)).toEqual([]);
  });

  test.each(names)('%s: every trial says what must come and where it is written, once', (name) => {
    const trials = functionTest(name, { onCover: true, manyHandles: true });
    expect(trials.some((trial) => trial.must === 'go')).toBe(true);
    for (const trial of trials) expect(trial.right).toBe(RIGHT_ANSWERS[trial.fact]);
    expect(new Set(trials.map((trial) => `${trial.given} ${trial.attempt}`)).size).toBe(trials.length);
    expect(trials.at(-1)).toMatchObject(
      name === 'automatic' ? { fact: 'function.cycle' } : { must: 'be blocked', fact: 'function.coverOnHolds' },
    );
  });

  test('one handle is never blocked from its work, contactors are never pushed, and what fits none of ours is not tried', () => {
    const attempts = (name: MechanismName) =>
      functionTest(name).map(({ given, attempt, must }) => `${given}: ${attempt}: ${must}`);
    expect(attempts('double-throw')).toEqual([
      'both open: move it to utility: go',
      'both open: move it to generator: go',
      'utility closed: move it slowly to generator: stand where both are closed: be blocked',
      'generator closed: move it slowly to utility: stand where both are closed: be blocked',
    ]);
    expect(new Set(functionTest('automatic').map(({ fact }) => fact))).toEqual(new Set(['function.cycle']));
    expect(functionTest('other')).toEqual([]);
    expect(() => mechanism('other')).toThrow(RangeError);
  });
});

const KINDS = (Object.keys(TRANSFER_KINDS) as TransferKind[]).filter(
  (kind) => !['none-cords', 'none-backfed', 'other'].includes(kind),
);
const everySetting = KINDS.flatMap((kind) =>
  names
    .filter((name) => goesWith(name, kind))
    .flatMap((name) =>
      (kind === 'retrofit-interlock' ? ['panel', 'cover'] : ['panel']).map(
        (mountedOn) => [kind, name, mountedOn] as const,
      ),
    ),
);

describe('an honest hand', () => {
  test.each(everySetting)('%s, %s on the %s: at a sound mechanism no answer is a finding', (kind, name, mountedOn) => {
    const setting = settingOf(kind, mountedOn);
    const answers = honestAnswers(name, {}, setting);
    const asked = [...new Set(functionTest(name, setting).map(({ fact }) => fact))];
    expect(answers).toEqual(Object.fromEntries(asked.map((fact) => [fact, RIGHT_ANSWERS[fact]])));
  });

  test.each(
    everySetting.flatMap(([kind, name, mountedOn]) =>
      DEFECTS.map((defect) => [kind, name, mountedOn, defect] as const),
    ),
  )('%s, %s on the %s, %s: found, or the model says why a hand cannot', (kind, name, mountedOn, defect) => {
    if (!dangerousSequence(mechanism(name, { [defect]: true }))) return; // it joins nothing
    const setting = settingOf(kind, mountedOn);
    const wrong = Object.entries(honestAnswers(name, { [defect]: true }, setting)).filter(
      ([fact, answer]) => answer !== RIGHT_ANSWERS[fact as TestFact],
    );
    const why = whyNotByHand(name, defect, setting);
    expect([wrong.length > 0, why === undefined]).toEqual(why === undefined ? [true, true] : [false, false]);
  });

  test('the sheet asks exactly what the function test lists', () => {
    for (const [kind, name, mountedOn] of everySetting) {
      const c = { ...emptyCase('2023'), transfer: { kind, mechanism: name, mountedOn } } as Case;
      const asked = sheet(c, 'function')
        .flatMap(({ paths }) => paths)
        .filter((path) => path in RIGHT_ANSWERS);
      const listed = new Set<string>(functionTestAt(c).map(({ fact }) => fact));
      expect([kind, name, mountedOn, asked.sort()]).toEqual([kind, name, mountedOn, [...listed].sort()]);
    }
  });
});

describe('hand and model', () => {
  const at = (facts: Facts) => disagreements(caseWith(facts));

  test('agree where both say what a sound mechanism does, and where a recorded defect was found by trying', () => {
    expect(at({})).toEqual([]);
    expect(
      at({
        'transfer.fit': 'loose',
        'function.generatorWithMainOn': 'blocked',
        'function.bothWithPartMoved': 'moved',
      }),
    ).toEqual([]);
  });

  test('differ where something closed that the recorded mechanism blocks, and where nothing did that it lets go', () => {
    expect(at({ 'function.generatorWithMainOn': 'moved' })).toEqual([
      { fact: 'function.generatorWithMainOn', model: 'blocked', hand: 'moved' },
    ]);
    expect(at({ 'transfer.fit': 'loose' })).toEqual([
      { fact: 'function.bothWithPartMoved', model: 'moved', hand: 'blocked' },
    ]);
  });

  test('say nothing of what nobody has tried, nor while the mechanism is unknown', () => {
    expect(at({ 'transfer.fit': 'loose', 'function.bothWithPartMoved': 'not-seen' })).toEqual([]);
    expect(at({ 'transfer.fit': undefined, 'function.generatorWithMainOn': 'moved' })).toEqual([]);
  });
});
