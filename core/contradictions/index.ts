import type { Look } from '../electrical';
import { standing, type Contradiction, type Standing } from './contradiction';
import { INSIDE } from './inside';
import { OUTSIDE } from './outside';

export type { Contradiction, Standing } from './contradiction';

/** Every pair of records that is known not to be true together. */
export const CONTRADICTIONS: readonly Contradiction[] = [...OUTSIDE, ...INSIDE];

/** Those that stand at a house. */
export const contradictionsAt = (look: Look): readonly Standing[] =>
  CONTRADICTIONS.flatMap((one) => standing(look, one));
