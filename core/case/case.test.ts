import {
  CATALOGUE,
  MECHANISMS,
  goesWith,
  type MechanismName,
  emptyCase,
  factAt,
  parseCase,
  perPath,
  readCase,
  recordedFacts,
  sheet,
  valueText,
  whyNotFact,
  withFact,
  withRecorded,
  withoutEntry,
  STATIONS,
  TRANSFER_KINDS,
  isSimulated,
  listPathOf,
  stationOf,
  type Station,
  type TransferKind,
} from '.';
import { RULES } from '../rules';
import { evaluate } from '../verdict';
import { stationState } from '../walk';
import { example } from '../test/examples';
import { GOOD } from '../test/rule-table';

const errorsOf = (change: Record<string, unknown>) => {
  const read = readCase({ ...GOOD, ...change });
  return read.ok ? [] : read.errors;
};

describe('reading', () => {
  test('the good case comes back as it was', () => {
    expect(parseCase(JSON.stringify(GOOD))).toMatchObject({ ok: true, case: GOOD });
  });

  test.each<[string, unknown, string]>([
    [
      'a size that is none',
      { cord: [{ sizeAwg: '11' }] },
      'cord[0].sizeAwg: "11" is no AWG size in the tables; nearest are 12 and 10',
    ],
    [
      'a size that is no cord',
      { cord: [{ sizeAwg: '250' }] },
      'cord[0].sizeAwg: "250" is not made for this use; nearest are 18 and 16',
    ],
    [
      'a size as a number',
      { feeder: { stretches: [{}, { sizeAwg: 9 }] } },
      'feeder.stretches[1].sizeAwg: 9 is no AWG size in the tables; nearest are 10 and 8',
    ],
    [
      'a negative length',
      { cord: [{ lengthFt: -20 }] },
      'cord[0].lengthFt: -20 is no number that can be meant here; right would be 1 to 500 ft',
    ],
    [
      'a number as text',
      { breaker: { ratingA: '30' } },
      'breaker.ratingA: "30" is no number that can be meant here; right would be 1 to 400 A',
    ],
    [
      'a huge number',
      { source: { runningW: 1e308 } },
      'source.runningW: 1e+308 is no number that can be meant here; right would be 100 to 50000 W',
    ],
    [
      'an unknown answer',
      { breaker: { heldDown: true } },
      'breaker.heldDown: true is no answer here; right would be "yes", "no" or "not-seen"',
    ],
    [
      'an unknown choice',
      { source: { voltage: '230' } },
      'source.voltage: "230" is no answer here; right would be one of 120/240, 120, or "not-seen"',
    ],
    ['a stray key', { breaker: { rating: 30 } }, 'breaker: "rating" is no fact known here; "ratingA" may be meant'],
    ['a stray station', { inlets: {} }, '"inlets" is no fact known here; "inlet" may be meant'],
    ['a list that is none', { cord: 'orange' }, 'cord: "orange" is no list; right would be [ … ]'],
    ['a group that is none', { inlet: 30 }, 'inlet: 30 is no group of facts; right would be { … }'],
    [
      'null for a fact',
      { inlet: { ratingA: null } },
      'inlet.ratingA: null is no number that can be meant here; right would be 1 to 400 A',
    ],
    ['a later version', { version: 3 }, 'version: 3 is a version this program does not read; right would be 2'],
    ['an entry without an id', { cord: [{}] }, 'cord[0].id: missing; each entry has an id of its own'],
    [
      'an id that is none',
      { cord: [{ id: 'a b' }] },
      'cord[0].id: "a b" is no id; right would be letters, digits and dashes, at most 64',
    ],
    ['two of one id', { cord: [{ id: 'a' }, { id: 'a' }] }, 'cord: two entries have the same id'],
    ['another format', { format: 'x' }, 'format: "x" is no case file; right would be "careful-latch/case"'],
    [
      'another edition',
      { edition: '2014' },
      'edition: "2014" is no edition here; right would be one of 2017, 2020, 2023',
    ],
    ['too many cords', { cord: Array.from({ length: 43 }, () => ({})) }, 'cord: more than 42 entries'],
  ])('%s', (_, change, expected) => {
    expect(errorsOf(change as Record<string, unknown>)).toContain(expected);
  });

  test.each<[string, string, RegExp]>([
    ['nothing', ' ', /empty/],
    ['half a file', JSON.stringify(GOOD).slice(0, 300), /no JSON/],
    ['a list', '[1]', /no case/],
    [
      'a prototype key',
      `{"__proto__":{"format":"x"},${JSON.stringify(GOOD).slice(1)}`,
      /"__proto__" is no fact known here/,
    ],
    ['a deep nest', `{"inlet":${'['.repeat(50_000)}${']'.repeat(50_000)}}`, /inlet: .* is no group of facts/],
    ['ten megabytes', `"${'x'.repeat(10_000_000)}"`, /at most 1000000/],
  ])('%s', (_, text, expected) => {
    const read = parseCase(text);
    expect(read.ok ? [] : read.errors.join('\n')).toMatch(expected);
  });

  test('every error at once', () => {
    expect(errorsOf({ cord: [{ id: 'a', sizeAwg: '11', lengthFt: -1 }], inlet: { gender: 'odd' } })).toHaveLength(3);
  });
});

