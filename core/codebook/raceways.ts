import { everyEdition } from './editions';
import type { WireSize } from './conductors';
import type { InsulationName } from './insulation';

export const RACEWAY_SIZES = ['3/8', '1/2', '3/4', '1', '1-1/4', '1-1/2', '2'] as const;
export type RacewaySize = (typeof RACEWAY_SIZES)[number];

/** Total cross-section inside, in² by trade size ½ to 2, and where it is made ⅜ (Chapter 9 Table 4). */
const THREE_EIGHTHS_IN2: Readonly<Record<string, number>> = { LFMC: 0.192, 'LFNC-B': 0.192, FMC: 0.116 };
export const RACEWAY_AREA_IN2 = {
  EMT: [0.304, 0.533, 0.864, 1.496, 2.036, 3.356],
  'PVC-40': [0.285, 0.508, 0.832, 1.453, 1.986, 3.291],
  'PVC-80': [0.217, 0.409, 0.688, 1.237, 1.711, 2.874],
  ENT: [0.246, 0.454, 0.785, 1.41, 1.936, 3.205],
  RMC: [0.314, 0.549, 0.887, 1.526, 2.071, 3.408],
  IMC: [0.342, 0.586, 0.959, 1.647, 2.225, 3.63],
  LFMC: [0.314, 0.541, 0.873, 1.528, 1.981, 3.246],
  'LFNC-B': [0.314, 0.541, 0.873, 1.528, 1.981, 3.246],
  FMC: [0.317, 0.533, 0.817, 1.277, 1.858, 3.269],
} as const satisfies Record<string, readonly number[]>;
export type RacewayKind = keyof typeof RACEWAY_AREA_IN2;

/** Share of the cross-section that one, two, and more conductors may take (Chapter 9 Table 1). */
const FILL_SHARE = [0.53, 0.31, 0.4] as const;
/** Of a nipple (Chapter 9 note 4). */
const NIPPLE_SHARE = 0.6;
export const fillShare = (conductors: number, nipple = false): number =>
  nipple ? NIPPLE_SHARE : FILL_SHARE[conductors === 1 ? 0 : conductors === 2 ? 1 : 2];

/** How many like conductors go into so much room: from 0.8 of one on it is counted whole (Chapter 9 note 7). */
export const likeConductors = (roomIn2: number, eachIn2: number): number => Math.floor(roomIn2 / eachIn2 + 0.2 + 1e-9);

type BySize = Readonly<Partial<Record<WireSize, number>>>;
const thhn: BySize = {
  '14': 0.0097, '12': 0.0133, '10': 0.0211, '8': 0.0366, '6': 0.0507, '4': 0.0824, '3': 0.0973, '2': 0.1158, '1': 0.1562,
  '1/0': 0.1855, '2/0': 0.2223, '3/0': 0.2679, '4/0': 0.3237,
}; // prettier-ignore

const xhhw: BySize = {
  '14': 0.0139, '12': 0.0181, '10': 0.0243, '8': 0.0437, '6': 0.059, '4': 0.0814, '3': 0.0962, '2': 0.1146, '1': 0.1534,
  '1/0': 0.1825, '2/0': 0.219, '3/0': 0.2642, '4/0': 0.3197,
}; // prettier-ignore

/** Cross-section of one conductor with its insulation, in² (Chapter 9 Table 5). */
export const CONDUCTOR_AREA_IN2: Readonly<Record<InsulationName, BySize>> = {
  THHN: thhn,
  THWN: thhn,
  'THWN-2': thhn,
  XHHW: xhhw,
  'XHHW-2': xhhw,
  'RHW-2': {
    '14': 0.0293, '12': 0.0353, '10': 0.0437, '8': 0.0835, '6': 0.1041, '4': 0.1333, '3': 0.1521, '2': 0.175, '1': 0.266,
    '1/0': 0.3039, '2/0': 0.3505, '3/0': 0.4072, '4/0': 0.4754,
  },
  THW: {
    '14': 0.0209, '12': 0.026, '10': 0.0333, '8': 0.0556, '6': 0.0726, '4': 0.0973, '3': 0.1134, '2': 0.1333, '1': 0.1901,
    '1/0': 0.2223, '2/0': 0.2624, '3/0': 0.3117, '4/0': 0.3718,
  },
  TW: {
    '14': 0.0139, '12': 0.0181, '10': 0.0243, '8': 0.0437, '6': 0.0726, '4': 0.0973, '3': 0.1134, '2': 0.1333, '1': 0.1901,
    '1/0': 0.2223, '2/0': 0.2624, '3/0': 0.3117, '4/0': 0.3718,
  },
}; // prettier-ignore

export const RACEWAY_FILL_CITES = everyEdition('Chapter 9 Table 1', 'Chapter 9 Table 4', 'Chapter 9 Table 5');

/** Cross-section inside a raceway, in²; 0 where it is not made so small. */
export const racewayAreaIn2 = (kind: RacewayKind, size: RacewaySize): number =>
  size === '3/8' ? (THREE_EIGHTHS_IN2[kind] ?? 0) : RACEWAY_AREA_IN2[kind][RACEWAY_SIZES.indexOf(size) - 1]!;

/** Smallest trade size of a kind that takes so many conductors of a total area; undefined past the table's end. */
export function smallestRaceway(kind: RacewayKind, conductors: number, areaIn2: number): RacewaySize | undefined {
  return RACEWAY_SIZES.find((size) => racewayAreaIn2(kind, size) * fillShare(conductors) >= areaIn2);
}
