import { array, boolean, mixed, number, object, string, type InferType } from 'yup';
import { EDITIONS, type Edition } from '../codebook';
import type { Profile } from '../profile';
import {
  HOWS,
  LIST_PATHS,
  MOST_PARTS,
  STATIONS,
  emptyCase,
  type Case,
  type How,
  type ListPath,
  type Station,
} from '../case';
import {
  EMPTY_DOCKET,
  ORDER_KINDS,
  conditionSchema,
  docketSchemas,
  inForce,
  orderSchema,
  visitUnderWay,
  type Docket,
} from './docket';
import { paperState } from './follow-up';
import type { Claimed, Conflict } from './recorded';
import { evidenceSchema, type Evidence } from './evidence';
import { changeShape, day, instant, line, uuid, oneLine } from './shapes';

/** What stands once at the head of an inspection, and is never asked for again. */
export const headerSchema = object({
  address: oneLine('The address', 200).required('Give the address of the property.'),
  owner: oneLine('The owner', 200).default(''),
  permit: oneLine('The permit number', 60).default(''),
  edition: mixed<Edition>()
    .oneOf([...EDITIONS], `The edition must be one of ${EDITIONS.join(', ')}.`)
    .required('Choose the edition that the office has adopted.'),
}).noUnknown('The head of an inspection has address, owner, permit and edition.');
export type Header = InferType<typeof headerSchema>;

/** Whether a name was destroyed when its time was over: its salted hash stands in its place, and the seal holds over that. */
export const isDestroyed = (name: string): boolean => /^sha256:[0-9a-f]{64}$/.test(name);

export const DECISIONS = {
  approved: 'Approved',
  'approved-with-conditions': 'Approved with conditions',
  'passed-stations': 'Passed for these stations',
  'corrections-required': 'Corrections required',
  'stop-work': 'Stop work',
} as const;
export type DecisionKind = keyof typeof DECISIONS;

/** Whether a decision lets the house be fed, as far as it goes. */
export const isApproval = (kind: DecisionKind | undefined): boolean =>
  kind === 'approved' || kind === 'approved-with-conditions';

const MOST_HANDOVER = 120;

export const decisionSchema = object({
  kind: mixed<DecisionKind>()
    .oneOf(Object.keys(DECISIONS) as DecisionKind[], 'There is no such decision.')
    .required('Choose a decision.'),
  /** What an approval hangs on. */
  conditions: array(conditionSchema).required().max(100),
  /** Day of the reinspection, ISO date; null where none is due. */
  dueOn: day('The day').nullable().defined(),
  /** The order that a stop-work posts. */
  order: orderSchema.nullable().default(undefined).defined(),
  /** The stations that it answers for. */
  scope: array(
    mixed<Station>()
      .oneOf([...STATIONS], 'There is no such station.')
      .required(),
  )
    .required()
    .min(1, 'A decision answers for one station at least.')
    .max(STATIONS.length),
  /** Why the other stations were not looked at. */
  leftOut: line('Why the others were left out', 500).defined(),
  /** A line for whoever comes next. */
  handover: line('The line for whoever comes next', MOST_HANDOVER).defined(),
  signature: object({
    name: oneLine('The name', 200).required('Sign with your name.'),
    /** What the finger drew, as an SVG path in a 320 × 120 box; empty for a typed signature. */
    path: string()
      .defined()
      .max(60_000, 'The drawn signature is too long.')
      .matches(/^[MLQCZ0-9 .,-]*$/i, 'The drawn signature is no path.'),
  }).noUnknown(),
}).noUnknown();
export type Decision = InferType<typeof decisionSchema>;

/** A decision that was signed before violations had a life of their own. */
interface Older {
  readonly conditions: string;
  readonly overruled: readonly { readonly rule: string; readonly reason: string }[];
}

/** A decision as it was signed; the seal is the server's. */
export type Signed = (Decision | (Older & Pick<Decision, 'kind' | 'dueOn' | 'signature'>)) & {
  readonly id: string;
  readonly at: string;
  /** Seal of the record, hex; undefined until the office has it. */
  readonly seal?: string;
};

/** The conditions of a decision, however old it is; those of before had no day. */
export const conditionsOf = ({
  conditions,
}: Signed): readonly { readonly text: string; readonly dueOn: string | null }[] =>
  typeof conditions === 'string' ? (conditions === '' ? [] : [{ text: conditions, dueOn: null }]) : conditions;

/** What was overruled before findings were answered one by one. */
export const overruledIn = (signed: Signed): Older['overruled'] => ('overruled' in signed ? signed.overruled : []);

/** One version of what an office has adopted and amended, counted within the office from 1. */
export interface Rules {
  readonly version: number;
  readonly profile: Profile;
}

/** One inspection as the device and the office both hold it. */
export interface Inspection {
  readonly id: string;
  /** Count of changes that the office has taken in; the device keeps the last one it heard of. */
  readonly revision: number;
  readonly header: Header;
  readonly case: Case;
  /** What it is judged under beside its edition: as its office had adopted it when it was opened. */
  readonly rules?: Rules;
  /** What its contractor had recorded when he asked the office for an inspection; absent where nobody did. */
  readonly claimed?: Claimed;
  readonly openedAt: string;
  readonly changedAt: string;
  readonly decisions: readonly Signed[];
  /** Photos and notes, in the order in which they were made. */
  readonly evidence: readonly Evidence[];
  /** What the office follows up here. */
  readonly docket: Docket;
  /** Facts that two people recorded while apart; absent where there are none. */
  readonly conflicts?: readonly Conflict[];
  /** Whether facts changed after the last decision. */
  readonly changedSinceDecision: boolean;
}

