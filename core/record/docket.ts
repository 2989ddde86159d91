import { array, mixed, number, object, string, type InferType } from 'yup';
import { STATIONS, type Station } from '../case';
import {
  CONDITION_MOVES,
  CONDITION_STATES,
  ORDER_MOVES,
  ORDER_STATES,
  VIOLATION_MOVES,
  VIOLATION_STATES,
  VISIT_MOVES,
  VISIT_STATES,
  whyNotMove,
  type ConditionState,
  type OrderState,
  type ViolationState,
  type VisitState,
} from './moves';
import { inspects, type Person } from '../people';
import { followUpSchemas, isFollowUp, whyNoPermit, withFollowUp, type FollowUp, type Issued } from './follow-up';
import { changeShape, day, dayAtHouse, line, uuid, oneLine } from './shapes';
import { SHORTEST_REASON, replaced, stateIn, words, type Step } from './steps';

/** A finding of the engine: a rule, and the cord, stretch or circuit that it is about, by its own id. */
const findingSchema = object({
  rule: string().required().max(100),
  part: string().max(64).nullable().defined(),
}).noUnknown();
export type FindingRef = InferType<typeof findingSchema>;

export const sameFinding = (one: FindingRef, other: FindingRef): boolean =>
  one.rule === other.rule && one.part === other.part;

/** Who allows it otherwise, how far, and until when. */
export interface Variance {
  readonly authority: string;
  readonly section: string;
  readonly extent: string;
  readonly until: string | null;
}

/** What must be corrected: it lives from the day on which it is taken up until somebody has settled it. */
export interface Violation {
  readonly id: string;
  /** Counted within the inspection, from 1. */
  readonly number: number;
  readonly findings: readonly FindingRef[];
  readonly words: string;
  readonly remedy: string;
  readonly cites: readonly string[];
  readonly severity: 'hazard' | 'correction';
  readonly station: Station;
  readonly dueOn: string | null;
  readonly variance?: Variance;
  readonly state: ViolationState;
  readonly steps: readonly Step<ViolationState>[];
}

/** *Stop work* while work goes on, *do not use* for what is finished. In force until it is lifted, whatever is recorded meanwhile. */
export const ORDER_KINDS = { 'stop-work': 'Stop work', 'do-not-use': 'Do not use' } as const;
export const orderSchema = object({
  kind: mixed<keyof typeof ORDER_KINDS>()
    .oneOf(Object.keys(ORDER_KINDS) as (keyof typeof ORDER_KINDS)[], 'An order is to stop work, or not to use.')
    .required('Choose what is ordered.'),
  ground: line('The ground', 1000)
    .required('Say on what ground.')
    .min(10, 'Say on what ground, in at least 10 characters.'),
  covers: line('What it covers', 500).required('Say what the order covers.'),
  /** What may still be done, to make it safe. */
  mayDo: line('What may be done', 500).defined(),
  told: line('Who was told', 200).required('Say who was told.'),
}).noUnknown();
export interface Order extends InferType<typeof orderSchema> {
  /** That of the decision that posted it. */
  readonly id: string;
  readonly violations: readonly string[];
  readonly state: OrderState;
  readonly steps: readonly Step<OrderState>[];
}

/** What an approval hangs on: it has a day. */
export const conditionSchema = object({
  id: uuid('The id of the condition'),
  text: line('The condition', 1000).required('Write down the condition.'),
  dueOn: day('The day of the condition').required('Each condition has a day.'),
  /** The violation or unproven point that was made a condition; null for one of its own. */
  of: string().max(100).nullable().defined(),
}).noUnknown();
export interface Condition extends InferType<typeof conditionSchema> {
  readonly state: ConditionState;
  readonly steps: readonly Step<ConditionState>[];
}

/** One time that somebody goes to the house. */
export interface Visit {
  readonly id: string;
  /** Counted within the inspection, from 1. */
  readonly number: number;
  readonly state: VisitState;
  readonly day: string | null;
  readonly inspector: string;
  /** Which of its day it is, where somebody ordered them by hand. */
  readonly turn?: number | null;
  readonly steps: readonly Step<VisitState>[];
}

