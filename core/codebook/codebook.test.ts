import {
  AMBIENT_FACTOR,
  AMPACITY_A,
  AREA_CMIL,
  CONFIGURATION_NAMES,
  RESISTANCE_OHM_PER_KFT,
  ambientFactor,
  buildingWireSizes,
  countFactor,
  equipmentGroundSize,
  plugFits,
  sizeOfArea,
  standardDeviceAtOrAboveA,
  standardDeviceAtOrBelowA,
  tableAmpacityA,
  type ColumnC,
  type Metal,
  type WireSize,
} from '.';

describe('ampacity', () => {
  // Written down from the code book apart from our table.
  test.each<[Metal, WireSize, ColumnC, number]>([
    ['copper', '14', 60, 15], ['copper', '14', 90, 25], ['copper', '12', 75, 25], ['copper', '10', 60, 30], ['copper', '10', 75, 35],
    ['copper', '10', 90, 40], ['copper', '8', 60, 40], ['copper', '8', 75, 50], ['copper', '8', 90, 55], ['copper', '6', 60, 55],
    ['copper', '6', 75, 65], ['copper', '4', 75, 85], ['copper', '3', 75, 100], ['copper', '2', 90, 130], ['copper', '1', 60, 110],
    ['copper', '1/0', 75, 150], ['copper', '2/0', 75, 175], ['copper', '3/0', 75, 200], ['copper', '4/0', 75, 230],
    ['aluminum', '12', 60, 15], ['aluminum', '10', 75, 30], ['aluminum', '8', 75, 40], ['aluminum', '6', 75, 50], ['aluminum', '4', 75, 65],
    ['aluminum', '2', 75, 90], ['aluminum', '1', 90, 115], ['aluminum', '1/0', 75, 120], ['aluminum', '2/0', 75, 135], ['aluminum', '4/0', 75, 180],
  ])('%s %s AWG at %i °C: %i A', (metal, size, column, expected) => {
    expect(tableAmpacityA(metal, size, column)).toBe(expected);
  }); // prettier-ignore

  test.each<Metal>(['copper', 'aluminum'])('%s grows with size and with temperature', (metal) => {
    const rows = buildingWireSizes(metal).map((size) => AMPACITY_A.rows[metal][size]!);
    for (const [i, row] of rows.entries()) {
      expect(row[0]).toBeLessThan(row[1]);
      expect(row[1]).toBeLessThan(row[2]);
      for (const column of [0, 1, 2] as const) if (i > 0) expect(row[column]).toBeGreaterThan(rows[i - 1]![column]);
    }
  });

  test('a size the table lacks has no value', () => {
    expect(tableAmpacityA('aluminum', '14', 75)).toBeUndefined();
  });
});

describe('ambient factor', () => {
  test.each<[number, ColumnC, number | null]>([
    [-5, 60, 1.29], [10, 90, 1.15], [10.5, 75, 1.15], [20, 60, 1.15], [25, 75, 1.05], [26, 90, 1], [30, 60, 1], [31, 60, 0.91],
    [40, 90, 0.91], [46, 90, 0.82], [50, 75, 0.75], [55, 60, 0.41], [56, 60, null], [56, 90, 0.71], [68, 90, 0.58], [70, 75, 0.33],
    [71, 75, null], [75, 90, 0.5], [80, 90, 0.41], [85, 90, 0.29], [86, 90, null],
  ])('%d °C in the %i °C column: %p', (ambientC, column, expected) => {
    expect(ambientFactor(ambientC, column)).toBe(expected);
  }); // prettier-ignore

  // 310.15(B): the factor is √((Tc − Ta) ÷ (Tc − 30)) with the upper end of each row, printed to two digits.
  test('rows follow the equation of the section', () => {
    for (const [upTo, ...factors] of AMBIENT_FACTOR.rows)
      for (const [i, columnC] of [60, 75, 90].entries())
        if (factors[i] !== null)
          expect(Math.abs(factors[i]! - Math.sqrt((columnC - upTo) / (columnC - 30)))).toBeLessThan(0.006);
  });
});

test.each([
  [3, 1],
  [4, 0.8],
  [6, 0.8],
  [7, 0.7],
  [9, 0.7],
  [10, 0.5],
  [20, 0.5],
  [21, 0.45],
  [31, 0.4],
  [40, 0.4],
  [41, 0.35],
])('%i current-carrying conductors: %d', (count, expected) => expect(countFactor(count)).toBe(expected));

test.each<[number, Metal, WireSize | undefined]>([
  [15, 'copper', '14'], [20, 'copper', '12'], [25, 'copper', '10'], [30, 'copper', '10'], [30, 'aluminum', '8'], [50, 'copper', '10'],
  [60, 'aluminum', '8'], [70, 'copper', '8'], [100, 'aluminum', '6'], [125, 'copper', '6'], [200, 'aluminum', '4'], [201, 'copper', '4'], [400, 'aluminum', '1'], [401, 'copper', undefined],
])('equipment ground behind %i A, %s: %s', (deviceA, metal, expected) => {
  expect(equipmentGroundSize(deviceA, metal)).toBe(expected);
}); // prettier-ignore

test.each([
  [28.4, 30],
  [23.2, 25],
  [30, 30],
  [30.1, 35],
  [36, 40],
  [51, 60],
  [251, undefined],
])('next standard device of %d A: %p', (a, expected) => expect(standardDeviceAtOrAboveA(a, '2020')).toBe(expected));
test.each([
  [34, 30],
  [30, 30],
  [14, undefined],
  [55, 50],
])('largest standard device within %d A: %p', (a, expected) =>
  expect(standardDeviceAtOrBelowA(a, '2020')).toBe(expected),
);

test('resistance × area is the metal’s own constant, near 12.9 (copper) and 21.2 (aluminum) Ω·cmil/ft at 75 °C', () => {
  for (const [metal, constant] of [
    ['copper', 12.9],
    ['aluminum', 21.2],
  ] as const)
    for (const [size, ohm] of Object.entries(RESISTANCE_OHM_PER_KFT.rows[metal]))
      expect(Math.abs((ohm * AREA_CMIL.rows[size as WireSize]!) / 1000 / constant - 1)).toBeLessThan(0.015);
});

test('areas find their size', () => {
  expect(sizeOfArea(10380)).toBe('10');
  expect(sizeOfArea(10381)).toBe('8');
  expect(sizeOfArea(999_999)).toBeUndefined();
});

test('only equal configurations mate, and a 15 A plug in the 20 A T-slot', () => {
  const mating = CONFIGURATION_NAMES.flatMap((plug) =>
    CONFIGURATION_NAMES.filter((face) => plugFits(plug, face)).map((face) => `${plug}>${face}`),
  );
  expect(mating.filter((pair) => pair.split('>')[0] !== pair.split('>')[1])).toEqual(['5-15>5-20']);
  expect(mating).toHaveLength(CONFIGURATION_NAMES.length + 1);
});
