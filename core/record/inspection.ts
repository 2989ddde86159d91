import { array, mixed, object, string, type InferType } from 'yup';
import { EDITIONS, type Edition } from '../codebook';
import type { Profile } from '../profile';
import { STATIONS, emptyCase, type Case, type Station } from '../case';
import { EMPTY_DOCKET, type Docket } from './docket';
import { conditionSchema } from './kinds/condition';
import { ORDER_KINDS, inForce, orderSchema } from './kinds/order';
import { paperState } from './kinds/paper';
import { visitUnderWay } from './kinds/visit';
import type { Claimed, Conflict } from './recorded';
import type { Evidence } from './evidence';
import { day, line, oneLine } from './shapes';

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

/** Whether what a decision says is what holds now: it is the last, or its order is in force still; nothing became of it, and no order stands against it. */
export const isCurrent = ({ decisions, docket }: Inspection, id: string): boolean => {
  if (paperState(docket, id) !== 'issued') return false;
  const orders = inForce(docket);
  if (docket.orders.some((one) => one.id === id)) return orders.some((one) => one.id === id);
  const last = decisions.at(-1);
  return last?.id === id && !(isApproval(last.kind) && orders.length > 0);
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
