import { movedIn2020, everyEdition, type Cites } from './editions';

/** Conductor sizes in the trade's order, smallest first. */
export const WIRE_SIZES = [
  '18', '16', '14', '12', '10', '8', '6', '4', '3', '2', '1', '1/0', '2/0', '3/0', '4/0',
  '250', '300', '350', '400', '500', '600', // kcmil
] as const; // prettier-ignore
export type WireSize = (typeof WIRE_SIZES)[number];
export type Metal = 'copper' | 'aluminum';
/** Temperature columns of the ampacity table, °C. */
export type ColumnC = 60 | 75 | 90;

interface Table<Row> {
  readonly title: string;
  readonly cites: Cites;
  readonly unit: string;
  readonly rows: Row;
}
type BySize<T> = Readonly<Partial<Record<WireSize, T>>>;
type ThreeColumns = readonly [number, number, number];

const columnIndex = (column: ColumnC) => (column === 60 ? 0 : column === 75 ? 1 : 2);

/** Allowable ampacity of not more than three current-carrying conductors, 30 °C ambient, A at 60 / 75 / 90 °C. */
export const AMPACITY_A: Table<Readonly<Record<Metal, BySize<ThreeColumns>>>> = {
  title: 'Ampacity of insulated conductors',
  cites: movedIn2020(['Table 310.15(B)(16)'], ['Table 310.16']),
  unit: 'A',
  rows: {
    copper: {
      '14': [15, 20, 25],
      '12': [20, 25, 30],
      '10': [30, 35, 40],
      '8': [40, 50, 55],
      '6': [55, 65, 75],
      '4': [70, 85, 95],
      '3': [85, 100, 115],
      '2': [95, 115, 130],
      '1': [110, 130, 145],
      '1/0': [125, 150, 170],
      '2/0': [145, 175, 195],
      '3/0': [165, 200, 225],
      '4/0': [195, 230, 260],
      '250': [215, 255, 290],
      '300': [240, 285, 320],
      '350': [260, 310, 350],
      '400': [280, 335, 380],
      '500': [320, 380, 430],
      '600': [350, 420, 475],
    },
    aluminum: {
      '12': [15, 20, 25],
      '10': [25, 30, 35],
      '8': [35, 40, 45],
      '6': [40, 50, 55],
      '4': [55, 65, 75],
      '3': [65, 75, 85],
      '2': [75, 90, 100],
      '1': [85, 100, 115],
      '1/0': [100, 120, 135],
      '2/0': [115, 135, 150],
      '3/0': [130, 155, 175],
      '4/0': [150, 180, 205],
      '250': [170, 205, 230],
      '300': [195, 230, 260],
      '350': [210, 250, 280],
      '400': [225, 270, 305],
      '500': [260, 310, 350],
      '600': [285, 340, 385],
    },
  },
};

/** Ambient correction on a 30 °C base. Each row: highest ambient °C it serves, then factors for 60 / 75 / 90 °C; null = not permitted. */
export const AMBIENT_FACTOR: Table<readonly (readonly [number, number | null, number | null, number | null])[]> = {
  title: 'Ambient temperature correction',
  cites: movedIn2020(['Table 310.15(B)(2)(a)'], ['310.15(B)']),
  unit: '',
  rows: [
    [10, 1.29, 1.2, 1.15],
    [15, 1.22, 1.15, 1.12],
    [20, 1.15, 1.11, 1.08],
    [25, 1.08, 1.05, 1.04],
    [30, 1, 1, 1],
    [35, 0.91, 0.94, 0.96],
    [40, 0.82, 0.88, 0.91],
    [45, 0.71, 0.82, 0.87],
    [50, 0.58, 0.75, 0.82],
    [55, 0.41, 0.67, 0.76],
    [60, null, 0.58, 0.71],
    [65, null, 0.47, 0.65],
    [70, null, 0.33, 0.58],
    [75, null, null, 0.5],
    [80, null, null, 0.41],
    [85, null, null, 0.29],
  ],
};

/** Adjustment for more than three current-carrying conductors: highest count a row serves, factor. */
export const COUNT_FACTOR: Table<readonly (readonly [number, number])[]> = {
  title: 'More than three current-carrying conductors',
  cites: movedIn2020(['Table 310.15(B)(3)(a)'], ['310.15(C)(1)']),
  unit: '',
  rows: [
    [3, 1],
    [6, 0.8],
    [9, 0.7],
    [20, 0.5],
    [30, 0.45],
    [40, 0.4],
    [Infinity, 0.35],
  ],
};

/** When a neutral that carries only the unbalanced current is not counted. */
export const NEUTRAL_NOT_COUNTED: Cites = movedIn2020(['310.15(B)(5)'], ['310.15(E)']);

