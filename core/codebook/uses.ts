/** What a circuit may feed that draws its largest current for three hours and more (Article 100, continuous load); the rest cycles. */
export const MAY_BE_CONTINUOUS: readonly unknown[] = ['water-heater', 'heat', 'car-charger', 'medical', 'other'];

/** Motors and air conditioners (430, 440) and single appliances (422): their nameplates may allow larger devices (240.4(D), (G)). */
export const SIZED_BY_NAMEPLATE: readonly unknown[] = [
  'well-pump', 'sump', 'furnace', 'air-conditioner', 'range', 'dryer', 'water-heater', 'heat', 'other',
]; // prettier-ignore

/** What starts with more than it runs on, unless something starts it softly: a motor at rest draws several times its running current. */
export const MOTORS: readonly unknown[] = [
  'refrigerator',
  'freezer',
  'well-pump',
  'sump',
  'furnace',
  'air-conditioner',
];
