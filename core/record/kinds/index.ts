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
import { acted, moved, type Act, type Asking, type ChangeOf, type Kind } from './kind';
import { notTakenUp } from './not-taken-up';
import { order } from './order';
import { paper } from './paper';
import { permit } from './permit';
import { turn } from './turn';
import { violation } from './violation';
import { visit } from './visit';

/** What lives at a house, in the order of its tables. */
export const KINDS = { violation, order, condition, visit, paper, appeal, permit, hold };
/** What is done at a house, and has no states: by what it needs to have before it. */
const UNDER_RULES = { open, request, rules };
const AT_HOUSE = { head, facts, remove, restore, evidence, decide };
const IN_DOCKET = { 'not-taken-up': notTakenUp, installer, turn };
export const ACTS = { ...UNDER_RULES, ...AT_HOUSE, ...IN_DOCKET };
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

const isOf = <T extends object>(table: T, type: string): type is keyof T & string => Object.hasOwn(table, type);
/** As the compiler cannot follow it from a change's type to the act or kind that takes it in. */
type AnyAct<House, Result> = Act<House, Change, Result>;
type AnyKind = Kind<Docket & Seen, { readonly state: string }, Change & { type: keyof typeof KINDS }, string>;

/** An inspection after a change by somebody, or a sentence why it cannot be taken in. */
export function changed(
  before: Inspection | undefined,
  change: Change,
  person: Person,
  version: Rules | undefined,
  asking: Asking = 'asked',
): Inspection | string {
  const { type } = change;
  if (!isChangeType(type)) return 'There is no such change.';
  const why = asking === 'asked' ? whyNotTheirs(person, before, type) : undefined;
  if (why !== undefined) return why;
  if (!before && type !== 'open') return 'There is no such inspection.';
  if (isOf(UNDER_RULES, type))
    return acted(UNDER_RULES[type] as unknown as AnyAct<object, Inspection>, { inspection: before, rules: version }, change, person, asking); // prettier-ignore
  const known = before!;
  if (isOf(AT_HOUSE, type))
    return acted(AT_HOUSE[type] as AnyAct<Inspection, Inspection>, known, change, person, asking);
  const patch = isOf(IN_DOCKET, type)
    ? acted(
        IN_DOCKET[type] as unknown as AnyAct<Docket & Seen, Partial<Docket>>,
        houseOf(known),
        change,
        person,
        asking,
      )
    : moved(
        KINDS[type] as unknown as AnyKind,
        houseOf(known),
        change as Parameters<AnyKind['find']>[1],
        person,
        asking,
      );
  return typeof patch === 'string' ? patch : { ...known, docket: { ...known.docket, ...patch }, changedAt: change.at };
}

export { APPEAL_STATES, openAppeals, type Appeal } from './appeal';
export { CONDITION_STATES, type Condition } from './condition';
export { HOLD_STATES, holdOf } from './hold';
export { correctionSchema, type Correction } from './house';
export { INSTALLER_KINDS, installerOf } from './installer';
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
