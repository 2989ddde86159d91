import { mixed, object, type InferType } from 'yup';
import {
  APPEAL_MOVES,
  APPEAL_STATES,
  PAPER_MOVES,
  PAPER_STATES,
  PERMIT_MOVES,
  PERMIT_STATES,
  whyNotMove,
  type AppealState,
  type PaperState,
  type PermitState,
} from './moves';
import { inspects, type Person } from '../people';
import { changeShape, day, line, uuid, oneLine } from './shapes';
import { SHORTEST_REASON, replaced, stateIn, words, type Step } from './steps';

/** What became of a decision after it was issued, where anything did. */
export interface PaperStanding {
  /** That of the decision. */
  readonly id: string;
  readonly state: PaperState;
  readonly steps: readonly Step<PaperState>[];
}

/** Somebody disagrees with a decision, an order or a violation. */
export interface Appeal {
  readonly id: string;
  /** Id of the decision (and so of its order), or of the violation. */
  readonly against: string;
  /** Who disagrees, in what words it was filed. */
  readonly filedBy: string;
  readonly state: AppealState;
  readonly steps: readonly Step<AppealState>[];
}

/** The permit as the office knows it. */
export interface Permit {
  readonly state: PermitState;
  /** The last day on which it holds; null where nobody said. */
  readonly until: string | null;
  readonly steps: readonly Step<PermitState>[];
}

export const INSTALLER_KINDS = { contractor: 'A contractor', owner: 'The owner' } as const;
const installerShape = {
  kind: mixed<keyof typeof INSTALLER_KINDS>()
    .oneOf(Object.keys(INSTALLER_KINDS) as (keyof typeof INSTALLER_KINDS)[], 'It is a contractor or the owner.')
    .required('Say who does the work: a contractor or the owner.'),
  name: oneLine('The name', 200).required('Name who does the work.'),
  /** Of a contractor; the owner has none. */
  license: oneLine('The license', 60).defined(),
};
/** What is asked when the work goes to somebody. */
export const installerSchema = object({
  ...installerShape,
  words: line('What is handed over', 1000).required('Say what is handed over: what is done, and what is left.'),
});

/** Who does the work, from a day on: the last of them answers for what is open. */
export interface Installer extends Omit<InferType<typeof installerSchema>, 'words'> {
  readonly from: string;
  readonly by: string;
  /** What was handed over, and how it stood then. */
  readonly words: string;
}

/** What is kept for a time of its own, as the office says; decisions, papers and seals stay. */
export const KEPT = {
  photo: 'Photos of finished houses',
  owner: 'The owner’s name at finished houses',
  note: 'Who complained',
  draft: 'Decisions that were left unsealed',
  view: 'Who looked at a record',
} as const;
export type Kept = keyof typeof KEPT;

/** Whether anything of a house may be destroyed: not while it is held, for a court or an appeal. */
export interface Hold {
  readonly on: boolean;
  readonly steps: readonly Step<'held' | 'released'>[];
}

/** What follows at a house beside violations, orders and visits; each is absent where there is nothing of it. */
export interface FollowUp {
  readonly papers?: readonly PaperStanding[];
  readonly appeals?: readonly Appeal[];
  readonly permit?: Permit;
  readonly installers?: readonly Installer[];
  readonly hold?: Hold;
}

export const followUpSchemas = {
  paper: object({
    ...changeShape,
    type: mixed<'paper'>().required(),
    decision: uuid('The id of the decision'),
    to: stateIn(PAPER_STATES),
    words,
  }).noUnknown(),
  appeal: object({
    ...changeShape,
    type: mixed<'appeal'>().required(),
    appeal: uuid('The id of the appeal'),
    to: stateIn(APPEAL_STATES),
    words,
    /** Of a new one. */
    against: uuid('What the appeal is against').default(undefined).optional(),
    filedBy: oneLine('Who appeals', 200).optional(),
  }).noUnknown(),
  permit: object({
    ...changeShape,
    type: mixed<'permit'>().required(),
    to: stateIn(PERMIT_STATES),
    until: day('The day until which the permit holds').nullable().defined(),
    words,
  }).noUnknown(),
  hold: object({
    ...changeShape,
    type: mixed<'hold'>().required(),
    to: stateIn({ held: 'Held', released: 'Released' } as const),
    words,
  }).noUnknown(),
  installer: object({
    ...changeShape,
    type: mixed<'installer'>().required(),
    ...installerShape,
    words,
  }).noUnknown(),
};

export type FollowUpChange = {
  [K in keyof typeof followUpSchemas]: InferType<(typeof followUpSchemas)[K]> & { readonly type: K };
}[keyof typeof followUpSchemas];

export const isFollowUp = (change: { readonly type: string }): change is FollowUpChange =>
  Object.hasOwn(followUpSchemas, change.type);

/** How a decision stands: as it was issued, unless the lead said otherwise. A later decision takes its place without a word here. */
export const paperState = ({ papers }: FollowUp, decision: string): PaperState =>
  papers?.find(({ id }) => id === decision)?.state ?? 'issued';