describe('version 1', () => {
  const V1 = {
    format: 'careful-latch/case',
    version: 1,
    edition: '2020',
    cord: [{ lengthFt: 20 }, { lengthFt: 10 }],
    feeder: {
      stretches: [{ metal: 'aluminium', sizeAwg: '8', ambientC: 26 }, { metal: 'copper' }, { metal: 'not-seen' }],
    },
    loads: { circuits: [{ use: 'lights' }] },
    transfer: { kind: 'load-side-switch', mechanism: 'circuit-handles' },
    grounding: { derivedElectrode: 'yes' },
    function: { generatorWithMainOn: 'moved', bothWithCoverOff: 'blocked', eachAlone: 'both', legAV: 121 },
  };

  test('is carried over: spelled anew, with ids by their places, and nothing guessed', () => {
    const read = readCase(V1);
    expect(read).toEqual({
      ok: true,
      case: {
        ...V1,
        version: 2,
        cord: [
          { id: 'cord-1', lengthFt: 20 },
          { id: 'cord-2', lengthFt: 10 },
        ],
        feeder: {
          stretches: [
            { id: 'stretches-1', metal: 'aluminum', sizeAwg: '8', ambientF: 78.8 },
            { id: 'stretches-2', metal: 'copper' },
            { id: 'stretches-3', metal: 'not-seen' },
          ],
        },
        loads: { circuits: [{ id: 'circuits-1', use: 'lights' }] },
        grounding: {}, // which electrodes, the old answer does not say
        function: { eachAlone: 'both', legAV: 121 }, // a handle that went to the generator did its work
      },
    });
  });

  test('what says the same in both is kept', () => {
    const read = readCase({
      ...V1,
      transfer: { kind: 'retrofit-interlock', mechanism: 'sliding-plate' },
      grounding: { derivedElectrode: 'no' },
    });
    expect(read.ok && read.case.function).toEqual({ generatorWithMainOn: 'moved', eachAlone: 'both', legAV: 121 });
    expect(read.ok && read.case.grounding).toEqual({ derivedElectrode: 'none' });
    const unseen = readCase({ ...V1, grounding: { derivedElectrode: 'not-seen' } });
    expect(unseen.ok && unseen.case.grounding).toEqual({ derivedElectrode: 'not-seen' });
  });

  test('what is wrong in it is told, and never thrown', () => {
    for (const change of [
      { cord: 'orange' },
      { cord: [null] },
      { feeder: { stretches: 7 } },
      { feeder: { stretches: [{ ambientC: 'hot' }] } },
      { feeder: [] },
      { function: 3 },
      { transfer: null },
    ]) {
      const read = readCase({ ...V1, ...change });
      expect([change, read.ok]).toEqual([change, false]);
    }
    expect(readCase({ ...V1, version: 2 }).ok).toBe(false); // the old spelling is no version 2
  });
});

