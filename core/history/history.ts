import {
  APPEAL_STATES,
  CONDITION_STATES,
  DECISIONS,
  ORDER_KINDS,
  ORDER_STATES,
  PAPER_STATES,
  PERMIT_STATES,
  VIOLATION_STATES,
  VISIT_STATES,
  type Inspection,
  type Step,
} from '../record';

export const HISTORY_KINDS = {
  opened: 'Opened',
  requested: 'Requested',
  visit: 'Visit',
  violation: 'Violation',
  order: 'Order',
  condition: 'Condition',
  decision: 'Decision',
  paper: 'Paper',
  permit: 'Permit',
  installer: 'Work',
  appeal: 'Appeal',
  hold: 'Hold',
  evidence: 'Photo or note',
} as const;

/** One thing that happened at a house. */
export interface Happened {
  readonly at: string;
  readonly inspection: string;
  readonly what: keyof typeof HISTORY_KINDS;
  readonly by: string;
  readonly words: string;
}

const sentence = (...parts: readonly (string | false | undefined)[]): string =>
  parts.filter((one) => one !== false && one !== undefined && one !== '').join('. ');

/** Everything that happened at a house, on one line in time, the oldest first; of all its inspections, where there are several. */
export function historyOf(inspections: readonly Inspection[]): Happened[] {
  return inspections
    .flatMap((one): Happened[] => {
      const { id, docket, header } = one;
      const stepsOf = <S extends string>(
        what: Happened['what'],
        name: string,
        states: Readonly<Record<S, string>>,
        steps: readonly Step<S>[],
      ): Happened[] =>
        steps.map(({ to, at, by, words }, i) => ({
          at,
          inspection: id,
          what,
          by,
          words: sentence(`${name}: ${steps[i - 1]?.to === to ? 'changed' : states[to].toLowerCase()}`, words),
        }));
      return [
        { at: one.openedAt, inspection: id, what: 'opened', by: '', words: sentence(header.permit && `Permit ${header.permit}`, `edition ${header.edition}`) }, // prettier-ignore
        ...(one.claimed ? [{ at: one.claimed.at, inspection: id, what: 'requested' as const, by: one.claimed.by, words: 'An inspection was asked for' }] : []), // prettier-ignore
        ...docket.visits.flatMap((each) => stepsOf('visit', `Visit ${each.number}`, VISIT_STATES, each.steps)),
        ...docket.violations.flatMap((each) =>
          stepsOf('violation', `Violation ${each.number}`, VIOLATION_STATES, each.steps).map((step, i) =>
            i === 0 ? { ...step, words: sentence(step.words, each.words) } : step,
          ),
        ),
        ...docket.orders.flatMap((each) =>
          stepsOf('order', ORDER_KINDS[each.kind], ORDER_STATES, each.steps).map((step, i) =>
            i === 0 ? { ...step, words: sentence(step.words, each.ground) } : step,
          ),
        ),
        ...docket.conditions.flatMap((each) => stepsOf('condition', each.text, CONDITION_STATES, each.steps)),
        ...one.decisions.map((each) => ({
          at: each.at,
          inspection: id,
          what: 'decision' as const,
          by: each.signature.name,
          words: DECISIONS[each.kind],
        })),
        ...(docket.papers ?? []).flatMap((each) => {
          const of = one.decisions.find((decision) => decision.id === each.id);
          return stepsOf('paper', of ? DECISIONS[of.kind] : 'Decision', PAPER_STATES, each.steps);
        }),
        ...(docket.permit ? stepsOf('permit', header.permit || 'Permit', PERMIT_STATES, docket.permit.steps) : []),
        ...(docket.installers ?? []).map(({ from, by, name, words }) => ({ at: from, inspection: id, what: 'installer' as const, by, words: sentence(`Work by ${name}`, words) })), // prettier-ignore
        ...(docket.appeals ?? []).flatMap((each) => stepsOf('appeal', `Appeal of ${each.filedBy}`, APPEAL_STATES, each.steps)), // prettier-ignore
        ...(docket.hold
          ? stepsOf('hold', 'The record', { held: 'Held', released: 'Released' }, docket.hold.steps)
          : []),
        ...one.evidence.map(({ at, by, text, photo }) => ({ at, inspection: id, what: 'evidence' as const, by, words: sentence(photo ? 'Photo' : 'Note', text) })), // prettier-ignore
      ];
    })
    .sort((a, b) => a.at.localeCompare(b.at));
}
