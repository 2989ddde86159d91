import { array, boolean, mixed, number, object, string, type InferType } from 'yup';
import { EDITIONS, type Edition } from '../codebook';
import { HOWS, LIST_PATHS, MOST_PARTS, emptyCase, type Case, type How, type ListPath } from '../case';
import type { Evaluation, Outcome } from '../verdict';
import { evidenceSchema, type Evidence } from './evidence';

const line = (what: string, most: number) =>
  string().trim().typeError(`${what} must be text`).max(most, `${what}: at most ${most} characters`);
const uuid = (what: string) => string().uuid(`${what} must be a UUID`).required(`${what} is missing`);
/** Whether a text that has the shape of a day is one, in years in which an inspection can have been. */
const isDay = (text: string): boolean => {
  const time = Date.parse(`${text}T00:00:00Z`);
  return text >= '2000-01-01' && text < '2200' && !Number.isNaN(time) && new Date(time).toISOString().startsWith(text);
};
const instant = string()
  .required('the time is missing')
  .matches(
    /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}(\.\d+)?Z$/,
    'the time must be ISO 8601 in UTC, like 2026-11-25T10:00:00Z',
  )
  .test(
    'time',
    ({ value }) => `${String(value)} is no time; right would be like 2026-11-25T10:00:00Z`,
    (value) => value === undefined || (isDay(value.slice(0, 10)) && !Number.isNaN(Date.parse(value))),
  );

/** What stands once at the head of an inspection, and is never asked for again. */
export const headerSchema = object({
  address: line('The address', 200).required('Give the address of the property.'),
  owner: line('The owner', 200).default(''),
  permit: line('The permit number', 60).default(''),
  edition: mixed<Edition>()
    .oneOf([...EDITIONS], `The edition must be one of ${EDITIONS.join(', ')}.`)
    .required('Choose the edition that the office has adopted.'),
}).noUnknown('The head of an inspection has address, owner, permit and edition.');
export type Header = InferType<typeof headerSchema>;

export const DECISIONS = {
  approved: 'Approved',
  'approved-with-conditions': 'Approved with conditions',
  'corrections-required': 'Corrections required',
  'stop-work': 'Stop work',
} as const;
export type DecisionKind = keyof typeof DECISIONS;

const SHORTEST_REASON = 10;

export const decisionSchema = object({
  kind: mixed<DecisionKind>()
    .oneOf(Object.keys(DECISIONS) as DecisionKind[], 'There is no such decision.')
    .required('Choose a decision.'),
  conditions: line('The conditions', 4000).default(''),
  /** Day of the reinspection, ISO date; null where none is due. */
  dueOn: string()
    .nullable()
    .matches(/^\d{4}-\d{2}-\d{2}$/, {
      message: 'The day must be an ISO date, like 2026-12-09.',
      excludeEmptyString: false,
    })
    .test(
      'day',
      ({ value }) => `${String(value)} is no day.`,
      (value) => !value || isDay(value),
    )
    .defined(),
  overruled: array(
    object({
      rule: string().required().max(100),
      reason: line('The reason', 2000)
        .required('Give the reason for overruling.')
        .min(
          SHORTEST_REASON,
          `Give the reason in at least ${SHORTEST_REASON} characters; it will be read years from now.`,
        ),
    }).noUnknown(),
  )
    .required()
    .max(100),
  signature: object({
    name: line('The name', 200).required('Sign with your name.'),
    /** What the finger drew, as an SVG path in a 320 × 120 box; empty for a typed signature. */
    path: string()
      .defined()
      .max(60_000, 'The drawn signature is too long.')
      .matches(/^[MLQCZ0-9 .,-]*$/i, 'The drawn signature is no path.'),
  }).noUnknown(),
}).noUnknown();
export type Decision = InferType<typeof decisionSchema>;

/** A decision as it was signed; the seal is the server's. */
export interface Signed extends Decision {
  readonly id: string;
  readonly at: string;
  /** Seal of the record, hex; undefined until the office has it. */
  readonly seal?: string;
}

/** One inspection as the device and the office both hold it. */
export interface Inspection {
  readonly id: string;
  /** Count of changes that the office has taken in; the device keeps the last one it heard of. */
  readonly revision: number;
  readonly header: Header;
  readonly case: Case;
  readonly openedAt: string;
  readonly changedAt: string;
  readonly decisions: readonly Signed[];
  /** Photos and notes, in the order in which they were made. */
  readonly evidence: readonly Evidence[];
  /** Whether facts changed after the last decision. */
  readonly changedSinceDecision: boolean;
}

/** A case has some 200 facts; whoever pastes a whole table of circuits records more. */
const MOST_TOGETHER = 600;

