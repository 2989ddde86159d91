import { everyEdition } from './editions';
import { WIRE_SIZES, type WireSize } from './conductors';

/** Room for one conductor in a box, in³ (Table 314.16(B)). */
export const BOX_VOLUME_IN3: Readonly<Partial<Record<WireSize, number>>> = {
  '18': 1.5,
  '16': 1.75,
  '14': 2,
  '12': 2.25,
  '10': 2.5,
  '8': 3,
  '6': 5,
};
export const BOX_FILL_CITES = everyEdition('314.16');

/** Sizes the table has for wiring in a box, smallest first. */
export const boxConductorSizes = (): WireSize[] =>
  WIRE_SIZES.filter((size) => BOX_VOLUME_IN3[size] && Number(size) <= 14);

/** Standard metal boxes, in³ (Table 314.16(A)). */
export const BOX_TYPES = {
  '4x1-1/2': { label: '4 in square, 1½ deep', volumeIn3: 21 },
  '4x2-1/8': { label: '4 in square, 2⅛ deep', volumeIn3: 30.3 },
  '4-11/16x1-1/2': { label: '4 11/16 in square, 1½ deep', volumeIn3: 29.5 },
  '4-11/16x2-1/8': { label: '4 11/16 in square, 2⅛ deep', volumeIn3: 42 },
} as const;
export type BoxName = keyof typeof BOX_TYPES;

/** Shares of a gutter that an eye can tell, %: up to the first there is room, above the second there is none. */
export const FILL_BY_EYE_PERCENT = { conductors: [33, 50], splices: [50, 75] } as const;
