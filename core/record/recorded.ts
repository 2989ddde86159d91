import type { Case, How } from '../case';

/** What a contractor recorded at his own house before he asked the office for an inspection: what he says, not what was found. */
export interface Claimed {
  readonly case: Case;
  readonly by: string;
  readonly at: string;
}

/** What somebody recorded of a fact, while nobody has recorded anything over it. */
export interface Head {
  readonly value: string | number;
  readonly how: How;
  readonly at: string;
  readonly by: string;
  readonly said?: string;
}

/** A fact that two people recorded while apart. Where they differ, it counts as not proved until one decides; where they agree, both stay known, for one may record it otherwise yet. */
export interface Conflict {
  /** Its address, the cord, stretch or circuit by its own id. */
  readonly path: string;
  readonly heads: readonly Head[];
}
