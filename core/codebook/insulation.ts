import type { ColumnC } from './conductors';

/** Insulation types of single conductors, °C in the driest place they are made for (Table 310.104(A) in 2017, Table 310.4(A) from 2020 on). */
export const INSULATION_C = {
  'THWN-2': 90, 'XHHW-2': 90, THHN: 90, THWN: 75, XHHW: 90, 'RHW-2': 90, THW: 75, TW: 60,
} as const satisfies Record<string, ColumnC>; // prettier-ignore
export type InsulationName = keyof typeof INSULATION_C;

/** Those that bear less in the wet than in the dry, °C there. */
const IN_THE_WET_C: Readonly<Partial<Record<InsulationName, ColumnC>>> = { XHHW: 75 };

/** °C of an insulation, in the wet or in the dry. */
export const insulationC = (insulation: InsulationName, wet: boolean): ColumnC =>
  (wet ? IN_THE_WET_C[insulation] : undefined) ?? INSULATION_C[insulation];

/** Insulations that may stand in the wet: the W says so. */
export const madeForWet = (insulation: InsulationName): boolean => insulation.includes('W');
