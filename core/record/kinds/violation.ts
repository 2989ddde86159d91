import { array, mixed, object, string, type InferType } from 'yup';
import { STATIONS, type Station } from '../../case';
import { may } from '../../people';
import { changeShape, day, line, uuid } from '../shapes';
import { SHORTEST_REASON, replaced, stateIn, words, type Step } from '../steps';
import type { Condition, Conditions } from './condition';
import { kind, said, type At, type Need } from './kind';

export const VIOLATION_STATES = {
  open: 'Open',
  claimed: 'Said to be corrected',
  verified: 'Corrected, seen',
  varied: 'Varied',
  withdrawn: 'Withdrawn',
  removed: 'Taken away',
} as const;
export type ViolationState = keyof typeof VIOLATION_STATES;

/** A finding of the engine: a rule, and the cord, stretch or circuit that it is about, by its own id. */
export const findingSchema = object({
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

/** What must be corrected: it lives from the day on which it is cited until somebody has settled it. */
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

/** A finding that was dismissed: the engine is wrong here, and a person says why. */
export interface NotTakenUp extends FindingRef {
  readonly reason: string;
  readonly at: string;
  readonly by: string;
}

export interface Violations {
  readonly violations: readonly Violation[];
  readonly notTakenUp: readonly NotTakenUp[];
}

/** What violations cannot know by themselves: what the engine still finds, and what was signed. */
export interface SeenOfFindings {
  /** Why a violation is not to be called corrected; undefined where it may. */
  readonly whyNotVerified: (violation: Violation) => string | undefined;
  /** Whether a finding is a hazard. */
  readonly isHazard: (finding: FindingRef) => boolean;
  /** When a decision was signed last; undefined where none was. */
  readonly decidedAt: string | undefined;
}

/** Whether a violation waits for somebody. */
export const isOpen = ({ state }: Violation): boolean => state === 'open' || state === 'claimed';
/** When a violation was opened last, joined to others or given another day apart: what proves its correction is younger. */
export const openedAt = ({ steps }: Violation): string =>
  steps.findLast(({ to }, i) => to === 'open' && [undefined, 'claimed'].includes(steps[i - 1]?.to))!.at;
/** How often its correction was looked at in vain. */
export const attempts = ({ steps }: Violation): number =>
  steps.filter(({ to }, i) => to === 'open' && steps[i - 1]?.to === 'claimed').length;

const MOST = 200;
export const MOST_CITES = 20;

const schema = object({
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
  /** Of a new one; with findings that are joined to one that is known, what is wrong by them. */
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
}).noUnknown();

type House = Violations & Conditions & SeenOfFindings;
type Change = InferType<typeof schema>;
type Here = At<House, Violation, Change>;

/** What belongs to one move, and was sent with another. */
const NOTHING_STRAY: Need<Here> = {
  says: '',
  whyNot({ what, known, change }) {
    if (!change) return undefined;
    const { to, dueOn, variance, findings = [], is } = change;
    const stray = [
      dueOn !== undefined && to !== 'open' && 'a day is given to one that is open, and to no other.',
      variance !== undefined && to !== 'varied' && 'a variance goes with one that is varied, and with no other.',
      findings.length > 0 && to !== 'open' && 'findings are joined to one that is open, and to no other.',
      is !== undefined &&
        known &&
        findings.length === 0 &&
        'what is wrong is said when it is made, or with a finding that is joined to it, and stays.',
    ].find(Boolean);
    return stray ? `${what}: ${stray}` : undefined;
  },
};
const NOT_TAKEN: Need<Here> = {
  says: '',
  whyNot({ house, known, change }) {
    const { findings = [] } = change ?? {};
    const taken = house.violations.find(
      (one) => one !== known && isOpen(one) && one.findings.some((has) => findings.some((it) => sameFinding(has, it))),
    );
    return taken && `That finding stands in violation ${taken.number} already.`;
  },
};
const SAYS_WHAT: Need<Here> = {
  says: 'what is wrong and what would correct it, and the findings it answers, or none for the inspector’s own',
  whyNot({ house, change }) {
    if (change && !change.is) return 'A new violation says what is wrong.';
    return house.violations.length >= MOST ? `An inspection has at most ${MOST} violations.` : undefined;
  },
};
const DAY_OR_FINDINGS: Need<Here> = {
  says: 'another day with a reason, or more findings of the same cause',
  whyNot: ({ what, change }) =>
    change && (change.findings ?? []).length === 0 && change.words.length < SHORTEST_REASON
      ? `${what}: give the reason for another day in at least ${SHORTEST_REASON} characters.`
      : undefined,
};
const WHY_NOT_CORRECTED: Need<Here> = {
  says: 'why; attempts are counted',
  whyNot: ({ what, change }) => (change?.words === '' ? `${what}: say why it is not corrected.` : undefined),
};
const BEFORE_SIGNED: Need<Here> = {
  says: 'a wrong touch, taken back before anything is signed; after that it is a new violation',
  whyNot: ({ house, what, known }) =>
    known && (house.decidedAt ?? '') > known.steps.at(-1)!.at
      ? `${what} was settled before the last decision was signed; what is wrong now is a new violation.`
      : undefined,
};
const VERIFIED: Need<Here> = {
  says: 'a fact or a photo of one’s own since it was opened, no such finding any more, and what the correction touches proved again; from the desk or by live picture only what a photo shows: labels, directory, closures',
  whyNot({ house, what, known }) {
    const not = known && house.whyNotVerified(known);
    return not === undefined ? undefined : `${what} cannot be called corrected: ${not}`;
  },
};
const HAZARD_BY_LEAD: Need<Here> = {
  says: 'a hazard by the lead only',
  whyNot: ({ what, known, person }) =>
    known?.severity === 'hazard' && !may(person.role, 'settle')
      ? `${what} is a hazard; the lead alone can withdraw it.`
      : undefined,
};
const NO_FED_OUTLET: Need<Here> = {
  says: 'never a fed outlet',
  whyNot: ({ what, known }) =>
    known?.findings.some(({ rule }) => rule === 'transfer/no-outlet-backfeed')
      ? `${what}: a fed outlet is never varied.`
      : undefined,
};
const VARIANCE: Need<Here> = {
  says: 'authority, section, extent and end',
  whyNot: ({ what, change }) =>
    change && !change.variance ? `${what}: name authority, section, extent and end of the variance.` : undefined,
};

/** A violation with what is wrong by findings of the same cause: every sentence and every section of them stays. */
function joined(known: Violation, is: NonNullable<Change['is']>): Partial<Violation> {
  const both = (one: string, other: string) => (one.includes(other) ? one : `${one} ${other}`.trim());
  return {
    words: both(known.words, is.words),
    remedy: both(known.remedy, is.remedy),
    cites: [...new Set([...known.cites, ...is.cites])].slice(0, MOST_CITES),
    severity: is.severity === 'hazard' ? 'hazard' : known.severity,
  };
}

export const violation = kind<House, Violation, Change>({
  type: 'violation',
  elsewhere: 'a violation',
  title: 'Violations',
  schema,
  states: VIOLATION_STATES,
  outside: true,
  find: ({ violations }, { violation: id }) => violations.find((one) => one.id === id),
  name: (known) => (known ? `Violation ${known.number}` : 'This violation'),
  needs: [NOTHING_STRAY, NOT_TAKEN],
  moves: [
    { from: ['none'], to: 'open', may: 'inspect', needs: [SAYS_WHAT] },
    {
      from: ['open', 'claimed'],
      to: 'verified',
      may: 'inspect',
      needs: [VERIFIED],
      offered: { label: 'Corrected, seen' },
    },
    {
      from: ['claimed'],
      to: 'open',
      may: 'inspect',
      needs: [WHY_NOT_CORRECTED],
      offered: {
        label: 'Not corrected',
        asks: 'What is not corrected',
        offers: ['Nothing was done', 'Done in part', 'Done wrong'],
      },
    },
    {
      from: ['open'],
      to: 'claimed',
      may: 'answer',
      needs: [said('words: what was done; the day keeps running')],
      offered: {
        label: 'Said to be corrected',
        outside: 'It is corrected',
        asks: 'What was done',
        act: 'Say that it is corrected',
      },
    },
    {
      from: ['open'],
      to: 'open',
      may: 'inspect',
      needs: [DAY_OR_FINDINGS],
      offered: {
        label: 'Another day',
        asks: [
          { name: 'dueOn', label: 'To be corrected by', days: [7, 14, 30] },
          { name: 'words', label: 'Why another day' },
        ],
        act: 'Set it',
      },
    },
    {
      from: ['open', 'claimed'],
      to: 'varied',
      may: 'settle',
      needs: [said(''), NO_FED_OUTLET, VARIANCE],
      offered: {
        label: 'Vary',
        asks: [
          { name: 'variance.authority', label: 'Which authority varies it' },
          { name: 'variance.section', label: 'Which section' },
          { name: 'variance.extent', label: 'How far, and on what conditions', lines: true },
          { name: 'words', label: 'By which document' },
          { name: 'variance.until', label: 'Until', days: [90, 365] },
        ],
        act: 'Vary it',
      },
    },
    {
      from: ['open', 'claimed'],
      to: 'withdrawn',
      may: 'inspect',
      needs: [said('a reason'), HAZARD_BY_LEAD],
      offered: { label: 'Withdraw', asks: 'Why it is withdrawn', act: 'Withdraw it' },
    },
    {
      from: ['open', 'claimed'],
      to: 'removed',
      may: 'inspect',
      needs: [said('that the part is gone, and was seen disconnected')],
      offered: {
        label: 'Taken away',
        asks: 'What is gone, and how it was seen disconnected',
        act: 'It is taken away',
      },
    },
    {
      from: ['verified', 'varied', 'withdrawn', 'removed'],
      to: 'open',
      may: 'inspect',
      needs: [BEFORE_SIGNED],
      offered: {
        label: 'Open again',
        asks: 'Why it is open again',
        act: 'Open it again',
        offers: ['A wrong touch'],
      },
    },
  ],
  put({ house, known, change }, step) {
    const { violation: id, findings = [], is, dueOn, variance } = change;
    // What the engine calls a hazard is one, whatever the device says.
    const grave = findings.some(house.isHazard) && { severity: 'hazard' as const };
    if (!known) {
      const number = house.violations.length + 1;
      const made = { id, number, findings, ...is!, ...grave, dueOn: dueOn ?? null, state: step.to, steps: [step] };
      return {
        violations: [...house.violations, made],
        notTakenUp: house.notTakenUp.filter((one) => !findings.some((each) => sameFinding(each, one))),
      };
    }
    const now: Violation = {
      ...known,
      ...(is && joined(known, is)),
      ...grave,
      findings: [...known.findings, ...findings],
      state: step.to,
      steps: [...known.steps, step],
      ...(dueOn !== undefined && { dueOn }),
      ...(variance && { variance }),
    };
    return {
      violations: replaced(house.violations, now),
      conditions: house.conditions.map((one) => (one.of === id ? followed(one, now, step) : one)),
    };
  },
});

/** A condition that a violation was made: met once that is corrected, and due again where that was a wrong touch. */
function followed(one: Condition, { number, state }: Violation, { at, by }: Step<ViolationState>): Condition {
  const to = state === 'verified' || state === 'removed' ? 'met' : 'due';
  const words = `Violation ${number}: ${VIOLATION_STATES[state].toLowerCase()}.`;
  return to === one.state ? one : { ...one, state: to, steps: [...one.steps, { to, at, by, words }] };
}
