import { everyEdition, type Cites } from './editions';
import type { ColumnC } from './conductors';

/** A wiring method: the cable's own insulation temperature, and the column its final ampacity may not exceed. */
export interface WiringMethod {
  readonly label: string;
  /** °C of the conductors inside; undefined for raceways, where the insulation is recorded by itself. */
  readonly insulationC?: ColumnC;
  readonly capC?: ColumnC;
  readonly capCites?: Cites;
}

export const METHODS = {
  'NM-B': { label: 'NM-B cable', insulationC: 90, capC: 60, capCites: everyEdition('334.80') },
  'UF-B': { label: 'UF-B cable', insulationC: 60, capC: 60, capCites: everyEdition('340.80') },
  PVC: { label: 'PVC conduit' },
  EMT: { label: 'EMT' },
  RMC: { label: 'Rigid or intermediate metal conduit' },
  LFNC: { label: 'Liquidtight nonmetallic' },
  LFMC: { label: 'Liquidtight metal' },
  FMC: { label: 'Flexible metal conduit' },
} as const satisfies Record<string, WiringMethod>;
export type MethodName = keyof typeof METHODS;

/** Insulation types of single conductors, °C in the driest place they are made for. */
export const INSULATION_C = {
  'THWN-2': 90,
  'XHHW-2': 90,
  THHN: 90,
  THWN: 75,
  TW: 60,
} as const satisfies Record<string, ColumnC>;
export type InsulationName = keyof typeof INSULATION_C;