describe('facts', () => {
  test('setting one leaves the case as it was and fills lists', () => {
    const empty = emptyCase('2023');
    const set = withFact(empty, 'feeder.stretches[1].sizeAwg', '10');
    expect(empty).toEqual(emptyCase('2023'));
    expect(set.feeder).toEqual({ stretches: [{ id: 'stretches-1' }, { id: 'stretches-2', sizeAwg: '10' }] });
    expect(withFact(empty, 'cord[0].sizeAwg', '10', 'given').cord).toEqual([{ id: 'given', sizeAwg: '10' }]);
    expect(factAt(set, 'feeder.stretches[1].sizeAwg')).toBe('10');
    expect(readCase(set).ok).toBe(true);
  });

  test('taking away leaves no trace', () => {
    const gone = withFact(GOOD, 'breaker.ratingA', undefined);
    expect(gone.breaker).not.toHaveProperty('ratingA');
    expect(recordedFacts(gone)).toEqual(recordedFacts(GOOD).filter((path) => path !== 'breaker.ratingA'));
  });

  test('not looked at and not seen read differently', () => {
    expect(valueText('breaker.ratingA', undefined)).toBe('not looked at yet');
    expect(valueText('breaker.ratingA', 'not-seen')).toBe('looked, not seen');
    expect(valueText('breaker.ratingA', 30)).toBe('30 A');
    expect(valueText('grounding.frameToPanelOhm', 1_000_000)).toBe('Open (OL)');
    expect(valueText('source.airF', 87)).toBe('87 °F');
    expect(valueText('transfer.kind', 'load-side-switch')).toBe('Load-side transfer switch');
  });

  test.each([
    ['breaker.ratingA', 30, undefined],
    ['breaker.ratingA', undefined, undefined],
    ['breaker.ratingA', 'not-seen', undefined],
    ['breaker.ratingA', -1, 'breaker.ratingA: -1 is no number that can be meant here; right would be 1 to 400 A'],
    ['breaker.color', 'red', '"breaker.color" is no fact known here'],
    ['constructor.name', 'x', '"constructor.name" is no fact known here'],
    ['cord[42].lengthFt', 10, 'cord[42].lengthFt: more than 42 entries'],
    // one address for one fact
    ['breaker.ratingA[0]', null, '"breaker.ratingA[0]" is no fact known here'],
    ['transfer.kind[0]', 'none-cords', '"transfer.kind[0]" is no fact known here'],
    ['cord[00].lengthFt', 10, '"cord[00].lengthFt" is no fact known here'],
    ['cord.lengthFt', 10, '"cord.lengthFt" is no fact known here'],
    ['cord[0].lengthFt[0]', 10, '"cord[0].lengthFt[0]" is no fact known here'],
    ['cord[0][0].lengthFt', 10, '"cord[0][0].lengthFt" is no fact known here'],
    ['[0]breaker.ratingA', 10, '"[0]breaker.ratingA" is no fact known here'],
    ['cord[0].id', 'x', '"cord[0].id" is no fact known here'],
    ['breaker.__proto__', 'x', '"breaker.__proto__" is no fact known here'],
  ])('%s = %p', (path, value, expected) => expect(whyNotFact(path, value)).toBe(expected));

  test('a cord can be taken out', () => {
    const two = withFact(GOOD, 'cord[1].lengthFt', 9);
    expect(withoutEntry(two, 'cord', 0).cord).toEqual([{ id: 'cord-2', lengthFt: 9 }]);
    // one added after that is called otherwise than the one that was taken out
    expect(withFact(withoutEntry(two, 'cord', 0), 'cord[1].lengthFt', 5).cord!.map(({ id }) => id)).toEqual([
      'cord-2',
      'cord-3',
    ]);
    expect(withoutEntry(emptyCase('2017'), 'cord', 0)).toEqual(emptyCase('2017'));
  });
});

