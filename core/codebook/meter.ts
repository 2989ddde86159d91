/** At or below this a meter shows a bond, Ω. */
export const BONDED_OHM = 1;
/** From here on it shows none: a filter in an electronic source may read no higher, Ω. */
export const FLOATING_OHM = 100_000;
/** A meter that shows open stands here, Ω. */
export const OPEN_OHM = 1_000_000;