/** A finding that was not taken up: the engine is wrong here, and a person says why. */
export interface NotTakenUp extends FindingRef {
  readonly reason: string;
  readonly at: string;
  readonly by: string;
}

/** What the office follows up at a house. */
export interface Docket extends FollowUp {
  readonly violations: readonly Violation[];
  readonly notTakenUp: readonly NotTakenUp[];
  readonly orders: readonly Order[];
  readonly conditions: readonly Condition[];
  readonly visits: readonly Visit[];
}

export const EMPTY_DOCKET: Docket = { violations: [], notTakenUp: [], orders: [], conditions: [], visits: [] };
const MOST = 200;
export const MOST_CITES = 20;

/** The changes to a docket. */
export const docketSchemas = {
  violation: object({
    ...changeShape,
    type: mixed<'violation'>().required(),
    violation: uuid('The id of the violation'),
    to: stateIn(VIOLATION_STATES),
    words,
    dueOn: day('The day').nullable().default(undefined).optional(),
    /** Of one that is varied. */
    variance: object({
      authority: line('The authority', 200).required('Name the authority that varies it.'),
      section: line('The section', 100).required('Name the section that is varied.'),
      extent: line('The extent', 500).required('Say how far it is varied.'),
      until: day('The end of the variance').nullable().defined(),
    })
      .noUnknown()
      .default(undefined)
      .optional(),
    /** Findings that it answers; with a step of one that is known, further ones of the same cause. */
    findings: array(findingSchema.required()).max(MOST).optional(),
    /** Of a new one. */
    is: object({
      words: line('What is wrong', 2000).required('Say what is wrong.'),
      remedy: line('The remedy', 2000).default(''),
      cites: array(string().required().max(100)).required().max(MOST_CITES),
      severity: mixed<'hazard' | 'correction'>().oneOf(['hazard', 'correction']).required(),
      station: mixed<Station>()
        .oneOf([...STATIONS])
        .required(),
    })
      .noUnknown()
      .default(undefined)
      .optional(),
  }).noUnknown(),
  'not-taken-up': object({
    ...changeShape,
    type: mixed<'not-taken-up'>().required(),
    finding: findingSchema.required(),
    /** Empty: it counts again. */
    reason: line('The reason', 2000).defined(),
  }).noUnknown(),
  order: object({
    ...changeShape,
    type: mixed<'order'>().required(),
    order: uuid('The id of the order'),
    to: stateIn(ORDER_STATES),
    words,
  }).noUnknown(),
  condition: object({
    ...changeShape,
    type: mixed<'condition'>().required(),
    condition: uuid('The id of the condition'),
    to: stateIn(CONDITION_STATES),
    words,
  }).noUnknown(),
  ...followUpSchemas,
  /** Which visit of its day a visit is, as somebody ordered them by hand; null: by its street again. */
  turn: object({
    ...changeShape,
    type: mixed<'turn'>().required(),
    visit: uuid('The id of the visit'),
    turn: number().integer().min(1).max(200).nullable().defined(),
  }).noUnknown(),
  visit: object({
    ...changeShape,
    type: mixed<'visit'>().required(),
    visit: uuid('The id of the visit'),
    to: stateIn(VISIT_STATES),
    words,
    day: day('The day of the visit').nullable().default(undefined).optional(),
    inspector: oneLine('The inspector', 200).optional(),
  }).noUnknown(),
};

export type DocketChange = {
  [K in keyof typeof docketSchemas]: InferType<(typeof docketSchemas)[K]> & { readonly type: K };
}[keyof typeof docketSchemas];

export const isDocketChange = (change: { readonly type: string }): change is DocketChange =>
  Object.hasOwn(docketSchemas, change.type);

/** Whether a violation waits for somebody. */
export const isOpen = ({ state }: Violation): boolean => state === 'open' || state === 'claimed';
export const inForce = (docket: Docket): readonly Order[] => docket.orders.filter(({ state }) => state !== 'lifted');
const isUnderWay = ({ state }: Visit) => state === 'under-way' || state === 'remote';
export const visitUnderWay = (docket: Docket): Visit | undefined => docket.visits.findLast(isUnderWay);
export const visitAhead = (docket: Docket): Visit | undefined =>
  docket.visits.findLast(({ state }) => state === 'scheduled');
