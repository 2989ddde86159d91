import { mixed, object, type InferType } from 'yup';
import { changeShape } from '../shapes';
import { SHORTEST_REASON, stateIn, words, type Step } from '../steps';
import { kind, reason, type At } from './kind';

export const HOLD_STATES = { held: 'Held', released: 'Released' } as const;
type HoldState = keyof typeof HOLD_STATES;

/** Whether anything of a house may be destroyed: not while it is held, for a court or an appeal. */
export interface Hold {
  readonly on: boolean;
  readonly steps: readonly Step<HoldState>[];
}
export interface Holds {
  readonly hold?: Hold;
}
type Held = Hold & { readonly state: HoldState };

/** A hold with its state; undefined where the record was never held. */
export const holdOf = ({ hold: known }: Holds): Held | undefined =>
  known && { ...known, state: known.on ? 'held' : 'released' };

const schema = object({
  ...changeShape,
  type: mixed<'hold'>().required(),
  to: stateIn(HOLD_STATES),
  words,
}).noUnknown();

const why = (says: string) =>
  reason<At<Holds, Held, InferType<typeof schema>>>(says, `Say why, in at least ${SHORTEST_REASON} characters.`);

export const hold = kind<Holds, Held, InferType<typeof schema>>({
  type: 'hold',
  elsewhere: 'that the record is held',
  title: 'Holds',
  schema,
  states: HOLD_STATES,
  find: holdOf,
  name: () => 'The record',
  moves: [
    {
      from: ['none', 'released', 'held'],
      to: 'held',
      may: 'settle',
      needs: [why('for whom, and why')],
      offered: { label: 'Hold it', asks: 'For whom, and why' },
    },
    {
      from: ['held', 'none', 'released'],
      to: 'released',
      may: 'settle',
      needs: [why('why it is released')],
      offered: { label: 'Release it', asks: 'Why it is released' },
    },
  ],
  put: ({ known, change }, step) => ({ hold: { on: change.to === 'held', steps: [...(known?.steps ?? []), step] } }),
});