/** One fact as somebody recorded it; null takes it away. */
const factSchema = object({
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

const correction = {
  address: line('The address', 200).required('Give the address of the property.'),
  owner: line('The owner', 200).defined(),
  permit: line('The permit number', 60).defined(),
  reason: line('The reason', 500).required('Say why it is corrected; it stays with the inspection.'),
};
/** What is said when a head is corrected. */
export const correctionSchema = object(correction);
export type Correction = InferType<typeof correctionSchema>;

/** A decision that does not say what was decided on, as older versions of the application signed it. */
const UNSEEN =
  'It does not say what was on the screen when it was signed. Load the application again, look, and sign anew.';

const change = { id: uuid('The id of the change'), inspection: uuid('The id of the inspection'), at: instant };

/** What a device may ask the office to take in, and the office to repeat: the same change twice is one change. */
export const changeSchemas = {
  open: object({ ...change, type: mixed<'open'>().required(), header: headerSchema.required() }).noUnknown(),
  /** What stands at the head, corrected: the house was another, or its owner is called otherwise. */
  head: object({
    ...change,
    type: mixed<'head'>().required(),
    ...correction,
  }).noUnknown(),
  /** Facts that were recorded together: taken in whole or not at all, and taken back as one. */
  facts: object({
    ...change,
    type: mixed<'facts'>().required(),
    facts: array(factSchema).required().min(1, 'No fact is named.').max(MOST_TOGETHER),
  }).noUnknown(),
  remove: object({
    ...change,
    type: mixed<'remove'>().required(),
    list: mixed<ListPath>()
      .oneOf([...LIST_PATHS], 'Only a cord, a stretch or a circuit can be taken out.')
      .required(),
    index: number().integer().min(0).max(MOST_PARTS).required(),
    part: string().max(64).optional(),
  }).noUnknown(),
  restore: object({
    ...change,
    type: mixed<'restore'>().required(),
    list: mixed<ListPath>()
      .oneOf([...LIST_PATHS])
      .required(),
    index: number().integer().min(0).max(MOST_PARTS).required(),
    entry: object().required(),
  }).noUnknown(),
  /** A photo or a note: made, changed, or taken out where it is null. */
  evidence: object({
    ...change,
    type: mixed<'evidence'>().required(),
    evidence: uuid('The id of the photo or note'),
    is: evidenceSchema
      .nullable()
      .default(undefined)
      .defined('What the photo or note is must be said; null takes it out.'),
    /** By whom and when it had been made: one that was taken out is put back. */
    was: object({ at: instant, by: string().required().max(200) })
      .noUnknown()
      .default(undefined)
      .optional(),
  }).noUnknown(),
  decide: object({
    ...change,
    type: mixed<'decide'>().required(),
    decision: decisionSchema.required(),
    /** Count of changes that the device had heard of when it was signed. */
    base: number().integer().min(0).required(UNSEEN),
    /** SHA-256, hex, of what was shown when it was signed. */
    shown: string()
      .matches(/^[0-9a-f]{64}$/, UNSEEN)
      .required(UNSEEN),
  }).noUnknown(),
};

export type Change = {
  [K in keyof typeof changeSchemas]: InferType<(typeof changeSchemas)[K]> & { type: K };
}[keyof typeof changeSchemas];
/** A change before it has an id and a time. */
export type ChangeBody = Change extends infer C ? (C extends Change ? Omit<C, 'id' | 'at'> : never) : never;

export type State =
  'draft' | 'corrections-required' | 'approved' | 'approved-with-conditions' | 'stop-work' | 'reinspection';

/** Where an inspection stands: its last decision, or a reinspection once facts have changed after corrections or a stop. */
export function stateOf(inspection: Inspection): State {
  const last = inspection.decisions.at(-1);
  if (!last) return 'draft';
  return inspection.changedSinceDecision ? 'reinspection' : last.kind;
}

export const STATE_WORDS: Readonly<Record<State, string>> = {
  draft: 'Draft',
  reinspection: 'Reinspection begun',
  ...DECISIONS,
};

export function openedInspection(id: string, header: Header, at: string): Inspection {
  return {
    id,
    revision: 0,
    header,
    case: emptyCase(header.edition),
    openedAt: at,
    changedAt: at,
    decisions: [],
    evidence: [],
    changedSinceDecision: false,
  };
}

/** Violations and open questions that stand against approval: all but advisories. */
export function blocking(evaluation: Evaluation): Outcome[] {
  return evaluation.outcomes.filter(
    (one) => one.severity !== 'advisory' && (one.outcome === 'violation' || one.outcome === 'unproven'),
  );
}

/** Why a decision cannot be signed for what the engine found, in sentences; empty where it can. A person may overrule, with a reason each. */
export function whyNotDecide(
  evaluation: Evaluation,
  decision: Pick<Decision, 'kind' | 'conditions' | 'overruled'>,
): string[] {
  const why: string[] = [];
  if (decision.kind === 'approved-with-conditions' && !decision.conditions.trim())
    why.push('Write down the conditions.');
  if (decision.kind === 'approved' || decision.kind === 'approved-with-conditions') {
    const reasons = new Map(decision.overruled.map((one) => [one.rule, one.reason.trim()]));
    const left = blocking(evaluation).filter((one) => (reasons.get(one.rule)?.length ?? 0) < SHORTEST_REASON);
    if (left.length > 0)
      why.push(
        `${left.length} ${left.length === 1 ? 'point stands' : 'points stand'} against approval. Correct or prove ${left.length === 1 ? 'it' : 'them'}, or overrule each with a reason of at least ${SHORTEST_REASON} characters.`,
      );
  }
  if (
    decision.kind === 'corrections-required' &&
    !evaluation.outcomes.some((one) => one.outcome === 'violation' || one.outcome === 'unproven')
  )
    why.push('Nothing is violated or unproven; there is nothing to correct.');
  return why;
}