/** When a violation was opened last, joined to others or given another day apart: what proves its correction is younger. */
export const openedAt = ({ steps }: Violation): string =>
  steps.findLast(({ to }, i) => to === 'open' && [undefined, 'claimed'].includes(steps[i - 1]?.to))!.at;
/** How often its correction was looked at in vain. */
export const attempts = ({ steps }: Violation): number =>
  steps.filter(({ to }, i) => to === 'open' && steps[i - 1]?.to === 'claimed').length;

type Outcome = Docket | string;

/** What the docket cannot know by itself: what the engine still finds. */
export interface Seen {
  /** Why a violation is not to be called corrected; undefined where it may. */
  readonly whyNotVerified: (violation: Violation) => string | undefined;
  /** The decisions that were signed. */
  readonly issued: readonly Issued[];
  /** When a decision was signed last; undefined where none was. */
  readonly decidedAt: string | undefined;
  /** Whether a finding is a hazard. */
  readonly isHazard: (finding: FindingRef) => boolean;
}

const NEEDS_WORDS: readonly string[] = [
  'claimed',
  'varied',
  'withdrawn',
  'removed',
  'limited',
  'lifted',
  'met',
  'cancelled',
  'nobody-there',
  'not-ready',
  'entry-refused',
  'under-way',
  'remote',
];

function withViolation(docket: Docket, change: DocketChange & { type: 'violation' }, by: Person, seen: Seen): Outcome {
  const { violation: id, to, words: said, at, is, findings = [], dueOn, variance } = change;
  const known = docket.violations.find((one) => one.id === id);
  const what = known ? `Violation ${known.number}` : 'This violation';
  const why = whyNotMove(VIOLATION_MOVES, VIOLATION_STATES, what, known?.state ?? 'none', to, by);
  if (why !== undefined) return why;
  const stray = [
    dueOn !== undefined && to !== 'open' && 'a day is given to one that is open, and to no other.',
    variance !== undefined && to !== 'varied' && 'a variance goes with one that is varied, and with no other.',
    findings.length > 0 && to !== 'open' && 'findings are joined to one that is open, and to no other.',
    is !== undefined && known && 'what is wrong is said when it is made, and stays.',
  ].find(Boolean);
  if (stray) return `${what}: ${stray}`;
  const taken = docket.violations.find(
    (one) =>
      one !== known && isOpen(one) && one.findings.some((has) => findings.some((new_) => sameFinding(has, new_))),
  );
  if (taken) return `That finding stands in violation ${taken.number} already.`;
  const step = { to, at, by: by.name, words: said };
  // What the engine calls a hazard is one, whatever the device says.
  const grave = findings.some(seen.isHazard) && { severity: 'hazard' as const };
  if (!known) {
    if (!is) return 'A new violation says what is wrong.';
    if (docket.violations.length >= MOST) return `An inspection has at most ${MOST} violations.`;
    const number = docket.violations.length + 1;
    const made = { id, number, findings, ...is, ...grave, dueOn: dueOn ?? null, state: to, steps: [step] };
    return {
      ...docket,
      violations: [...docket.violations, made],
      notTakenUp: docket.notTakenUp.filter((one) => !findings.some((each) => sameFinding(each, one))),
    };
  }
  if (to === 'open' && known.state === 'open' && findings.length === 0 && said.length < SHORTEST_REASON)
    return `${what}: give the reason for another day in at least ${SHORTEST_REASON} characters.`;
  if (to === 'open' && known.state === 'claimed' && said === '') return `${what}: say why it is not corrected.`;
  if (!isOpen(known) && (seen.decidedAt ?? '') > known.steps.at(-1)!.at)
    return `${what} was settled before the last decision was signed; what is wrong now is a new violation.`;
  if (to === 'verified') {
    const not = seen.whyNotVerified(known);
    if (not !== undefined) return `${what} cannot be called corrected: ${not}`;
  }
  if (to === 'withdrawn' && known.severity === 'hazard' && by.role !== 'lead')
    return `${what} is a hazard; the lead alone can withdraw it.`;
  if (to === 'varied' && known.findings.some(({ rule }) => rule === 'transfer/no-outlet-backfeed'))
    return `${what}: a fed outlet is never varied.`;
  if (to === 'varied' && !variance) return `${what}: name authority, section, extent and end of the variance.`;
  const now = {
    ...known,
    ...grave,
    findings: [...known.findings, ...findings],
    state: to,
    steps: [...known.steps, step],
    ...(dueOn !== undefined && { dueOn }),
    ...(variance && { variance }),
  };
  return {
    ...docket,
    violations: replaced(docket.violations, now),
    conditions: docket.conditions.map((one) => (one.of === id ? followed(one, now, step) : one)),
  };
}