/** A case has some 200 facts; whoever pastes a whole table of circuits records more. */
const MOST_TOGETHER = 600;

/** One fact as somebody recorded it; null takes it away. */
/** More facts than a cord, a stretch or a circuit has. */
const MOST_LINES_OF_PART = 60;
/** Who had recorded something, and when, as a device had it. */
const seenLines = (most: number) =>
  array(object({ at: instant, by: string().required().max(200) }).noUnknown())
    .max(most)
    .default(undefined)
    .optional();

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

const correction = {
  address: oneLine('The address', 200).required('Give the address of the property.'),
  owner: oneLine('The owner', 200).defined(),
  permit: oneLine('The permit number', 60).defined(),
  reason: line('The reason', 500).required('Say why it is corrected; it stays with the inspection.'),
};
/** What is said when a head is corrected. */
export const correctionSchema = object(correction);
export type Correction = InferType<typeof correctionSchema>;

/** A decision that does not say what was decided on, as older versions of the application signed it. */
const UNSEEN =
  'It does not say what was on the screen when it was signed. Load the application again, look, and sign anew.';

const rulesVersion = number().integer().min(1).max(1_000_000);

/** What a device may ask the office to take in, and the office to repeat: the same change twice is one change. */
export const changeSchemas = {
  open: object({
    ...changeShape,
    type: mixed<'open'>().required(),
    header: headerSchema.required(),
    /** The version of the office's rules that it is judged under; absent where the office has adopted none. */
    rules: rulesVersion.optional(),
  }).noUnknown(),
  /** A contractor hands his own house to the office: what he recorded is claimed from then on, and the office records its own. */
  request: object({ ...changeShape, type: mixed<'request'>().required() }).noUnknown(),
  /** Judged under another version of the office's rules from now on. */
  rules: object({ ...changeShape, type: mixed<'rules'>().required(), rules: rulesVersion.required() }).noUnknown(),
  /** What stands at the head, corrected: the house was another, or its owner is called otherwise. */
  head: object({
    ...changeShape,
    type: mixed<'head'>().required(),
    ...correction,
  }).noUnknown(),
  /** Facts that were recorded together: taken in whole or not at all, and taken back as one. */
  facts: object({
    ...changeShape,
    type: mixed<'facts'>().required(),
    facts: array(factSchema).required().min(1, 'No fact is named.').max(MOST_TOGETHER),
  }).noUnknown(),
  remove: object({
    ...changeShape,
    type: mixed<'remove'>().required(),
    list: mixed<ListPath>()
      .oneOf([...LIST_PATHS], 'Only a cord, a run or a circuit can be taken out.')
      .required(),
    index: number().integer().min(0).max(MOST_PARTS).required(),
    part: string().max(64).optional(),
    /** What of the part the device had: what is not among it came from somebody else meanwhile, and the part stays. */
    over: seenLines(MOST_LINES_OF_PART),
  }).noUnknown(),
  restore: object({
    ...changeShape,
    type: mixed<'restore'>().required(),
    list: mixed<ListPath>()
      .oneOf([...LIST_PATHS])
      .required(),
    index: number().integer().min(0).max(MOST_PARTS).required(),
    entry: object().required(),
  }).noUnknown(),
  /** A photo or a note: made, changed, or taken out where it is null. */
  evidence: object({
    ...changeShape,
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
  ...docketSchemas,
  decide: object({
    ...changeShape,
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

export type State = DecisionKind | 'draft' | 'reinspection' | 'suspended' | 'revoked';

/**
 * Where an inspection stands: stopped while an order is in force, whatever was recorded or decided since; else as it was decided
 * last, unless that is suspended or revoked; or begun anew, as where the last decision is void.
 */
export function stateOf(inspection: Inspection): State {
  if (inForce(inspection.docket).length > 0) return 'stop-work';
  const last = inspection.decisions.at(-1);
  if (!last) return 'draft';
  if (inspection.changedSinceDecision || visitUnderWay(inspection.docket)) return 'reinspection';
  const standing = paperState(inspection.docket, last.id);
  if (standing === 'suspended' || standing === 'revoked') return standing;
  return standing === 'issued' ? last.kind : 'reinspection';
}

export const STATE_WORDS: Readonly<Record<State, string>> = {
  draft: 'Draft',
  reinspection: 'Reinspection begun',
  suspended: 'Certificate suspended',
  revoked: 'Certificate revoked',
  ...DECISIONS,
};

/** Whether what a decision says is what holds now: it is the last, nothing became of it, and no order stands against it. */
export const isCurrent = ({ decisions, docket }: Inspection, id: string): boolean => {
  const last = decisions.at(-1);
  return (
    last?.id === id && paperState(docket, id) === 'issued' && !(isApproval(last.kind) && inForce(docket).length > 0)
  );
};

/** How an inspection stands, in words: an order in force by its own name. */
export function stateWords(inspection: Inspection): string {
  const order = inForce(inspection.docket).at(-1);
  if (order) return `${ORDER_KINDS[order.kind]}: order in force`;
  const state = stateOf(inspection);
  return state === 'draft' && inspection.claimed ? 'Inspection requested' : STATE_WORDS[state];
}

export function openedInspection(id: string, header: Header, at: string, rules?: Rules): Inspection {
  return {
    id,
    ...(rules && { rules }),
    revision: 0,
    header,
    case: emptyCase(header.edition),
    openedAt: at,
    changedAt: at,
    decisions: [],
    evidence: [],
    docket: EMPTY_DOCKET,
    changedSinceDecision: false,
  };
}
