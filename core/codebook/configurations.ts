/** A connecting configuration: what mates is decided by this alone. */
export interface Configuration {
  readonly ratingA: number;
  readonly voltsV: 120 | 240;
  /** Poles and wires, as the trade counts them: wires include the equipment ground. */
  readonly poles: 2 | 3;
  readonly wires: 3 | 4;
  readonly locking: boolean;
}

const twoPole = (ratingA: number, locking: boolean): Configuration => ({
  ratingA,
  voltsV: 120,
  poles: 2,
  wires: 3,
  locking,
});
const threePole = (ratingA: number, locking: boolean): Configuration => ({
  ratingA,
  voltsV: 240,
  poles: 3,
  wires: 4,
  locking,
});

export const CONFIGURATIONS = {
  'L14-30': threePole(30, true),
  '14-50': threePole(50, false),
  'SS2-50': threePole(50, true),
  'pin-sleeve-100': threePole(100, true),
  'L14-20': threePole(20, true),
  '14-30': threePole(30, false),
  '5-15': twoPole(15, false),
  '5-20': twoPole(20, false),
  'L5-20': twoPole(20, true),
  'L5-30': twoPole(30, true),
  'TT-30': twoPole(30, false),
} as const satisfies Record<string, Configuration>;

export type ConfigurationName = keyof typeof CONFIGURATIONS;
export const CONFIGURATION_NAMES = Object.keys(CONFIGURATIONS) as ConfigurationName[];

/** Whether a plug of one configuration goes into a receptacle of another: the same, or a 15 A plug into the 20 A T-slot. */
export function plugFits(plug: ConfigurationName, receptacle: ConfigurationName): boolean {
  return plug === receptacle || (plug === '5-15' && receptacle === '5-20');
}
