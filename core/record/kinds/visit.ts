import { mixed, object, type InferType } from 'yup';
import { changeShape, day, dayAtHouse, oneLine, uuid } from '../shapes';
import { SHORTEST_REASON, replaced, stateIn, words, type Step } from '../steps';
import { kind, said, told, type Asked, type At, type Need } from './kind';

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
export interface Visits {
  readonly visits: readonly Visit[];
}

const isUnderWay = ({ state }: Visit) => state === 'under-way' || state === 'remote';
export const visitUnderWay = ({ visits }: Visits): Visit | undefined => visits.findLast(isUnderWay);
export const visitAhead = ({ visits }: Visits): Visit | undefined =>
  visits.findLast(({ state }) => state === 'scheduled');

const MOST = 200;

const schema = object({
  ...changeShape,
  type: mixed<'visit'>().required(),
  visit: uuid('The id of the visit'),
  to: stateIn(VISIT_STATES),
  words,
  day: day('The day of the visit').nullable().default(undefined).optional(),
  inspector: oneLine('The inspector', 200).optional(),
}).noUnknown();

type Change = InferType<typeof schema>;
type Here = At<Visits, Visit, Change>;

const ONE_AT_A_TIME: Need<Here> = {
  says: '',
  whyNot({ house, known, change }) {
    const other = house.visits.find(
      (one) => one.id !== change?.visit && (isUnderWay(one) || one.state === 'scheduled'),
    );
    return !known && other
      ? `Visit ${other.number} is ${VISIT_STATES[other.state].toLowerCase()}; one at a time.`
      : undefined;
  },
};
const ROOM: Need<Here> = {
  says: '',
  whyNot: ({ house }) => (house.visits.length >= MOST ? `An inspection has at most ${MOST} visits.` : undefined),
};
const DAY: Need<Here> = {
  says: 'a day and an inspector; scheduled anew, a reason',
  whyNot({ known, change }) {
    if (change && !change.day) return 'A visit is scheduled for a day.';
    return change && known && change.words.length < SHORTEST_REASON
      ? `Say why it is scheduled anew, in at least ${SHORTEST_REASON} characters.`
      : undefined;
  },
};
const SIGNED = (says: string): Need<Here> => ({
  says,
  whyNot: () => 'A visit is done once its decision is signed.',
});
/** Whom the office sends; its people are known to the interface. */
const WHO: Asked = { name: 'inspector', label: 'Inspector', choices: {} };
const LET_IN = ['The owner', 'The contractor', 'Somebody of the house'];
const BEFORE_DONE = ['none', 'scheduled', 'under-way', 'remote'] as const;

export const visit = kind<Visits, Visit, Change>({
  type: 'visit',
  elsewhere: 'a visit',
  title: 'Visits',
  schema,
  states: VISIT_STATES,
  find: ({ visits }, { visit: id }) => visits.find((one) => one.id === id),
  name: (known) => (known ? `Visit ${known.number}` : 'This visit'),
  needs: [ONE_AT_A_TIME, ROOM],
  moves: [
    {
      from: ['none', 'scheduled'],
      to: 'under-way',
      may: 'inspect',
      needs: [said('who let them in', 'Say who let you in.')],
      offered: { label: 'Begin the visit', asks: 'Who let you in', offers: LET_IN },
    },
    {
      from: BEFORE_DONE,
      to: 'nobody-there',
      may: 'inspect',
      needs: [said('what was tried')],
      offered: { label: 'Nobody there', asks: 'What was tried', offers: ['Rang and knocked', 'Rang, and called'] },
    },
    {
      from: BEFORE_DONE,
      to: 'not-ready',
      may: 'inspect',
      needs: [said('what is not ready')],
      offered: { label: 'Not ready', asks: 'What is not ready', offers: ['The work is not done'] },
    },
    {
      from: BEFORE_DONE,
      to: 'entry-refused',
      may: 'inspect',
      needs: [said('who refused'), told('leave, tell the lead, record no facts')],
      offered: { label: 'Entry refused', asks: 'Who refused', offers: ['The owner', 'Somebody at the door'] },
    },
    {
      from: ['none', 'scheduled'],
      to: 'remote',
      may: 'inspect',
      needs: [
        said('who holds the camera', 'Say who holds the camera.'),
        told('the address and the parts shown first; not for hazards or measurements'),
      ],
      offered: {
        label: 'By live picture',
        asks: 'Who holds the camera',
        act: 'Begin by live picture',
        offers: LET_IN,
      },
    },
    {
      from: ['none'],
      to: 'scheduled',
      may: 'inspect',
      needs: [DAY],
      offered: {
        label: 'Schedule a visit',
        asks: [{ name: 'day', label: 'Day', days: [1, 2, 7] }, WHO],
        act: 'Schedule it',
      },
    },
    {
      from: ['scheduled'],
      to: 'scheduled',
      may: 'inspect',
      needs: [DAY],
      offered: {
        label: 'Another day or inspector',
        asks: [{ name: 'day', label: 'Day', days: [1, 2, 7] }, WHO, { name: 'words', label: 'Why anew' }],
        act: 'Schedule it',
      },
    },
    { from: ['scheduled'], to: 'cancelled', may: 'inspect', needs: [said('a reason; orders stay')] },
    { from: ['under-way', 'remote'], to: 'done', may: 'inspect', needs: [SIGNED('a signed decision')] },
    {
      from: ['under-way', 'remote'],
      to: 'partial',
      may: 'inspect',
      needs: [SIGNED('a signed decision for some stations, and why not the others')],
    },
  ],
  put({ house, known, person, change }, step) {
    const now: Visit = {
      id: change.visit,
      number: known?.number ?? house.visits.length + 1,
      state: step.to,
      day: change.day ?? known?.day ?? dayAtHouse(step.at),
      inspector: change.inspector ?? known?.inspector ?? person.name,
      steps: [...(known?.steps ?? []), step],
    };
    return { visits: replaced(house.visits, now) };
  },
});
