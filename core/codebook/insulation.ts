import type { ColumnC } from './conductors';

/** Insulation types of single conductors, °C in the driest place they are made for (Table 310.104(A) in 2017, Table 310.4(A) from 2020 on). */
export const INSULATION_C = { 'THWN-2': 90, 'XHHW-2': 90, THHN: 90, THWN: 75, TW: 60 } as const satisfies Record<
  string,
  ColumnC
>;
export type InsulationName = keyof typeof INSULATION_C;

/** Insulations that may stand in the wet: the W says so. */
export const madeForWet = (insulation: InsulationName): boolean => insulation.includes('W');
