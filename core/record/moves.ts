import { ROLES, type Person, type Role } from '../people';

/** One line of a table of what may happen: from which states to which, by whom, and what it needs, in words. */
export interface Move<S extends string> {
  readonly from: readonly (S | 'none')[];
  readonly to: S;
  readonly who: readonly Role[];
  readonly needs: string;
}

const INSPECTORS = ['inspector', 'lead'] as const;
const OUTSIDE = ['contractor', 'firm-lead'] as const;
const LEAD = ['lead'] as const;

export const VIOLATION_STATES = {
  open: 'Open',
  claimed: 'Said to be corrected',
  verified: 'Corrected, seen',
  varied: 'Varied',
  withdrawn: 'Withdrawn',
  removed: 'Taken away',
} as const;
export type ViolationState = keyof typeof VIOLATION_STATES;

export const VIOLATION_MOVES: readonly Move<ViolationState>[] = [
  {
    from: ['none'],
    to: 'open',
    who: INSPECTORS,
    needs: 'what is wrong and what would correct it, and the findings it answers, or none for the inspector’s own',
  },
  {
    from: ['open'],
    to: 'open',
    who: INSPECTORS,
    needs: 'another day with a reason, or more findings of the same cause',
  },
  {
    from: ['open'],
    to: 'claimed',
    who: [...OUTSIDE, ...INSPECTORS],
    needs: 'words: what was done; the day keeps running',
  },
  {
    from: ['open', 'claimed'],
    to: 'verified',
    who: INSPECTORS,
    needs:
      'a fact or a photo of one’s own since it was opened, no such finding any more, and what the correction touches proved again; from the desk or by live picture only what a photo shows: labels, directory, closures',
  },
  { from: ['claimed'], to: 'open', who: INSPECTORS, needs: 'why; attempts are counted' },
  {
    from: ['open', 'claimed'],
    to: 'varied',
    who: LEAD,
    needs: 'authority, section, extent and end; never a fed outlet',
  },
  { from: ['open', 'claimed'], to: 'withdrawn', who: INSPECTORS, needs: 'a reason; a hazard by the lead only' },
  {
    from: ['open', 'claimed'],
    to: 'removed',
    who: INSPECTORS,
    needs: 'that the part is gone, and was seen disconnected',
  },
  {
    from: ['verified', 'varied', 'withdrawn', 'removed'],
    to: 'open',
    who: INSPECTORS,
    needs: 'a wrong touch, taken back before anything is signed; after that it is a new violation',
  },
];

export const ORDER_STATES = {
  posted: 'In force',
  limited: 'In force, corrective work allowed',
  lifted: 'Lifted',
} as const;
export type OrderState = keyof typeof ORDER_STATES;

export const ORDER_MOVES: readonly Move<OrderState>[] = [
  {
    from: ['none'],
    to: 'posted',
    who: INSPECTORS,
    needs: 'a signed decision with its ground, what it covers, what may still be done, and who was told',
  },
  { from: ['posted'], to: 'limited', who: INSPECTORS, needs: 'corrective work only: by whom, and until when' },
  {
    from: ['posted', 'limited'],
    to: 'lifted',
    who: LEAD,
    needs: 'a reason, every violation that it rests on settled, and a permit that holds',
  },
];

export const VISIT_STATES = {
  scheduled: 'Scheduled',
  'under-way': 'Under way',
  remote: 'Under way by live picture',
  done: 'Done',
  partial: 'Done in part',
  'nobody-there': 'Nobody there',
  'not-ready': 'Not ready',
  'entry-refused': 'Entry refused',
  cancelled: 'Cancelled',
} as const;
export type VisitState = keyof typeof VISIT_STATES;

export const VISIT_MOVES: readonly Move<VisitState>[] = [
  {
    from: ['none', 'scheduled'],
    to: 'scheduled',
    who: INSPECTORS,
    needs: 'a day and an inspector; scheduled anew, a reason',
  },
  { from: ['scheduled'], to: 'cancelled', who: INSPECTORS, needs: 'a reason; orders stay' },
  { from: ['none', 'scheduled'], to: 'under-way', who: INSPECTORS, needs: 'who let them in' },
  {
    from: ['none', 'scheduled'],
    to: 'remote',
    who: INSPECTORS,
    needs: 'who holds the camera, the address and the parts shown first; not for hazards or measurements',
  },
  { from: ['under-way', 'remote'], to: 'done', who: INSPECTORS, needs: 'a signed decision' },
  {
    from: ['under-way', 'remote'],
    to: 'partial',
    who: INSPECTORS,
    needs: 'a signed decision for some stations, and why not the others',
  },
  { from: ['none', 'scheduled', 'under-way', 'remote'], to: 'nobody-there', who: INSPECTORS, needs: 'what was tried' },
  { from: ['none', 'scheduled', 'under-way', 'remote'], to: 'not-ready', who: INSPECTORS, needs: 'what is not ready' },
  {
    from: ['none', 'scheduled', 'under-way', 'remote'],
    to: 'entry-refused',
    who: INSPECTORS,
    needs: 'who refused; leave, tell the lead, record no facts',
  },
];

