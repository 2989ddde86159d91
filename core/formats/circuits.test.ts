import fc from 'fast-check';
import { MOST_PARTS, factAt, withFact, type Case } from '../case';
import { caseWith } from '../test/rule-table';
import { CIRCUIT_COLUMNS, circuitsCsv, columnsOf, readCircuits } from '.';

const circuit = (id: string, over: object = {}) => ({ id, use: 'refrigerator', volts: '120', slot: 6, ...over });
const house = (...circuits: object[]): Case =>
  caseWith({ transfer: { kind: 'retrofit-interlock' }, loads: { circuits } } as never);
const columns = ['slot', 'use', 'runningW'].map((key) => CIRCUIT_COLUMNS.find((one) => one.key === key)!);
const taken = (c: Case, text: string, at?: { row: number; column: number }): Case => {
  const read = readCircuits(c, text, columns, at);
  if (!read.ok) throw new Error(read.errors.join(' '));
  return read.facts.reduce((next, [path, value]) => withFact(next, path, value), c);
};
const errorsOf = (c: Case, text: string) => {
  const read = readCircuits(c, text, columns);
  return read.ok ? [] : read.errors;
};

test('what goes out comes in again, whatever is recorded', () => {
  const values = fc.record({
    use: fc.constantFrom('refrigerator', 'well-pump', 'not-seen'),
    volts: fc.constantFrom('120', '240'),
    slot: fc.integer({ min: 1, max: 84 }),
    runningW: fc.option(fc.integer({ min: 0, max: 20_000 }), { nil: undefined }),
    continuous: fc.constantFrom('yes', 'no', undefined),
  });
  fc.assert(
    fc.property(fc.uniqueArray(values, { selector: (one) => one.slot, minLength: 1, maxLength: 12 }), (all) => {
      const full = house(...all.map((one, i) => ({ id: `c${i}`, ...one })));
      const back = taken(house(), circuitsCsv(full));
      for (const [row, one] of all.entries())
        for (const [key, value] of Object.entries(one))
          expect(factAt(back, `loads.circuits[${row}].${key}`)).toBe(value);
    }),
  );
});

test('a line goes to the circuit in its slot, another becomes one more, an empty cell leaves what is there', () => {
  const after = taken(
    house(circuit('c1', { runningW: 700 })),
    'Slot in the panel,What it feeds,"Running watts, W"\n6,Freezer,\n8,well pump,"1,200"\n',
  );
  expect(after.loads!.circuits).toMatchObject([
    { slot: 6, use: 'freezer', runningW: 700, volts: '120' },
    { slot: 8, use: 'well-pump', runningW: 1200 },
  ]);
});

test('what a spreadsheet copies goes in from the cell on, to the right and down', () => {
  const after = taken(house(circuit('c1'), circuit('c2', { slot: 8 })), 'Sump pump\t800\nDryer\t5000', {
    row: 1,
    column: 1,
  });
  expect(after.loads!.circuits).toMatchObject([
    { use: 'refrigerator' },
    { slot: 8, use: 'sump', runningW: 800 },
    { use: 'dryer', runningW: 5000 },
  ]);
});

test('of what a spreadsheet copies an empty cell moves no other, and a comma is part of a number', () => {
  const at = (text: string, column: number) =>
    taken(house(circuit('c1')), text, { row: 0, column }).loads!.circuits![0];
  expect(at('\tFreezer\t900', 0)).toMatchObject({ slot: 6, use: 'freezer', runningW: 900 });
  expect(at('1,200', 2)).toMatchObject({ runningW: 1200 });
});

test.each<[string, string, RegExp]>([
  ['a column that is none', 'slot,Colour\n6,red', /No column is called “Colour”\. The columns are .*Slot in the panel/],
  ['a use that is none', 'slot,use\n6,Sauna', /Line 1, What it feeds: “Sauna” is none of Lights, /],
  ['a slot that no panel has', 'slot\n90', /Line 1, Slot in the panel: .*84/],
  ['watts that are no number', 'slot,runningW\n6,many', /Line 1, Running watts: /],
  ['more than the table is wide', '1\tLights\t60\tmore', /“more” stands in no column/],
  ['nothing', '  \n ', /There is no circuit in it/],
  ['names alone', 'slot,use', /There is no circuit in it/],
  [
    'more circuits than a panel has',
    Array.from({ length: MOST_PARTS + 1 }, (_, i) => i % 84 || 84).join('\n'),
    /more than/,
  ],
])('%s: a sentence, and nothing is taken', (_, text, why) => {
  expect(errorsOf(house(circuit('c1')), text).join(' ')).toMatch(why);
});

test('a whole table of nonsense gets few sentences', () => {
  const errors = errorsOf(house(), ['slot', ...Array.from({ length: 60 }, () => 'x')].join('\n'));
  expect(errors).toHaveLength(9);
  expect(errors.at(-1)).toBe('And 52 more like these.');
});

test('nothing that goes out can be taken for a formula', () => {
  const cells = circuitsCsv(house(circuit('c1'))).split(/[,\r\n]+/);
  expect(cells.filter((cell) => /^"?[=+\-@\t]/.test(cell))).toEqual([]);
});

test('the columns are those that this house asks for', () => {
  const keys = (c: Case) => columnsOf(c).map(({ key }) => key);
  expect(keys(house())).toContain('slot');
  expect(keys(house())).not.toContain('switchBreakerA');
  expect(
    keys(caseWith({ transfer: { kind: 'load-side-switch' }, loads: { circuits: [circuit('c1')] } } as never)),
  ).toContain('switchBreakerA');
  expect(keys(caseWith({ transfer: { kind: 'none-cords' }, loads: { circuits: [] } } as never))).not.toContain('slot');
});
