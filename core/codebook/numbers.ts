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
  leastOpeningFt: number(5, 'ft', [0, 100], 'Least distance of exhaust to an opening'),
  advisedOpeningFt: number(20, 'ft', [0, 200], 'Advised distance of exhaust to an opening'),
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
  deadPinsV: number(3, 'V', [0, 30], 'Volts at which pins still count as dead'),
  groundPathOhm: number(1, 'Ω', [0.01, 25], 'Most resistance from frame to panel ground'),
  workingWidthIn: number(30, 'in', [24, 60], 'Least width of working space'),
  workingDepthIn: number(36, 'in', [30, 72], 'Least depth of working space'),
  workingHeightFt: number(6.5, 'ft', [6, 10], 'Least height of working space'),
} as const satisfies Record<string, OfficeNumber>;
export type OfficeNumberName = keyof typeof OFFICE_NUMBERS;
/** What an office has changed. */
export type OfficeNumbers = Readonly<Partial<Record<OfficeNumberName, number>>>;