export const CONDITION_STATES = { due: 'To be met', met: 'Met' } as const;
export type ConditionState = keyof typeof CONDITION_STATES;

export const CONDITION_MOVES: readonly Move<ConditionState>[] = [
  { from: ['none'], to: 'due', who: INSPECTORS, needs: 'a signed approval with what is to be met, and a day' },
  {
    from: ['due'],
    to: 'met',
    who: INSPECTORS,
    needs: 'what was seen; past its day it is flagged, and revokes nothing',
  },
];

export const PAPER_STATES = {
  issued: 'Issued',
  superseded: 'Superseded',
  void: 'Void',
  suspended: 'Suspended',
  revoked: 'Revoked',
} as const;
export type PaperState = keyof typeof PAPER_STATES;

export const PAPER_MOVES: readonly Move<PaperState>[] = [
  {
    from: ['issued'],
    to: 'superseded',
    who: LEAD,
    needs: 'a reason, and what takes its place; its number is never used again',
  },
  { from: ['issued', 'suspended'], to: 'void', who: LEAD, needs: 'a reason; its number is never used again' },
  {
    from: ['issued'],
    to: 'suspended',
    who: LEAD,
    needs: 'of a certificate: ground, who was given notice, and how to appeal',
  },
  {
    from: ['issued', 'suspended'],
    to: 'revoked',
    who: LEAD,
    needs: 'of a certificate: ground, who was given notice, and how to appeal',
  },
  { from: ['suspended'], to: 'issued', who: LEAD, needs: 'why it holds again' },
];

export const APPEAL_STATES = { filed: 'Filed', upheld: 'Upheld', modified: 'Modified', reversed: 'Reversed' } as const;
export type AppealState = keyof typeof APPEAL_STATES;

export const APPEAL_MOVES: readonly Move<AppealState>[] = [
  {
    from: ['none'],
    to: 'filed',
    who: [...OUTSIDE, ...INSPECTORS],
    needs: 'what is appealed, and on what ground; orders stand meanwhile',
  },
  { from: ['filed'], to: 'upheld', who: LEAD, needs: 'who decided on it, and why: what was appealed stands' },
  { from: ['filed'], to: 'modified', who: LEAD, needs: 'who decided on it, and what holds now' },
  { from: ['filed'], to: 'reversed', who: LEAD, needs: 'who decided on it, and what is to be withdrawn' },
];

export const PERMIT_STATES = { there: 'There', missing: 'Missing', renewed: 'Renewed' } as const;
export type PermitState = keyof typeof PERMIT_STATES;

export const PERMIT_MOVES: readonly Move<PermitState>[] = [
  {
    from: ['none', 'there', 'renewed', 'missing'],
    to: 'there',
    who: INSPECTORS,
    needs: 'until when it holds, where that is known',
  },
  {
    from: ['none', 'there', 'renewed'],
    to: 'missing',
    who: INSPECTORS,
    needs: 'how it came to light; no approval until there is one',
  },
  { from: ['there', 'renewed', 'missing'], to: 'renewed', who: INSPECTORS, needs: 'until when it holds now' },
];

const listed = (roles: readonly Role[]) => roles.map((one) => ROLES[one].split(':')[0]!.toLowerCase()).join(' or ');

/** Why somebody may not make a move, in a sentence; undefined where they may. `what` names it: "violation 2". */
export function whyNotMove<S extends string>(
  moves: readonly Move<S>[],
  words: Readonly<Record<S, string>>,
  what: string,
  from: S | 'none',
  to: S,
  by: Person,
): string | undefined {
  const known = moves.filter((one) => one.to === to && one.from.includes(from));
  if (known.length === 0)
    return `${what} is ${from === 'none' ? 'not there' : words[from].toLowerCase()}; it cannot become “${words[to].toLowerCase()}”.`;
  if (!known.some((one) => one.who.includes(by.role)))
    return `${what}: only ${listed(known.flatMap((one) => one.who))} can set it to “${words[to].toLowerCase()}”.`;
  return undefined;
}