/** Largest overcurrent device for small conductors, A. */
export const SMALL_CONDUCTOR_A: Table<Readonly<Record<Metal, BySize<number>>>> = {
  title: 'Small conductors',
  cites: everyEdition('240.4(D)'),
  unit: 'A',
  rows: {
    copper: { '14': 15, '12': 20, '10': 30 },
    aluminum: { '12': 15, '10': 25 },
  },
};

/** Smallest equipment grounding conductor for the device ahead: highest device A a row serves, copper, aluminum. */
export const EQUIPMENT_GROUND: Table<readonly (readonly [number, WireSize, WireSize])[]> = {
  title: 'Equipment grounding conductors',
  cites: everyEdition('Table 250.122'),
  unit: 'AWG',
  rows: [
    [15, '14', '12'],
    [20, '12', '10'],
    [30, '10', '8'],
    [40, '10', '8'],
    [60, '10', '8'],
    [100, '8', '6'],
    [200, '6', '4'],
    [300, '4', '2'],
    [400, '3', '1'],
  ],
};

/** Grounding electrode conductor of copper for the largest ungrounded conductor: highest size a row serves, copper, aluminum; the electrode conductor. */
export const ELECTRODE_CONDUCTOR: Table<
  readonly (readonly [copper: WireSize, aluminum: WireSize, electrode: WireSize])[]
> = {
  title: 'Grounding electrode conductors',
  cites: everyEdition('Table 250.66'),
  unit: 'AWG',
  rows: [
    ['2', '1/0', '8'],
    ['1/0', '3/0', '6'],
    ['3/0', '4/0', '4'],
    ['4/0', '4/0', '2'],
  ],
};

/** Service and main feeder conductors of a dwelling: highest rating A a row serves, copper, aluminum. */
export const DWELLING_SERVICE: Table<readonly (readonly [number, WireSize, WireSize])[]> = {
  title: 'Dwelling services and feeders',
  cites: movedIn2020(['310.15(B)(7)'], ['310.12', 'Table 310.12(A)']),
  unit: 'AWG',
  rows: [
    [100, '4', '2'],
    [110, '3', '1'],
    [125, '2', '1/0'],
    [150, '1', '2/0'],
    [175, '1/0', '3/0'],
    [200, '2/0', '4/0'],
    [225, '3/0', '250'],
    [250, '4/0', '300'],
    [300, '250', '350'],
    [350, '350', '500'],
    [400, '400', '600'],
  ],
};

/** Flexible cord of hard and extra-hard usage types, A with three / two current-carrying conductors. */
export const CORD_AMPACITY_A: Table<BySize<readonly [number, number]>> = {
  title: 'Ampacity of flexible cords',
  cites: everyEdition('Table 400.5(A)(1)'),
  unit: 'A',
  rows: {
    '18': [7, 10],
    '16': [10, 13],
    '14': [15, 18],
    '12': [20, 25],
    '10': [25, 30],
    '8': [35, 40],
    '6': [45, 55],
    '4': [60, 70],
    '2': [80, 95],
  },
};

/**
 * Portable power cable of types W, G and SC, A with three / two current-carrying conductors, by the 60 °C column: what the terminals of
 * the ends bear unless they say more.
 */
export const PORTABLE_CABLE_A: Table<BySize<readonly [number, number]>> = {
  title: 'Ampacity of portable power cables',
  cites: everyEdition('Table 400.5(A)(2)'),
  unit: 'A',
  rows: {
    '8': [48, 55],
    '6': [63, 72],
    '4': [84, 96],
    '3': [99, 113],
    '2': [112, 128],
    '1': [131, 150],
    '1/0': [151, 173],
    '2/0': [174, 199],
    '3/0': [201, 230],
    '4/0': [232, 265],
  },
};

/** Direct-current resistance at 75 °C, stranded, uncoated, Ω per 1000 ft. */
export const RESISTANCE_OHM_PER_KFT: Table<Readonly<Record<Metal, BySize<number>>>> = {
  title: 'Conductor resistance',
  cites: everyEdition('Chapter 9 Table 8'),
  unit: 'Ω/1000 ft',
  rows: {
    copper: {
      '18': 7.95,
      '16': 4.99,
      '14': 3.14,
      '12': 1.98,
      '10': 1.24,
      '8': 0.778,
      '6': 0.491,
      '4': 0.308,
      '3': 0.245,
      '2': 0.194,
      '1': 0.154,
      '1/0': 0.122,
      '2/0': 0.0967,
      '3/0': 0.0766,
      '4/0': 0.0608,
    },
    aluminum: {
      '12': 3.25,
      '10': 2.04,
      '8': 1.28,
      '6': 0.808,
      '4': 0.508,
      '3': 0.403,
      '2': 0.319,
      '1': 0.253,
      '1/0': 0.201,
      '2/0': 0.159,
      '3/0': 0.126,
      '4/0': 0.1,
    },
  },
};

