/** What a circuit may feed that draws its largest current for three hours and more (Article 100, continuous load); the rest cycles. */
export const MAY_BE_CONTINUOUS: readonly unknown[] = ['water-heater', 'heat', 'car-charger', 'medical', 'other'];

/** Single motors, whose device and conductor go by the nameplate's amperes (430.22, 430.52). */
export const NAMEPLATE_MOTORS: readonly unknown[] = ['well-pump', 'sump', 'furnace'];
/** Motors and air conditioners, whose nameplates may allow larger devices than 240.4(D) (240.4(G)); a resistive appliance's never does (422.11(E), 424). */
export const SIZED_BY_NAMEPLATE: readonly unknown[] = [...NAMEPLATE_MOTORS, 'air-conditioner'];

/** What starts with more than it runs on, unless something starts it softly: a motor at rest draws several times its running current. */
export const MOTORS: readonly unknown[] = [
  'refrigerator',
  'freezer',
  'well-pump',
  'sump',
  'furnace',
  'air-conditioner',
];