/** Why there is no final approval for want of a permit, in a sentence; undefined where there may be one. */
export function whyNoPermit({ permit }: FollowUp, on: string): string | undefined {
  if (permit?.state === 'missing') return 'There is no permit for this work; it is applied for first.';
  if (permit?.until && on > permit.until) return `The permit ran out on ${permit.until}; it is renewed first.`;
  return undefined;
}

/** Who does the work now; undefined where nobody has said. */
export const installerOf = ({ installers }: FollowUp): Installer | undefined => installers?.at(-1);

export const openAppeals = ({ appeals = [] }: FollowUp): readonly Appeal[] =>
  appeals.filter(({ state }) => state === 'filed');

/** What a decision can be asked about before anything becomes of it. */
export interface Issued {
  readonly id: string;
  readonly isCertificate: boolean;
}

const CERTIFICATE_ONLY: readonly PaperState[] = ['suspended', 'revoked'];
const MOST = 100;

/** What follows at a house after a change by somebody, or a sentence why it cannot be. `known` are its decisions, `others` the ids of its violations. */
export function withFollowUp<F extends FollowUp>(
  before: F,
  change: FollowUpChange,
  by: Person,
  known: readonly Issued[],
  others: readonly string[],
): F | string {
  const { at, words: said } = change;
  if (change.type === 'installer') {
    if (!inspects(by.role)) return 'Only an inspector writes down who does the work.';
    if (change.kind === 'contractor' && change.license === '') return 'Give the license of the contractor.';
    const { kind, name, license } = change;
    const before_ = before.installers ?? [];
    if (before_.length > 0 && said.length < SHORTEST_REASON)
      return `Say what is handed over, in at least ${SHORTEST_REASON} characters: what is done, and what is left.`;
    if (before_.length >= MOST) return `The work changes hands at most ${MOST} times.`;
    return { ...before, installers: [...before_, { kind, name, license, from: at, by: by.name, words: said }] };
  }
  const step = { at, by: by.name, words: said };
  if (change.type === 'hold') {
    if (by.role !== 'lead') return 'The lead alone holds a record, and releases it.';
    if (said.length < SHORTEST_REASON) return `Say why, in at least ${SHORTEST_REASON} characters.`;
    const steps = [...(before.hold?.steps ?? []), { ...step, to: change.to }];
    return { ...before, hold: { on: change.to === 'held', steps } };
  }
  if (change.type === 'permit') {
    const from = before.permit?.state ?? 'none';
    const why = whyNotMove(PERMIT_MOVES, PERMIT_STATES, 'The permit', from, change.to, by);
    if (why !== undefined) return why;
    if (change.to === 'renewed' && change.until === null) return 'Say until when the renewed permit holds.';
    const steps = [...(before.permit?.steps ?? []), { ...step, to: change.to }];
    return { ...before, permit: { state: change.to, until: change.until, steps } };
  }
  if (change.type === 'paper') {
    const of = known.find(({ id }) => id === change.decision);
    if (!of) return 'There is no such decision.';
    const from = paperState(before, of.id);
    const why = whyNotMove(PAPER_MOVES, PAPER_STATES, of.isCertificate ? 'The certificate' : 'The decision', from, change.to, by); // prettier-ignore
    if (why !== undefined) return why;
    if (CERTIFICATE_ONLY.includes(change.to) && !of.isCertificate)
      return 'Only a certificate is suspended or revoked; a decision is superseded or void.';
    if (said.length < SHORTEST_REASON)
      return `Give the reason in at least ${SHORTEST_REASON} characters; whoever holds the paper is told it.`;
    const steps = before.papers?.find(({ id }) => id === of.id)?.steps ?? [];
    return {
      ...before,
      papers: replaced(before.papers ?? [], { id: of.id, state: change.to, steps: [...steps, { ...step, to: change.to }] }), // prettier-ignore
    };
  }
  const appeal = before.appeals?.find(({ id }) => id === change.appeal);
  const why = whyNotMove(APPEAL_MOVES, APPEAL_STATES, 'The appeal', appeal?.state ?? 'none', change.to, by);
  if (why !== undefined) return why;
  if (said.length < SHORTEST_REASON)
    return `Say ${appeal ? 'why' : 'what is appealed, and on what ground'}, in at least ${SHORTEST_REASON} characters.`;
  const against = appeal?.against ?? change.against;
  if (!appeal && !known.some(({ id }) => id === against) && !others.includes(against ?? ''))
    return 'An appeal is against a decision or a violation of this house.';
  const filedBy = appeal?.filedBy ?? (change.filedBy || by.name);
  const steps = [...(appeal?.steps ?? []), { ...step, to: change.to }];
  if (!appeal && (before.appeals?.length ?? 0) >= MOST) return `A house has at most ${MOST} appeals.`;
  return {
    ...before,
    appeals: replaced(before.appeals ?? [], { id: change.appeal, against: against!, filedBy, state: change.to, steps }),
  };
}