/** Cross-section, circular mils. */
export const AREA_CMIL: Table<BySize<number>> = {
  title: 'Conductor area',
  cites: everyEdition('Chapter 9 Table 8'),
  unit: 'cmil',
  rows: {
    '18': 1620,
    '16': 2580,
    '14': 4110,
    '12': 6530,
    '10': 10380,
    '8': 16510,
    '6': 26240,
    '4': 41740,
    '3': 52620,
    '2': 66360,
    '1': 83690,
    '1/0': 105600,
    '2/0': 133100,
    '3/0': 167800,
    '4/0': 211600,
    '250': 250000,
    '300': 300000,
    '350': 350000,
    '400': 400000,
    '500': 500000,
    '600': 600000,
  },
};

/** Sizes the ampacity table has for a metal, smallest first. */
export const buildingWireSizes = (metal: Metal): readonly WireSize[] => BUILDING_WIRE_SIZES[metal];
/** A feeder from a portable source is never of kcmil sizes; the service may be. */
const isKcmil = (size: WireSize): boolean => Number(size) >= 250;
const sizesOf = (metal: Metal) => WIRE_SIZES.filter((size) => AMPACITY_A.rows[metal][size] && !isKcmil(size));
/** Sizes of a dwelling’s service and main feeder, smallest first. */
export const SERVICE_SIZES: readonly WireSize[] = WIRE_SIZES.filter(
  (size) => AREA_CMIL.rows[size]! >= AREA_CMIL.rows['6']!,
);
const BUILDING_WIRE_SIZES = { copper: sizesOf('copper'), aluminum: sizesOf('aluminum') };

/** Sizes that the cord tables have, smallest first. */
export const CORD_SIZES: readonly WireSize[] = WIRE_SIZES.filter(
  (size) => CORD_AMPACITY_A.rows[size] ?? PORTABLE_CABLE_A.rows[size],
);

/** Table ampacity, A; undefined where the table has no such row. */
export function tableAmpacityA(metal: Metal, size: WireSize, column: ColumnC): number | undefined {
  return AMPACITY_A.rows[metal][size]?.[columnIndex(column)];
}

/** Ambient factor for an ambient in °C; null where the column permits no current or the table ends. */
export function ambientFactor(ambientC: number, column: ColumnC): number | null {
  const row = AMBIENT_FACTOR.rows.find(([upTo]) => ambientC <= upTo);
  return row ? row[(columnIndex(column) + 1) as 1 | 2 | 3] : null;
}

/** Factor for a count of current-carrying conductors in one raceway, cable or bundle. */
export function countFactor(count: number): number {
  return COUNT_FACTOR.rows.find(([upTo]) => count <= upTo)![1];
}

/** Smallest equipment grounding conductor for a device of `deviceA`; undefined past the table's end. */
export function equipmentGroundSize(deviceA: number, metal: Metal): WireSize | undefined {
  const row = EQUIPMENT_GROUND.rows.find(([upTo]) => deviceA <= upTo);
  return row && (metal === 'copper' ? row[1] : row[2]);
}

/**
 * Smallest conductor of a dwelling’s service of `serviceA`, of one or several sets: by the dwelling table from 100 to 400 A, below and
 * above by the ampacity table at 75 °C; undefined past the table’s end.
 */
export function dwellingServiceSize(serviceA: number, metal: Metal, sets = 1): WireSize | undefined {
  if (sets === 1 && serviceA >= 100 && serviceA <= 400) {
    const row = DWELLING_SERVICE.rows.find(([upTo]) => serviceA <= upTo);
    return row && (metal === 'copper' ? row[1] : row[2]);
  }
  return SERVICE_SIZES.find((size) => (tableAmpacityA(metal, size, 75) ?? 0) * sets >= serviceA);
}

/** Smallest grounding electrode conductor of copper for the largest ungrounded conductor. */
export function electrodeConductorSize(metal: Metal, size: WireSize): WireSize | undefined {
  const column = metal === 'copper' ? 0 : 1;
  return ELECTRODE_CONDUCTOR.rows.find((row) => WIRE_SIZES.indexOf(size) <= WIRE_SIZES.indexOf(row[column]))?.[2];
}

/** Smallest size whose area is at least `cmil`; undefined past the table's end. */
export function sizeOfArea(cmil: number): WireSize | undefined {
  return WIRE_SIZES.find((size) => AREA_CMIL.rows[size]! >= cmil);
}
