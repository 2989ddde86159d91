export * from './part';
export * from './question';
export { PARTS, PLACES, WALK, partsOf, placeOf } from './wall';
export * from './meter';
export * from './usual';
export * from './find';
export * from './pair';
export * from './station';
export { atPlace, atRing, exhaustDegrees, ringsOf, turnedExhaust, type Ring } from './siting';
