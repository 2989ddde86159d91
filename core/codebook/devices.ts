import { everyEdition, type Edition } from './editions';

/** Standard ratings of overcurrent devices, A (240.6(A)), as far as a dwelling's generator connection goes. */
export const STANDARD_DEVICE_A = [
  15, 20, 25, 30, 35, 40, 45, 50, 60, 70, 80, 90, 100, 110, 125, 150, 175, 200, 225, 250,
] as const;
export const STANDARD_DEVICE_CITES = everyEdition('240.6(A)');

/** From 2023 on the list begins with 10 A. */
const ratingsOf = (edition: Edition): readonly number[] =>
  edition === '2023' ? [10, ...STANDARD_DEVICE_A] : STANDARD_DEVICE_A;

/** The standard rating equal to or next above an ampacity, A (240.4(B)); undefined past the list's end. */
export function standardDeviceAtOrAboveA(ampacityA: number, edition: Edition): number | undefined {
  return ratingsOf(edition).find((rating) => rating >= ampacityA);
}

/** The largest standard rating not above a limit, A; undefined below the smallest. */
export function standardDeviceAtOrBelowA(limitA: number, edition: Edition): number | undefined {
  return ratingsOf(edition).findLast((rating) => rating <= limitA);
}
