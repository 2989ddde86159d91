import { isToVisit, type Inspection } from '@careful-latch/core/record';

/** Where a house of the list leads: to what is open there, where somebody has to go again; else to its path. */
export const screenOf = (inspection: Inspection): string =>
  `/inspection/${inspection.id}${isToVisit(inspection) ? '/visit' : ''}`;
