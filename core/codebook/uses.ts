/** What a circuit may feed that draws its largest current for three hours and more (Article 100, continuous load); the rest cycles. */
export const MAY_BE_CONTINUOUS: readonly unknown[] = ['water-heater', 'heat', 'car-charger', 'medical', 'other'];

/** Running and starting watts as nameplates pair them, the usual ones first. */
export const USUAL_WATTS: Readonly<
  Record<'large' | 'small' | 'battery', readonly (readonly [runningW: number, startingW: number])[]>
> = {
  large: [
    [7000, 8750],
    [5000, 6250],
    [6000, 7500],
    [8000, 10_000],
    [9500, 12_000],
    [12_000, 15_000],
  ],
  small: [
    [2200, 2800],
    [3500, 4400],
    [2000, 2500],
    [1600, 2000],
    [3000, 3500],
  ],
  battery: [
    [6000, 6000],
    [3600, 7200],
    [3000, 6000],
    [2000, 4000],
    [7000, 14_000],
  ],
};

/** Motors and air conditioners (430, 440) and single appliances (422): their nameplates may allow larger devices (240.4(D), (G)). */
export const SIZED_BY_NAMEPLATE: readonly unknown[] = [
  'well-pump', 'sump', 'furnace', 'air-conditioner', 'range', 'dryer', 'water-heater', 'heat', 'other',
]; // prettier-ignore
