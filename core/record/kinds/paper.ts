import { mixed, object, type InferType } from 'yup';
import { changeShape, uuid } from '../shapes';
import { SHORTEST_REASON, replaced, stateIn, words, type Step } from '../steps';
import { kind, reason, told, type At, type Need } from './kind';

export const PAPER_STATES = {
  issued: 'Issued',
  superseded: 'Superseded',
  void: 'Void',
  suspended: 'Suspended',
  revoked: 'Revoked',
} as const;
export type PaperState = keyof typeof PAPER_STATES;

/** What became of a decision after it was issued, where anything did. */
export interface PaperStanding {
  /** That of the decision. */
  readonly id: string;
  readonly state: PaperState;
  readonly steps: readonly Step<PaperState>[];
}
export interface Papers {
  readonly papers?: readonly PaperStanding[];
}

/** What a decision can be asked about before anything becomes of it. */
export interface Issued {
  readonly id: string;
  readonly isCertificate: boolean;
}
/** The decisions that were signed. */
export interface SeenOfDecisions {
  readonly issued: readonly Issued[];
}

/** How a decision stands: as it was issued, unless the lead said otherwise. A later decision takes its place without a word here. */
export const paperState = ({ papers }: Papers, decision: string): PaperState =>
  papers?.find(({ id }) => id === decision)?.state ?? 'issued';

/** A decision with what became of it. */
export function standingOfPaper({ papers, issued }: Papers & SeenOfDecisions, decision: string) {
  const of = issued.find(({ id }) => id === decision);
  return of && { ...of, state: paperState({ papers: papers ?? [] }, of.id), steps: papers?.find(({ id }) => id === of.id)?.steps ?? [] }; // prettier-ignore
}

const schema = object({
  ...changeShape,
  type: mixed<'paper'>().required(),
  decision: uuid('The id of the decision'),
  to: stateIn(PAPER_STATES),
  words,
}).noUnknown();

type House = Papers & SeenOfDecisions;
type Here = At<House, Issued & PaperStanding, InferType<typeof schema>>;

const REASON = (says: string) =>
  reason<Here>(says, `Give the reason in at least ${SHORTEST_REASON} characters; whoever holds the paper is told it.`);
const OF_A_CERTIFICATE: Need<Here> = {
  says: 'of a certificate',
  whyNot: ({ known }) =>
    known?.isCertificate === false
      ? 'Only a certificate is suspended or revoked; a decision is superseded or void.'
      : undefined,
};
const ITS_NUMBER = told('its number is never used again');
const NOTICE = 'Ground, who was given notice, how to appeal';

export const paper = kind<House, Issued & PaperStanding, InferType<typeof schema>>({
  type: 'paper',
  elsewhere: 'what became of a decision',
  title: 'Decisions and certificates, once they are issued',
  schema,
  states: PAPER_STATES,
  find: (house, { decision }) => standingOfPaper(house, decision),
  name: (known) => (known?.isCertificate ? 'The certificate' : 'The decision'),
  missing: 'There is no such decision.',
  moves: [
    {
      from: ['issued'],
      to: 'superseded',
      may: 'settle',
      needs: [REASON('a reason, and what takes its place'), ITS_NUMBER],
      offered: { label: 'Supersede', asks: 'What takes its place, and why' },
    },
    {
      from: ['issued', 'suspended'],
      to: 'void',
      may: 'settle',
      needs: [REASON('a reason'), ITS_NUMBER],
      offered: { label: 'Make void', asks: 'Why it is void' },
    },
    {
      from: ['issued'],
      to: 'suspended',
      may: 'settle',
      needs: [OF_A_CERTIFICATE, REASON('ground, who was given notice, and how to appeal')],
      offered: { label: 'Suspend', asks: NOTICE },
    },
    {
      from: ['issued', 'suspended'],
      to: 'revoked',
      may: 'settle',
      needs: [OF_A_CERTIFICATE, REASON('ground, who was given notice, and how to appeal')],
      offered: { label: 'Revoke', asks: NOTICE },
    },
    {
      from: ['suspended'],
      to: 'issued',
      may: 'settle',
      needs: [REASON('why it holds again')],
      offered: { label: 'It holds again', asks: 'Why it holds again' },
    },
  ],
  put: ({ house, known }, step) => ({
    papers: replaced(house.papers ?? [], { id: known!.id, state: step.to, steps: [...known!.steps, step] }),
  }),
});
