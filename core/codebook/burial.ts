import type { Cites } from './editions';
import type { WiringMethod } from './methods';

export type Cover = 'general' | 'driveway' | 'slab';
export type BurialColumn = NonNullable<WiringMethod['burial']> | 'small-gfci';

/** Least cover, in: general, under a dwelling's driveway, under a slab of 4 in without vehicles. */
export const BURIAL_IN: Readonly<Record<BurialColumn, Readonly<Record<Cover, number>>>> = {
  direct: { general: 24, driveway: 18, slab: 18 },
  'rigid-metal': { general: 6, driveway: 18, slab: 4 },
  nonmetallic: { general: 18, driveway: 18, slab: 4 },
  'small-gfci': { general: 12, driveway: 12, slab: 6 },
};

export const BURIAL_CITES: Cites = {
  '2017': ['Table 300.5'],
  '2020': ['Table 300.5'],
  '2023': ['Table 300.5(A)'],
};
