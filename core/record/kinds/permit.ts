import { mixed, object, type InferType } from 'yup';
import { changeShape, day } from '../shapes';
import { SHORTEST_REASON, stateIn, words, type Step } from '../steps';
import { kind, reason, told, type Asked } from './kind';

export const PERMIT_STATES = { there: 'There', missing: 'Missing', renewed: 'Renewed' } as const;
type PermitState = keyof typeof PERMIT_STATES;

/** The permit as the office knows it. */
export interface Permit {
  readonly state: PermitState;
  /** The last day on which it holds; null where nobody said. */
  readonly until: string | null;
  readonly steps: readonly Step<PermitState>[];
}
export interface Permits {
  readonly permit?: Permit;
}

/** Why there is no final approval for want of a permit, in a sentence; undefined where there may be one. */
export function whyNoPermit({ permit: one }: Permits, on: string): string | undefined {
  if (one?.state === 'missing') return 'There is no permit for this work; it is applied for first.';
  if (one?.until && on > one.until) return `The permit ran out on ${one.until}; it is renewed first.`;
  return undefined;
}

const schema = object({
  ...changeShape,
  type: mixed<'permit'>().required(),
  to: stateIn(PERMIT_STATES),
  until: day('The day until which the permit holds').nullable().defined(),
  words,
}).noUnknown();

const UNTIL: readonly Asked[] = [
  { name: 'until', label: 'It holds until', days: [30, 180, 365] },
  { name: 'words', label: 'Where that stands' },
];

export const permit = kind<Permits, Permit, InferType<typeof schema>>({
  type: 'permit',
  elsewhere: 'the permit',
  title: 'Permits',
  schema,
  states: PERMIT_STATES,
  find: ({ permit: known }) => known,
  name: () => 'The permit',
  moves: [
    {
      from: ['none', 'there', 'renewed', 'missing'],
      to: 'there',
      may: 'inspect',
      needs: [told('until when it holds, where that is known')],
      offered: { label: 'Until when the permit holds', asks: UNTIL, act: 'Write it down' },
    },
    {
      from: ['there', 'renewed', 'missing'],
      to: 'renewed',
      may: 'inspect',
      needs: [
        {
          says: 'until when it holds now',
          whyNot: ({ change }) => (change?.until === null ? 'Say until when the renewed permit holds.' : undefined),
        },
      ],
      offered: { label: 'The permit was renewed', asks: UNTIL, act: 'Write it down' },
    },
    {
      from: ['none', 'there', 'renewed'],
      to: 'missing',
      may: 'inspect',
      needs: [
        reason('how it came to light', `Say how it came to light, in at least ${SHORTEST_REASON} characters.`),
        told('no approval until there is one'),
      ],
      offered: {
        label: 'There is no permit',
        asks: 'How it came to light; not who complained',
        act: 'A permit is required',
      },
    },
  ],
  put: ({ known, change }, step) => ({
    permit: { state: step.to, until: change.until, steps: [...(known?.steps ?? []), step] },
  }),
});
