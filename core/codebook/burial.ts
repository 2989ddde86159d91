import type { Cites } from './editions';
import type { WiringMethod } from './methods';

export type Cover = 'general' | 'driveway' | 'street' | 'slab' | 'concrete' | 'building';
export type BurialColumn = NonNullable<WiringMethod['burial']> | 'small-gfci';

/**
 * Least cover, in: general; under a drive of one or two dwellings; under a street or a drive that more share; under a slab of
 * 4 in without vehicles; in a trench covered with 2 in of concrete; under a building, where undefined means in a raceway only.
 */
export const BURIAL_IN: Readonly<Record<BurialColumn, Readonly<Record<Cover, number | undefined>>>> = {
  direct: { general: 24, driveway: 18, street: 24, slab: 18, concrete: 18, building: undefined },
  'rigid-metal': { general: 6, driveway: 18, street: 24, slab: 4, concrete: 6, building: 0 },
  nonmetallic: { general: 18, driveway: 18, street: 24, slab: 4, concrete: 12, building: 0 },
  'small-gfci': { general: 12, driveway: 12, street: 24, slab: 6, concrete: 6, building: undefined },
};

export const BURIAL_CITES: Cites = {
  '2017': ['Table 300.5'],
  '2020': ['Table 300.5'],
  '2023': ['Table 300.5(A)'],
};
