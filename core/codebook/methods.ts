import { everyEdition, type Cites } from './editions';
import type { ColumnC, WireSize } from './conductors';
import type { RacewayKind } from './raceways';

export type Place = 'indoors' | 'attic' | 'outdoors' | 'underground' | 'wall';

/** A wiring method: the cable's own insulation temperature, the column its final ampacity may not exceed, and where it may run. */
export interface WiringMethod {
  readonly label: string;
  /** °C of the conductors inside; undefined where the insulation is recorded by itself. */
  readonly insulationC?: ColumnC;
  readonly capC?: ColumnC;
  readonly capCites?: Cites;
  /** A raceway that conductors are pulled into, and its row in the fill table. */
  readonly raceway?: true;
  readonly fill?: RacewayKind;
  /** Places where it must not run, each with the sections that say so. */
  readonly not: Readonly<Partial<Record<Place, Cites>>>;
  /** Its metal may be the equipment ground (250.118): over any length, or for short flexible pieces alone. */
  readonly metalGround?: 'any' | 'short';
  /** In the wet only where its marking says so; in the earth only where that marking does, or of EMT where it is protected from corrosion. */
  readonly wetIfMarked?: true;
  readonly burialIfMarked?: true;
  /** With that marking it may run under a building, too (300.5(C)). */
  readonly underBuildingIfMarked?: true;
  /** Column of the burial table; undefined where the table has none for it. */
  readonly burial?: 'direct' | 'rigid-metal' | 'nonmetallic';
}

const wet = everyEdition('334.12', '300.5(B)', '300.9');
/** Flexible cord as fixed wiring: nowhere. */
const notFixed = everyEdition('400.12');
const everywhere = (cites: Cites): WiringMethod['not'] => ({
  indoors: cites,
  attic: cites,
  outdoors: cites,
  underground: cites,
  wall: cites,
});

export const METHODS = {
  'NM-B': {
    label: 'NM-B cable',
    insulationC: 90,
    capC: 60,
    capCites: everyEdition('334.80'),
    not: { outdoors: wet, underground: wet },
  },
  'UF-B': {
    label: 'UF-B cable',
    insulationC: 60,
    capC: 60,
    capCites: everyEdition('340.80'),
    not: {},
    burial: 'direct',
  },
  PVC: { label: 'PVC conduit, schedule 40', raceway: true, fill: 'PVC-40', not: {}, burial: 'nonmetallic' },
  'PVC-80': { label: 'PVC conduit, schedule 80', raceway: true, fill: 'PVC-80', not: {}, burial: 'nonmetallic' },
  EMT: {
    label: 'EMT',
    raceway: true,
    fill: 'EMT',
    not: {},
    metalGround: 'any',
    burialIfMarked: true,
    burial: 'nonmetallic',
  },
  RMC: { label: 'Rigid metal conduit', raceway: true, fill: 'RMC', not: {}, burial: 'rigid-metal', metalGround: 'any' },
  IMC: {
    label: 'Intermediate metal conduit',
    raceway: true,
    fill: 'IMC',
    not: {},
    burial: 'rigid-metal',
    metalGround: 'any',
  },
  LFNC: {
    label: 'Liquidtight nonmetallic',
    raceway: true,
    fill: 'LFNC-B',
    not: {},
    burialIfMarked: true,
    burial: 'nonmetallic',
  },
  LFMC: {
    label: 'Liquidtight metal',
    raceway: true,
    fill: 'LFMC',
    not: {},
    metalGround: 'short',
    burialIfMarked: true,
    burial: 'nonmetallic',
  },
  FMC: {
    label: 'Flexible metal conduit',
    raceway: true,
    fill: 'FMC',
    metalGround: 'short',
    not: { outdoors: everyEdition('348.12'), underground: everyEdition('348.12') },
  },
  ENT: {
    label: 'Electrical nonmetallic tubing',
    raceway: true,
    fill: 'ENT',
    not: { outdoors: everyEdition('362.12'), underground: everyEdition('362.12') },
  },
  MC: {
    label: 'MC cable',
    not: {},
    wetIfMarked: true,
    burialIfMarked: true,
    burial: 'direct',
    underBuildingIfMarked: true,
  },
  AC: {
    label: 'AC cable',
    metalGround: 'any',
    not: { outdoors: everyEdition('320.12'), underground: everyEdition('320.12') },
  },
  SE: { label: 'SE cable', not: { underground: everyEdition('338.12') }, wetIfMarked: true },
  SER: { label: 'SER cable', not: { underground: everyEdition('338.12') }, wetIfMarked: true },
  'TC-ER': {
    label: 'TC-ER cable',
    not: {},
    wetIfMarked: true,
    burialIfMarked: true,
    burial: 'direct',
  },
  'USE-2': {
    label: 'USE-2 cable',
    insulationC: 90,
    not: { indoors: everyEdition('338.12'), attic: everyEdition('338.12'), wall: everyEdition('338.12') },
    burial: 'direct',
  },
  cord: {
    label: 'Flexible cord, as wiring',
    insulationC: 60,
    capC: 60,
    capCites: everyEdition('400.5'),
    not: everywhere(notFixed),
  },
} as const satisfies Record<string, WiringMethod>;
export type MethodName = keyof typeof METHODS;

/** Equipment ground that a cable with ground is made with, by its conductors, copper, AWG (UL 719 and UL 493). */
export const CABLE_GROUND: Readonly<Partial<Record<WireSize, WireSize>>> = {
  '14': '14',
  '12': '12',
  '10': '10',
  '8': '10',
  '6': '10',
  '4': '8',
  '2': '8',
};

/** Raceways outdoors and underground are wet inside (300.5(B), 300.9). */
export const isWet = (place: Place): boolean => place === 'outdoors' || place === 'underground';
