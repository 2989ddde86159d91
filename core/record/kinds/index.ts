import { isOutside, roleName, ROLES, whoMay, type Person } from '../../people';
import type { Docket, Seen } from '../docket';
import { seenIn } from '../findings';
import type { Inspection, Rules } from '../inspection';
import type { Evaluation } from '../../verdict';
import { appeal } from './appeal';
import { condition } from './condition';
import { decide } from './decide';
import { evidence } from './evidence';
import { facts, remove, restore } from './facts';
import { hold } from './hold';
import { head, open, request, rules } from './house';
import { installer } from './installer';
import { acted, moved, type Act, type ChangeOf, type Kind } from './kind';
import { notTakenUp } from './not-taken-up';
import { order } from './order';
import { paper } from './paper';
import { permit } from './permit';
import { turn } from './turn';
import { violation } from './violation';
import { visit } from './visit';

/** What lives at a house, in the order of its tables. */
export const KINDS = { violation, order, condition, visit, paper, appeal, permit, hold };
/** What is done at a house, and has no states. */
export const ACTS = {
  open,
  request,
  rules,
  head,
  facts,
  remove,
  restore,
  evidence,
  'not-taken-up': notTakenUp,
  installer,
  turn,
  decide,
};
/** Every change that a device may send, by its type. What is not listed here does nothing. */
export const CHANGES = { ...ACTS, ...KINDS };

export type Change = {
  [K in keyof typeof CHANGES]: ChangeOf<(typeof CHANGES)[K]> & { readonly type: K };
}[keyof typeof CHANGES];
/** A change before it has an id and a time. */
export type ChangeBody = Change extends infer C ? (C extends Change ? Omit<C, 'id' | 'at'> : never) : never;

export const isChangeType = (type: unknown): type is Change['type'] =>
  typeof type === 'string' && Object.hasOwn(CHANGES, type);

/** What the docket of an inspection is to its kinds: itself, and what the engine and the decisions say. */
export const houseOf = (inspection: Inspection, known?: Evaluation): Docket & Seen => ({
  ...inspection.docket,
  ...seenIn(inspection, known),
});

/** Why somebody may change nothing of this kind at a house, whatever it is; undefined where it hangs on the change. */
export function whyNotTheirs(
  { role }: Person,
  before: Inspection | undefined,
  type: Change['type'],
): string | undefined {
  if (!CHANGING.has(role))
    return Object.hasOwn(ROLES, role)
      ? `A ${roleName(role).toLowerCase()} changes nothing.`
      : 'Nobody has said what an account of this role may do; it changes nothing.';
  if (!isOutside(role) || !before || CHANGES[type].outside) return undefined;
  if (before.decisions.length > 0) return 'The office has decided on it; only an inspector records there now.';
  return before.claimed && 'The office was asked for this inspection; only an inspector records there now.';
}
const CHANGING: ReadonlySet<string> = new Set((['record', 'request', 'answer', 'inspect', 'settle'] as const).flatMap(whoMay)); // prettier-ignore

/** An inspection after a change by somebody, or a sentence why it cannot be taken in. */
export function changed(
  before: Inspection | undefined,
  change: Change,
  person: Person,
  version: Rules | undefined,
): Inspection | string {
  if (!isChangeType(change.type)) return 'There is no such change.';
  const why = whyNotTheirs(person, before, change.type);
  if (why !== undefined) return why;
  if (change.type === 'open') return acted(open, { inspection: before, rules: version }, change, person);
  if (!before) return 'There is no such inspection.';
  const known = before;
  const inDocket = (patch: Partial<Docket> | string): Inspection | string =>
    typeof patch === 'string' ? patch : { ...known, docket: { ...known.docket, ...patch }, changedAt: change.at };
  switch (change.type) {
    case 'rules':
      return acted(rules, { inspection: known, rules: version }, change, person);
    case 'request':
      return acted(request, { inspection: known, rules: version }, change, person);
    case 'head':
    case 'facts':
    case 'remove':
    case 'restore':
    case 'evidence':
    case 'decide':
      return acted(ACTS[change.type] as Act<Inspection, Change, Inspection>, known, change, person);
    case 'not-taken-up':
    case 'installer':
    case 'turn':
      return inDocket(acted(ACTS[change.type] as unknown as Act<Docket & Seen, Change, Partial<Docket>>, houseOf(known), change, person)); // prettier-ignore
    default:
      return inDocket(moved(KINDS[change.type] as unknown as AnyKind, houseOf(known), change, person));
  }
}
type AnyKind = Kind<Docket & Seen, { readonly state: string }, Change & { type: keyof typeof KINDS }, string>;

export { APPEAL_STATES, openAppeals, type Appeal } from './appeal';
export { CONDITION_STATES, type Condition } from './condition';
export { HOLD_STATES, holdOf } from './hold';
export { correctionSchema, type Correction } from './house';
export { INSTALLER_KINDS, INSTALLER_OFFERED, installerOf } from './installer';
export { openMoves, type Asked, type Kind, type Move, type Offered, type OpenMove } from './kind';
export { ORDER_KINDS, ORDER_STATES, inForce, orderGround, type Order } from './order';
export { PAPER_STATES, paperState, standingOfPaper, type PaperState } from './paper';
export { PERMIT_STATES, whyNoPermit } from './permit';
export {
  VIOLATION_STATES,
  attempts,
  openedAt,
  isOpen,
  sameFinding,
  type FindingRef,
  type Violation,
  type ViolationState,
} from './violation';
export { VISIT_STATES, visitAhead, visitUnderWay, type Visit, type VisitState } from './visit';
