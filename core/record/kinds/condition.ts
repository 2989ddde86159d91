import { mixed, object, string, type InferType } from 'yup';
import { changeShape, day, line, uuid } from '../shapes';
import { replaced, stateIn, words, type Step } from '../steps';
import { kind, said, told } from './kind';

export const CONDITION_STATES = { due: 'To be met', met: 'Met' } as const;
export type ConditionState = keyof typeof CONDITION_STATES;

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
export interface Conditions {
  readonly conditions: readonly Condition[];
}

const schema = object({
  ...changeShape,
  type: mixed<'condition'>().required(),
  condition: uuid('The id of the condition'),
  to: stateIn(CONDITION_STATES),
  words,
}).noUnknown();

export const condition = kind<Conditions, Condition, InferType<typeof schema>>({
  type: 'condition',
  elsewhere: 'a condition',
  title: 'Conditions',
  schema,
  states: CONDITION_STATES,
  find: ({ conditions }, { condition: id }) => conditions.find((one) => one.id === id),
  name: () => 'The condition',
  missing: 'There is no such condition.',
  moves: [
    {
      from: ['none'],
      to: 'due',
      may: 'inspect',
      needs: [told('a signed approval with what is to be met, and a day')],
    },
    {
      from: ['due'],
      to: 'met',
      may: 'inspect',
      needs: [said('what was seen'), told('past its day it is flagged, and revokes nothing')],
      offered: { label: 'Met', asks: 'What was seen', act: 'It is met' },
    },
  ],
  put: ({ house, known }, step) => ({
    conditions: replaced(house.conditions, { ...known!, state: step.to, steps: [...known!.steps, step] }),
  }),
});
