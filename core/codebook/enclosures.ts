import { everyEdition } from './editions';

/** Enclosure types for other than hazardous places, and whether rain stays out (Table 110.28). */
export const ENCLOSURE_TYPES = {
  '1': { rain: false },
  '2': { rain: false },
  '3': { rain: true },
  '3R': { rain: true },
  '3RX': { rain: true },
  '3S': { rain: true },
  '3SX': { rain: true },
  '3X': { rain: true },
  '4': { rain: true },
  '4X': { rain: true },
  '5': { rain: false },
  '6': { rain: true },
  '6P': { rain: true },
  '12': { rain: false },
  '12K': { rain: false },
  '13': { rain: false },
} as const;
export type EnclosureType = keyof typeof ENCLOSURE_TYPES;
export const ENCLOSURE_CITES = everyEdition('110.28');
