import { array, boolean, mixed, object, string, type InferType } from 'yup';
import { HOWS, type Case, type How } from '../case';
import { instant } from './shapes';

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

/** Who had recorded something, and when, as a device had it. */
export const seenLines = (most: number) =>
  array(object({ at: instant, by: string().required().max(200) }).noUnknown())
    .max(most)
    .default(undefined)
    .optional();

/** One fact as somebody recorded it; null takes it away. */
export const factSchema = object({
  path: string().required().max(100),
  /** Id of the cord, stretch or circuit that it is a fact of, wherever that stands by now. */
  part: string().max(64).optional(),
  value: mixed<string | number>().nullable().defined(),
  /** Adds that part again where it is gone: an earlier answer is set again. */
  adds: boolean().optional(),
  how: mixed<How>()
    .oneOf(Object.keys(HOWS) as How[], `How it was recorded is one of ${Object.keys(HOWS).join(', ')}.`)
    .required(),
  /** The reading, the statement or the instrument, in its words. */
  said: string().max(200).optional(),
  /** Who had recorded what stood there, and when, as the device had it: what is not among it came from somebody else meanwhile. */
  over: seenLines(10),
  /** How it had been recorded, or null where nothing said so: an earlier answer is set again. */
  was: object({
    how: mixed<How>()
      .oneOf(Object.keys(HOWS) as How[])
      .required(),
    at: instant,
    by: string().required().max(200),
    said: string().max(200).optional(),
  })
    .noUnknown()
    .nullable()
    .default(undefined)
    .optional(),
}).noUnknown();
export type RecordedFact = InferType<typeof factSchema>;
