import type { Look } from '../../electrical';

/** Siting speaks of exhaust; a battery power station has none. */
export const noExhaust = (look: Look): string | undefined =>
  look.need('source.kind') === 'power-station' ? 'a battery power station has no exhaust' : undefined;