/** A condition that a violation was made: met once that is corrected, and due again where that was a wrong touch. */
function followed(condition: Condition, { number, state }: Violation, { at, by }: Step<ViolationState>): Condition {
  const to = state === 'verified' || state === 'removed' ? 'met' : 'due';
  const words = `Violation ${number}: ${VIOLATION_STATES[state].toLowerCase()}.`;
  return to === condition.state
    ? condition
    : { ...condition, state: to, steps: [...condition.steps, { to, at, by, words }] };
}

function withOrder(
  docket: Docket,
  { order: id, to, at, words: said }: DocketChange & { type: 'order' },
  by: Person,
): Outcome {
  const known = docket.orders.find((one) => one.id === id);
  if (!known) return 'There is no such order; an order is posted by a signed decision.';
  const why = whyNotMove(ORDER_MOVES, ORDER_STATES, 'The order', known.state, to, by);
  if (why !== undefined) return why;
  const open = docket.violations.filter((one) => known.violations.includes(one.id) && isOpen(one));
  if (to === 'lifted' && open.length > 0)
    return `The order rests on violation ${open.map(({ number }) => number).join(', ')}; it is lifted once that is settled.`;
  const permit = to === 'lifted' ? whyNoPermit(docket, dayAtHouse(at)) : undefined;
  if (permit !== undefined) return `The order stays in force. ${permit}`;
  return {
    ...docket,
    orders: replaced(docket.orders, {
      ...known,
      state: to,
      steps: [...known.steps, { to, at, by: by.name, words: said }],
    }),
  };
}

function withCondition(
  docket: Docket,
  { condition: id, to, at, words: said }: DocketChange & { type: 'condition' },
  by: Person,
): Outcome {
  const known = docket.conditions.find((one) => one.id === id);
  if (!known) return 'There is no such condition.';
  const why = whyNotMove(CONDITION_MOVES, CONDITION_STATES, 'The condition', known.state, to, by);
  if (why !== undefined) return why;
  return {
    ...docket,
    conditions: replaced(docket.conditions, {
      ...known,
      state: to,
      steps: [...known.steps, { to, at, by: by.name, words: said }],
    }),
  };
}

function withVisit(docket: Docket, change: DocketChange & { type: 'visit' }, by: Person): Outcome {
  const { visit: id, to, at, words: said, day: on, inspector } = change;
  const known = docket.visits.find((one) => one.id === id);
  const what = known ? `Visit ${known.number}` : 'This visit';
  const why = whyNotMove(VISIT_MOVES, VISIT_STATES, what, known?.state ?? 'none', to, by);
  if (why !== undefined) return why;
  if (to === 'done' || to === 'partial') return 'A visit is done once its decision is signed.';
  const other = docket.visits.find((one) => one.id !== id && (isUnderWay(one) || one.state === 'scheduled'));
  if (!known && other) return `Visit ${other.number} is ${VISIT_STATES[other.state].toLowerCase()}; one at a time.`;
  if (to === 'scheduled' && !on) return 'A visit is scheduled for a day.';
  if (to === 'scheduled' && known && said.length < SHORTEST_REASON)
    return `Say why it is scheduled anew, in at least ${SHORTEST_REASON} characters.`;
  if (docket.visits.length >= MOST) return `An inspection has at most ${MOST} visits.`;
  const now: Visit = {
    id,
    number: known?.number ?? docket.visits.length + 1,
    state: to,
    day: on ?? known?.day ?? at.slice(0, 10),
    inspector: inspector ?? known?.inspector ?? by.name,
    steps: [...(known?.steps ?? []), { to, at, by: by.name, words: said }],
  };
  return { ...docket, visits: replaced(docket.visits, now) };
}

