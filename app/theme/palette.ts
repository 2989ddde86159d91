/** Colors by what they mean. Every text color stands 7:1 or better on `paper` of its own theme; a test keeps it so. */
export interface Palette {
  readonly paper: string;
  /** A sheet laid on the paper: plates, findings. */
  readonly sheet: string;
  readonly ink: string;
  readonly quiet: string;
  readonly hairline: string;
  /** The current's line and large shapes. */
  readonly copper: string;
  readonly copperText: string;
  readonly holds: string;
  readonly violation: string;
  readonly unproven: string;
  /** Advice: calmer than a violation. */
  readonly advice: string;
}

export const DAY: Palette = {
  paper: '#F5F1E8',
  sheet: '#FCFAF5',
  ink: '#17242B',
  quiet: '#44535B',
  hairline: '#B9B4A6',
  copper: '#A9501C',
  copperText: '#7E370E',
  holds: '#0B5450',
  violation: '#961829',
  unproven: '#6B4A00',
  advice: '#234A75',
};

export const NIGHT: Palette = {
  paper: '#17242B',
  sheet: '#1E2E36',
  ink: '#F5F1E8',
  quiet: '#BCC9CF',
  hairline: '#4A5C65',
  copper: '#D77B3F',
  copperText: '#F3B48A',
  holds: '#7FD6CC',
  violation: '#FFA9AE',
  unproven: '#EFC56B',
  advice: '#A9C8EE',
};

/** Contrast of two sRGB colors, 1 to 21 (WCAG 2.2, relative luminance). */
export function contrast(a: string, b: string): number {
  const luminance = (hex: string) => {
    const channels = [1, 3, 5].map((at) => {
      const value = parseInt(hex.slice(at, at + 2), 16) / 255;
      return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
    });
    return 0.2126 * channels[0]! + 0.7152 * channels[1]! + 0.0722 * channels[2]!;
  };
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return (light! + 0.05) / (dark! + 0.05);
}
