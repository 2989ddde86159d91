import { STATIONS } from '../case';
import {
  EMPTY_DOCKET,
  applyChange,
  violationOf,
  type Change,
  type ChangeBody,
  type Decision,
  type Found,
  type Inspection,
  type Person,
} from '../record';
import { GOOD } from './rule-table';

export const ID = '0dd0a7c4-1f5e-4b7a-9c00-000000000001';
export const LEAD: Person = { name: 'Ilse O’Harrow', role: 'lead' };
export const INSPECTOR: Person = { name: 'Joss Linnaker', role: 'inspector' };
export const CONTRACTOR: Person = { name: 'Maro Tillane', role: 'contractor' };

/** A UUID by its number. */
export const uuidOf = (n: number) => `0dd0a7c4-1f5e-4b7a-9c02-${String(n).padStart(12, '0')}`;

let count = 0;
/** A change with an id of its own, each a minute after the one before. */
export const change = (body: ChangeBody): Change =>
  ({
    ...body,
    id: `0dd0a7c4-1f5e-4b7a-9c01-${String(++count).padStart(12, '0')}`,
    at: new Date(Date.UTC(2026, 10, 25, 10, count)).toISOString(),
  }) as Change;

/** What a decision says of what was decided on; the office compares it, the record does not. */
export const SEEN = { base: 1, shown: '0'.repeat(64) };
export const HEADER = { address: '3 Windfall Lane', owner: '', permit: '', edition: '2020' } as const;

export const inspection = (over: Partial<Inspection> = {}): Inspection => ({
  id: ID,
  revision: 1,
  header: HEADER,
  case: GOOD,
  openedAt: '2026-11-25T09:00:00Z',
  changedAt: '2026-11-25T09:00:00Z',
  decisions: [],
  evidence: [],
  docket: EMPTY_DOCKET,
  changedSinceDecision: false,
  ...over,
});

export const decision = (over: Partial<Decision> = {}): Decision => ({
  kind: 'approved',
  conditions: [],
  dueOn: null,
  order: null,
  scope: [...STATIONS],
  leftOut: '',
  handover: '',
  signature: { name: LEAD.name, path: '' },
  ...over,
});
export const ORDER = {
  kind: 'stop-work',
  ground: 'The house can be fed through the dryer outlet.',
  covers: 'The generator connection',
  mayDo: 'Taking out the outlet and its circuit',
  told: 'The owner',
} as const;
export const decided = (over: Partial<Decision> = {}): ChangeBody => ({
  type: 'decide',
  ...SEEN,
  inspection: ID,
  decision: decision(over),
});

/** The inspection after changes by the lead. */
export const after = (before: Inspection | undefined, ...bodies: ChangeBody[]): Inspection => afterBy(LEAD, before, ...bodies); // prettier-ignore

export const afterBy = (by: Person, before: Inspection | undefined, ...bodies: ChangeBody[]): Inspection => {
  let now = before;
  for (const body of bodies) {
    const applied = applyChange(now, change(body), by);
    if (!applied.ok) throw new Error(applied.why);
    now = applied.inspection;
  }
  return now!;
};

/** Why a change by somebody, the lead where nobody is named, is refused; undefined where it is taken. */
export const refusal = (before: Inspection | undefined, body: ChangeBody, by = LEAD) => {
  const applied = applyChange(before, change(body), by);
  return applied.ok ? undefined : applied.why;
};

/** A finding cited as a violation. */
export const takenUp = (found: Found, violation: string, dueOn = '2026-12-09'): ChangeBody => ({
  type: 'violation',
  inspection: ID,
  violation,
  dueOn,
  ...violationOf([found]),
});
