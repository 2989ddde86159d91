import { mixed, object, type InferType } from 'yup';
import { changeShape, dayAtHouse, line, uuid } from '../shapes';
import { replaced, stateIn, words, type Step } from '../steps';
import { kind, said, told } from './kind';
import { whyNoPermit, type Permits } from './permit';
import { isOpen, type Violation, type Violations } from './violation';

export const ORDER_STATES = {
  posted: 'In force',
  limited: 'In force, corrective work allowed',
  lifted: 'Lifted',
} as const;
export type OrderState = keyof typeof ORDER_STATES;

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
export interface Orders {
  readonly orders: readonly Order[];
}

export const inForce = ({ orders }: Orders): readonly Order[] => orders.filter(({ state }) => state !== 'lifted');

const schema = object({
  ...changeShape,
  type: mixed<'order'>().required(),
  order: uuid('The id of the order'),
  to: stateIn(ORDER_STATES),
  words,
}).noUnknown();

export const order = kind<Orders & Violations & Permits, Order, InferType<typeof schema>>({
  type: 'order',
  elsewhere: 'an order',
  title: 'Orders',
  schema,
  states: ORDER_STATES,
  find: ({ orders }, { order: id }) => orders.find((one) => one.id === id),
  name: () => 'The order',
  missing: 'There is no such order; an order is posted by a signed decision.',
  moves: [
    {
      from: ['none'],
      to: 'posted',
      may: 'inspect',
      needs: [told('a signed decision with its ground, what it covers, what may still be done, and who was told')],
    },
    {
      from: ['posted'],
      to: 'limited',
      may: 'inspect',
      needs: [said('corrective work only: by whom, and until when')],
      offered: { label: 'Allow corrective work', asks: 'Who may correct what, until when' },
    },
    {
      from: ['posted', 'limited'],
      to: 'lifted',
      may: 'settle',
      needs: [
        said('a reason'),
        {
          says: 'every violation that it rests on settled',
          whyNot({ house, known }) {
            const open = house.violations.filter((one) => known?.violations.includes(one.id) && isOpen(one));
            return open.length > 0
              ? `The order rests on violation ${open.map(({ number }) => number).join(', ')}; it is lifted once that is settled.`
              : undefined;
          },
        },
        {
          says: 'a permit that holds',
          whyNot({ house, change }) {
            const why = change && whyNoPermit(house, dayAtHouse(change.at));
            return why === undefined ? undefined : `The order stays in force. ${why}`;
          },
        },
      ],
      offered: { label: 'Lift the order', asks: 'Why the order is lifted' },
    },
  ],
  put: ({ house, known }, step) => ({
    orders: replaced(house.orders, { ...known!, state: step.to, steps: [...known!.steps, step] }),
  }),
});

/** Whole sentences one after the other, as many as there is room for; what is left out is said. */
function together(sentences: readonly string[], most: number): string {
  const all: string[] = [];
  for (const [i, one] of sentences.entries()) {
    const left = sentences.length - i;
    const rest = left > 1 ? ` And ${left - 1} more, on the list of violations.` : '';
    if ([...all, one].join(' ').length + rest.length > most)
      return `${all.join(' ')} And ${left} more, on the list of violations.`.trim().slice(0, most);
    all.push(one);
  }
  return all.join(' ');
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
      numbered((one) => one.words),
      1000,
    ),
    mayDo: together(
      numbered(({ remedy }) => remedy),
      500,
    ),
  };
}
