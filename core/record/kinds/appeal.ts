import { mixed, object, type InferType } from 'yup';
import { changeShape, oneLine, uuid } from '../shapes';
import { SHORTEST_REASON, replaced, stateIn, words, type Step } from '../steps';
import { kind, reason, told, type At } from './kind';
import type { SeenOfDecisions } from './paper';
import type { Violations } from './violation';

export const APPEAL_STATES = { filed: 'Filed', upheld: 'Upheld', modified: 'Modified', reversed: 'Reversed' } as const;
type AppealState = keyof typeof APPEAL_STATES;

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
export interface Appeals {
  readonly appeals?: readonly Appeal[];
}

export const openAppeals = ({ appeals = [] }: Appeals): readonly Appeal[] =>
  appeals.filter(({ state }) => state === 'filed');

const MOST = 100;

const schema = object({
  ...changeShape,
  type: mixed<'appeal'>().required(),
  appeal: uuid('The id of the appeal'),
  to: stateIn(APPEAL_STATES),
  words,
  /** Of a new one. */
  against: uuid('What the appeal is against').default(undefined).optional(),
  filedBy: oneLine('Who appeals', 200).optional(),
}).noUnknown();

type House = Appeals & SeenOfDecisions & Violations;
type Here = At<House, Appeal, InferType<typeof schema>>;

const DECIDED = { asks: 'Who decided on it, and what follows' };
const decided = (says: string) => reason<Here>(says, `Say why, in at least ${SHORTEST_REASON} characters.`);

export const appeal = kind<House, Appeal, InferType<typeof schema>>({
  type: 'appeal',
  elsewhere: 'an appeal',
  title: 'Appeals',
  schema,
  states: APPEAL_STATES,
  outside: true,
  find: ({ appeals }, { appeal: id }) => appeals?.find((one) => one.id === id),
  name: () => 'The appeal',
  moves: [
    {
      from: ['none'],
      to: 'filed',
      may: 'answer',
      needs: [
        reason<Here>(
          'what is appealed, and on what ground',
          `Say what is appealed, and on what ground, in at least ${SHORTEST_REASON} characters.`,
        ),
        told('orders stand meanwhile'),
        { says: 'who appeals', whyNot: ({ change }) => (change?.filedBy === '' ? 'Say who appeals.' : undefined) },
        {
          says: '',
          whyNot({ house, change }) {
            const known = [...house.issued, ...house.violations].some(({ id }) => id === change?.against);
            return change && !known ? 'An appeal is against a decision or a violation of this house.' : undefined;
          },
        },
        {
          says: '',
          whyNot: ({ house }) =>
            (house.appeals?.length ?? 0) >= MOST ? `A house has at most ${MOST} appeals.` : undefined,
        },
      ],
      offered: {
        label: 'File an appeal',
        asks: [
          { name: 'against', label: 'Against', choices: {} },
          { name: 'filedBy', label: 'Who appeals' },
          { name: 'words', label: 'On what ground', lines: true },
        ],
        act: 'File it',
      },
    },
    {
      from: ['filed'],
      to: 'upheld',
      may: 'settle',
      needs: [decided('who decided on it, and why'), told('what was appealed stands')],
      offered: { label: 'Upheld', ...DECIDED },
    },
    {
      from: ['filed'],
      to: 'modified',
      may: 'settle',
      needs: [decided('who decided on it, and what holds now')],
      offered: { label: 'Modified', ...DECIDED },
    },
    {
      from: ['filed'],
      to: 'reversed',
      may: 'settle',
      needs: [decided('who decided on it, and what is to be withdrawn')],
      offered: { label: 'Reversed', ...DECIDED },
    },
  ],
  put({ house, known, person, change }, step) {
    const against = known?.against ?? change.against!;
    const filedBy = known?.filedBy ?? (change.filedBy || person.name);
    const steps = [...(known?.steps ?? []), step];
    return { appeals: replaced(house.appeals ?? [], { id: change.appeal, against, filedBy, state: step.to, steps }) };
  },
});
