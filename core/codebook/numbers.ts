/** A number that is the office's to choose within bounds: guidance, a tolerance, or a dimension that an amendment may change. */
interface OfficeNumber {
  readonly value: number;
  readonly unit: string;
  readonly label: string;
  readonly min: number;
  readonly max: number;
}
const number = (value: number, unit: string, [min, max]: readonly [number, number], label: string): OfficeNumber => ({
  value,
  unit,
  label,
  min,
  max,
});

/** Every number that a local profile may change, with what stands where it changes nothing. */
export const OFFICE_NUMBERS = {
  leastOpeningFt: number(5, 'ft', [5, 100], 'Distance of exhaust to an opening below which it is a hazard'),
  advisedOpeningFt: number(20, 'ft', [5, 200], 'Distance of exhaust to an opening, where the maker gives none'),
  propanePercent: number(10, '%', [0, 50], 'Output lost on propane'),
  naturalGasPercent: number(20, '%', [0, 50], 'Output lost on natural gas'),
  altitudePercentPer1000Ft: number(3.5, '%', [0, 10], 'Output lost for each 1000 ft of altitude'),
  heatPercentPer10F: number(1, '%', [0, 10], 'Output lost for each 10 °F above 77 °F'),
  voltageDropPercent: number(3, '%', [1, 10], 'Advised voltage drop in cord and feeder'),
  legLowV: number(114, 'V', [100, 120], 'Lowest good volts of a leg'),
  legHighV: number(126, 'V', [120, 135], 'Highest good volts of a leg'),
  legLeastV: number(110, 'V', [100, 120], 'Lowest tolerable volts of a leg'),
  legMostV: number(127, 'V', [120, 135], 'Highest tolerable volts of a leg'),
  legsLowV: number(228, 'V', [200, 240], 'Lowest good volts leg to leg'),
  legsHighV: number(252, 'V', [240, 270], 'Highest good volts leg to leg'),
  hertzLow: number(58, 'Hz', [50, 60], 'Lowest good frequency under load'),
  hertzHigh: number(63, 'Hz', [60, 70], 'Highest good frequency under load'),
  torquePercent: number(10, '%', [0, 25], 'Tolerance of a torque'),
  balancePercent: number(50, '%', [0, 100], 'Least share of the heavier leg that the lighter should carry'),
  deadPinsV: number(3, 'V', [0, 5], 'Volts at which pins still count as dead'),
  groundPathOhm: number(1, 'Ω', [0.01, 2], 'Most resistance from frame to panel ground'),
  dwellingAvailableKa: number(10, 'kA', [5, 65], 'Fault current at a dwelling where none is marked'),
  groundCurrentA: number(0.1, 'A', [0.02, 0.5], 'Current on the equipment ground that a clamp may read of its own'),
  sagPercent: number(5, '%', [1, 10], 'Sag of the source that a load on one leg explains'),
  workingWidthIn: number(30, 'in', [24, 60], 'Least width of working space'),
  workingDepthIn: number(36, 'in', [30, 72], 'Least depth of working space'),
  workingHeightFt: number(6.5, 'ft', [6, 10], 'Least height of working space'),
} as const satisfies Record<string, OfficeNumber>;
export type OfficeNumberName = keyof typeof OFFICE_NUMBERS;
/** What an office has changed. */
export type OfficeNumbers = Readonly<Partial<Record<OfficeNumberName, number>>>;

/** A question that codes and offices read in more than one way: what is asked, the ways, and ours where an office says nothing. */
interface Reading {
  readonly asks: string;
  readonly ways: Readonly<Record<string, string>>;
  readonly usual: string;
}

/** Every question that a local profile may choose a reading of. */
export const READINGS = {
  derivedNeutral: {
    asks: 'Where may the system bonding jumper of a derived source sit?',
    ways: {
      'source-or-first-device': 'at the source or at the first disconnect or overcurrent device',
      'house-too': 'also at the transfer equipment in the house',
    },
    usual: 'source-or-first-device',
  },
  derivedElectrode: {
    asks: 'Does a cord-connected derived source need an electrode of its own system?',
    ways: {
      electrode: 'its neutral is tied to a grounding electrode',
      'equipment-ground': 'the equipment ground to the house’s electrodes is enough',
    },
    usual: 'electrode',
  },
  interlockOnCover: {
    asks: 'May an interlock hang on the removable cover?',
    ways: {
      accepted: 'accepted where listed for the panel and tested with the cover on',
      refused: 'refused: with the cover off it protects nothing',
    },
    usual: 'accepted',
  },
  openingDistance: {
    asks: 'How far from openings must the exhaust be?',
    ways: {
      'maker-first': 'the maker’s own distance, else the office’s',
      'office-at-least': 'the office’s distance, the maker’s where that is more',
    },
    usual: 'maker-first',
  },
  voltageDrop: {
    asks: 'Is the voltage drop of the code’s note advice or a rule?',
    ways: { advice: 'advice', rule: 'a rule of this office' },
    usual: 'advice',
  },
  installer: {
    asks: 'Who may install?',
    ways: { anybody: 'whoever has the permit', licensed: 'a licensed person' },
    usual: 'anybody',
  },
} as const satisfies Record<string, Reading>;
export type ReadingName = keyof typeof READINGS;
/** The readings that an office has chosen. */
export type Readings = { readonly [K in ReadingName]?: keyof (typeof READINGS)[K]['ways'] };