describe('sheets', () => {
  const on = (c: typeof GOOD, stations: readonly Station[] = STATIONS) =>
    stations
      .flatMap((one) => sheet(c, one).flatMap((group) => group.paths))
      .map((path) => path.replace(/\[\d+\]/g, ''));
  const MECHANISM_NAMES = Object.keys(MECHANISMS) as MechanismName[];
  const kindWith = (name: MechanismName) =>
    (Object.keys(TRANSFER_KINDS) as TransferKind[]).find((kind) => goesWith(name, kind));
  /** Cases in which, taken together, every conditional fact matters. */
  const MATTERS = [
    ...(Object.keys(TRANSFER_KINDS) as TransferKind[]).map((kind) => withFact(GOOD, 'transfer.kind', kind)),
    ...[...new Set(MECHANISM_NAMES)].map((name) =>
      withFact(withFact(GOOD, 'transfer.kind', kindWith(name)), 'transfer.mechanism', name),
    ),
    withFact(withFact(GOOD, 'feeder.stretches[0].method', 'EMT'), 'feeder.stretches[0].groundBy', 'raceway'),
    withFact(withFact(GOOD, 'feeder.stretches[0].method', 'MC'), 'feeder.stretches[0].place', 'underground'),
    withFact(
      withFact(withFact(GOOD, 'source.units', 'paired-stations'), 'source.kind', 'power-station'),
      'source.voltage',
      '120',
    ),
    withFact(withFact(GOOD, 'source.receptacles120', 'interlocked'), 'source.madeBefore2015', 'yes'),
    withFact(GOOD, 'source.bondAltered', 'jumper'),
    withFact(GOOD, 'source.fuel', 'propane'),
    withFact(withFact(GOOD, 'cord[0].part', 'adapter-listed'), 'cord[0].breakerA', 30),
    withFact(GOOD, 'source.outletDevice', 'none'),
    withFact(GOOD, 'cord[0].type', 'ST'),
    withFact(GOOD, 'cord[0].run', 'through-opening'),
    withFact(withFact(GOOD, 'feeder.stretches[0].method', 'PVC'), 'feeder.stretches[0].lengthFt', 2),
    withFact(withFact(GOOD, 'feeder.stretches[0].method', 'PVC'), 'feeder.stretches[0].place', 'outdoors'),
    withFact(GOOD, 'feeder.stretches[0].place', 'wall'),
    withFact(GOOD, 'transfer.torqueTool', 'no'),
    withFact(withFact(GOOD, 'transfer.kind', 'load-side-switch'), 'transfer.conductorFillPercent', 40),
    withFact(withFact(GOOD, 'transfer.kind', 'whole-house-manual'), 'transfer.utilityA', 400),
    withFact(withFact(GOOD, 'neutral.switched', 'yes'), 'grounding.derivedElectrode', 'one-rod'),
    withFact(GOOD, 'source.outlet', 'L5-30'),
    withFact(GOOD, 'feeder.stretches[0].metal', 'aluminum'),
    withFact(GOOD, 'neutral.otherBond', 'transfer-enclosure'),
    withFact(withFact(GOOD, 'panel.otherSources', 'battery'), 'panel.otherLands', 'fed-bus'),
    withFact(withFact(GOOD, 'transfer.kind', 'none-cords'), 'cord[1].part', 'cord'),
    withFact(GOOD, 'loads.circuits[0].neutralGroup', 'a'),
    ...['well-pump', 'air-conditioner'].map((use) =>
      [
        ['transfer.kind', 'load-side-switch'],
        ['loads.circuits[0].use', use],
        ['loads.circuits[0].byNameplate', 'yes'],
      ].reduce((c, [path, value]) => withFact(c, path!, value), GOOD),
    ),
    withFact(withFact(GOOD, 'feeder.stretches[0].method', 'FMC'), 'feeder.stretches[0].groundBy', 'raceway'),
    withFact(GOOD, 'feeder.stretches[0].place', 'attic'),
    withFact(GOOD, 'loads.circuits[0].startingW', 700),
    withFact(withFact(GOOD, 'transfer.kind', 'none-cords'), 'loads.circuits[0].use', 'furnace'),
    withFact(GOOD, 'breaker.availableKa', 22),
    withFact(withFact(GOOD, 'transfer.kind', 'whole-house-manual'), 'transfer.location', 'first'),
    withFact(withFact(GOOD, 'transfer.kind', 'whole-house-manual'), 'transfer.location', 'meter'),
    withFact(withFact(GOOD, 'transfer.kind', 'single-circuit-switch'), 'transfer.box', 'marked'),
    withFact(withFact(GOOD, 'neutral.switched', 'yes'), 'grounding.derivedElectrode', 'house'),
    withFact(withFact(GOOD, 'panel.otherSources', 'battery'), 'panel.place', 'damp'),
    withFact(withFact(GOOD, 'transfer.kind', 'load-side-switch'), 'loads.circuits[0].use', 'water-heater'),
    withFact(GOOD, 'function.pinsV', 28),
    withFact(withFact(GOOD, 'feeder.stretches[0].method', 'UF-B'), 'feeder.stretches[0].place', 'outdoors'),
    withFact(GOOD, 'feeder.stretches[0].place', 'underground'),
    withFact(GOOD, 'grounding.rod', 'auxiliary'),
    withFact(GOOD, 'transfer.mountedOn', 'cover'),
    withFact(withFact(GOOD, 'neutral.switched', 'yes'), 'source.neutralBond', 'bonded'),
    withFact(withFact(GOOD, 'inlet.ratingA', 100), 'source.connection', 'permanent'),
    withFact(withFact(GOOD, 'transfer.kind', 'load-side-switch'), 'loads.circuits[0].volts', '240'),
  ];

  test('every fact stands on one sheet at most, and on one wherever it matters', () => {
    const found = new Set<string>();
    for (const c of MATTERS) {
      const paths = on(c).filter((path) => !/^(loads\.circuits|cord)\./.test(path));
      expect(new Set(paths).size).toBe(paths.length);
      for (const path of on(c)) found.add(path);
    }
    const asked = [...CATALOGUE].filter(([, { retired }]) => !retired).map(([key]) => key);
    expect(asked.filter((key) => !found.has(key))).toEqual([]);
    expect(on(GOOD)).not.toContain('feeder.stretches.insulation');
    expect(on(withFact(GOOD, 'transfer.kind', 'none-cords'))).not.toContain('function.legAV');
  });

  test('no station that applies asks for what no rule of that house uses', () => {
    // What a circuit is called, what decides whether a rule speaks at all, and what only makes a working fuller.
    const ALLOWED = new Set([
      'loads.circuits.use',
      'loads.circuits.neutralGroup',
      'source.outletDevice',
      'neutral.unbalancedA',
      'cord.lengthFt',
      'transfer.location',
    ]);
    for (const name of [
      'case-1-interlock-holds',
      'ok-load-side-switch',
      'ok-transfer-panel',
      'ok-whole-house-manual',
      'ok-whole-house-automatic',
      'ok-single-circuit-switch',
      'ok-cords-only',
      'stop-backfed-dryer',
      'ok-power-station',
    ]) {
      const c = example(name);
      const evaluation = evaluate(c);
      const used = new Set(
        RULES.filter((_, i) => evaluation.outcomes[i]!.outcome !== 'not-applicable').flatMap((rule) => rule.facts),
      );
      const asked = STATIONS.filter((station) => stationState(c, evaluation, station) !== 'absent')
        .flatMap((station) => sheet(c, station))
        .flatMap((group) => group.paths);
      const needless = asked
        .map((path) => path.replace(/\[\d+\]/g, ''))
        .filter((path) => !used.has(path) && !ALLOWED.has(path));
      expect([name, [...new Set(needless)]]).toEqual([name, []]);
    }
  });

  test('whatever an outcome asks for can be entered on a sheet of that very case', () => {
    const unasked: string[] = [];
    for (const c of MATTERS)
      for (const fact of CATALOGUE.keys()) {
        if (listPathOf(fact) || fact === 'transfer.kind' || factAt(c, fact) === undefined) continue;
        const without = withFact(c, fact, undefined);
        const wanted = evaluate(without).outcomes.flatMap(({ rule, needs }) => needs.map((need) => ({ rule, need })));
        const asked = new Set(on(without, [...new Set(wanted.map(({ need }) => stationOf(need)))]));
        for (const { rule, need } of wanted)
          if (!asked.has(need.replace(/\[\d+\]/g, ''))) unasked.push(`${rule}: ${need}, without ${fact}`);
      }
    expect(unasked).toEqual([]);
  });

  test('an empty case still asks for the first cord and stretch', () => {
    const paths = (station: 'cord' | 'feeder') => sheet(emptyCase('2020'), station).flatMap((group) => group.paths);
    expect(paths('cord')[0]).toBe('cord[0].part');
    expect(paths('feeder')).toContain('feeder.stretches[0].method');
  });
});

test('what is worked out from an address is worked out once, and made-up addresses fill no memory', () => {
  let worked = 0;
  const length = perPath((path) => {
    worked++;
    return String(path.length);
  });
  expect([length('inlet.ratingA'), length('inlet.ratingA')]).toEqual(['13', '13']);
  expect(worked).toBe(1);
  for (let i = 0; i < 10_000; i++) length(`made.up${i}`);
  worked = 0;
  expect(length('made.up9999')).toBe('11');
  expect(worked).toBe(1);
});

test('a reading of the simulated meter is told from one of an instrument', () => {
  const at = '2026-12-01T10:00:00Z';
  const by = 'Ilse O’Harrow';
  const path = 'grounding.frameToPanelOhm';
  expect(isSimulated(withRecorded(GOOD, path, { how: 'meter', at, by, said: 'Simulated meter' }), path)).toBe(true);
  expect(isSimulated(withRecorded(GOOD, path, { how: 'meter', at, by, said: 'Meter 4' }), path)).toBe(false);
  expect(isSimulated(withRecorded(GOOD, path, { how: 'touched', at, by, said: 'Simulated meter' }), path)).toBe(false);
  expect(isSimulated(GOOD, path)).toBe(false);
});