function withNotTakenUp(
  docket: Docket,
  { finding, reason, at }: DocketChange & { type: 'not-taken-up' },
  by: Person,
  seen: Seen,
): Outcome {
  const others = docket.notTakenUp.filter((one) => !sameFinding(one, finding));
  if (!inspects(by.role)) return 'Only an inspector can say that a finding is not taken up.';
  if (reason === '') return { ...docket, notTakenUp: others };
  if (reason.length < SHORTEST_REASON)
    return `Give the reason in at least ${SHORTEST_REASON} characters; it will be read years from now.`;
  if (seen.isHazard(finding) && by.role !== 'lead')
    return 'This finding is a hazard; the lead alone can say that it is none.';
  return { ...docket, notTakenUp: [...others, { ...finding, reason, at, by: by.name }] };
}

/** A docket after a change by somebody, or a sentence why it cannot be. Device and office run the same. */
export function withDocketChange(docket: Docket, change: DocketChange, by: Person, seen: Seen): Docket | string {
  if ('to' in change && NEEDS_WORDS.includes(change.to) && change.words === '')
    return change.to === 'under-way'
      ? 'Say who let you in.'
      : change.to === 'remote'
        ? 'Say who holds the camera.'
        : 'Say it in words; it stays with the inspection.';
  if (isFollowUp(change)) return withFollowUp(docket, change, by, seen.issued, docket.violations.map(({ id }) => id)); // prettier-ignore
  switch (change.type) {
    case 'turn': {
      const visit = docket.visits.find(({ id }) => id === change.visit);
      if (!inspects(by.role)) return 'Only an inspector orders the visits of a day.';
      if (visit?.state !== 'scheduled') return 'That visit is not ahead any more.';
      return { ...docket, visits: replaced(docket.visits, { ...visit, turn: change.turn }) };
    }
    case 'violation':
      return withViolation(docket, change, by, seen);
    case 'order':
      return withOrder(docket, change, by);
    case 'condition':
      return withCondition(docket, change, by);
    case 'visit':
      return withVisit(docket, change, by);
    case 'not-taken-up':
      return withNotTakenUp(docket, change, by, seen);
  }
}

/** Whole sentences one after the other, as many as there is room for; what is left out is said. */
function together(sentences: readonly string[], most: number): string {
  const told: string[] = [];
  for (const [i, one] of sentences.entries()) {
    const left = sentences.length - i;
    const rest = left > 1 ? ` And ${left - 1} more, on the list of violations.` : '';
    if ([...told, one].join(' ').length + rest.length > most)
      return `${told.join(' ')} And ${left} more, on the list of violations.`.trim().slice(0, most);
    told.push(one);
  }
  return told.join(' ');
}

/** What an order says before anybody has written it: every open hazard with its remedy; where there is none, the first violation. */
export function orderGround(violations: readonly Violation[]): { readonly ground: string; readonly mayDo: string } {
  const open = violations.filter(isOpen);
  const hazards = open.filter(({ severity }) => severity === 'hazard');
  const grave = hazards.length > 0 ? hazards : open.slice(0, 1);
  const numbered = (text: (one: Violation) => string) =>
    grave.flatMap((one) => (text(one) === '' ? [] : [grave.length > 1 ? `${one.number}: ${text(one)}` : text(one)]));
  return {
    ground: together(
      numbered(({ words }) => words),
      1000,
    ),
    mayDo: together(
      numbered(({ remedy }) => remedy),
      500,
    ),
  };
}
