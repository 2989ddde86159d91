import { isToVisit, visitUnderWay, type Inspection } from '@careful-latch/core/record';

/** Where a house of the list leads: to what is open there, where somebody has to go again; else to its path. */
export const screenOf = (inspection: Inspection): string =>
  `/inspection/${inspection.id}${isToVisit(inspection) ? '/visit' : ''}`;

/** Where a screen of a house leads back to: to the visit while one is under way, for it says what is asked; else to the path. */
export const homeOf = (inspection: Inspection): string =>
  `/inspection/${inspection.id}${visitUnderWay(inspection.docket) ? '/visit' : ''}`;
