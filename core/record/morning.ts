import { openAppeals } from './kinds/appeal';
import { inForce } from './kinds/order';
import { isOpen } from './kinds/violation';
import { VISIT_STATES, visitAhead, type VisitState } from './kinds/visit';
import { dayAtHouse } from './shapes';
import { isApproval, stateOf, type DecisionKind, type Inspection } from './inspection';

/** One thing that waits, at one house. */
export interface Waiting {
  readonly inspection: Inspection;
  /** Since when, or by which day: what is oldest comes first. */
  readonly day: string;
  readonly words: string;
}

export interface Concern {
  readonly id:
    | 'orders'
    | 'hazards'
    | 'visits'
    | 'requests'
    | 'tried'
    | 'claims'
    | 'appeals'
    | 'late'
    | 'conditions'
    | 'variances'
    | 'permits'
    | 'soon'
    | 'unfinished';
  readonly title: string;
  readonly waiting: readonly Waiting[];
}

/** Visits that came to nothing; each wants another day. */
const IN_VAIN: readonly VisitState[] = ['nobody-there', 'not-ready', 'entry-refused'];

/** A claim is looked at within two days. */
const CLAIM_DAYS = 2;
const SOON_DAYS = 7;
const PERMIT_DAYS = 30;
const daysFrom = (today: string, days: number): string => {
  const at = new Date(`${today}T00:00:00Z`);
  at.setUTCDate(at.getUTCDate() + days);
  return at.toISOString().slice(0, 10);
};

/** What an office has to look at in the morning, the gravest first; what is due within a week last. Nothing stands there twice for one house and one cause. */
export function morningOf(inspections: readonly Inspection[], today: string): Concern[] {
  const found: Record<Concern['id'], Waiting[]> = {
    orders: [],
    hazards: [],
    visits: [],
    requests: [],
    tried: [],
    claims: [],
    appeals: [],
    late: [],
    conditions: [],
    variances: [],
    permits: [],
    soon: [],
    unfinished: [],
  };
  const soon = daysFrom(today, SOON_DAYS);
  const permitSoon = daysFrom(today, PERMIT_DAYS);
  const waitedSince = daysFrom(today, -CLAIM_DAYS);
  for (const inspection of inspections) {
    const { docket, decisions } = inspection;
    const add = (id: Concern['id'], day: string, words: string) => found[id].push({ inspection, day, words });
    for (const one of inForce(docket)) add('orders', dayAtHouse(one.steps[0]!.at), one.ground);
    for (const one of docket.violations.filter(isOpen)) {
      const what = `${one.number}. ${one.words}`;
      const claim = one.state === 'claimed' ? one.steps.at(-1) : undefined;
      if (claim && dayAtHouse(claim.at) <= waitedSince)
        add('claims', dayAtHouse(claim.at), `${what} ${claim.by}: ${claim.words}`);
      if (one.dueOn === null || docket.conditions.some(({ of, state }) => of === one.id && state === 'due')) continue;
      if (one.dueOn < today) add(one.severity === 'hazard' ? 'hazards' : 'late', one.dueOn, what);
      else if (one.dueOn <= soon) add('soon', one.dueOn, what);
    }
    for (const one of docket.conditions)
      if (one.state === 'due' && one.dueOn <= soon) add(one.dueOn < today ? 'conditions' : 'soon', one.dueOn, one.text);
    for (const one of openAppeals(docket))
      add('appeals', dayAtHouse(one.steps[0]!.at), `${one.filedBy}: ${one.steps[0]!.words}`);
    for (const one of docket.violations)
      if (one.state === 'varied' && one.variance?.until && one.variance.until < today)
        add(
          'variances',
          one.variance.until,
          `${one.number}. ${one.words} ${one.variance.authority}: ${one.variance.extent}`,
        );
    const { permit } = docket;
    const isDone = isApproval(stateOf(inspection) as DecisionKind);
    if (permit?.state === 'missing') add('permits', dayAtHouse(permit.steps.at(-1)!.at), 'A permit is required');
    else if (permit?.until && permit.until <= permitSoon && !isDone)
      add('permits', permit.until, permit.until < today ? 'The permit has run out' : 'The permit runs out');
    const visit = visitAhead(docket);
    if (visit?.day && visit.day <= soon)
      add(visit.day <= today ? 'visits' : 'soon', visit.day, `Visit ${visit.number}, ${visit.inspector}`);
    const last = docket.visits.at(-1);
    const tried = last && IN_VAIN.includes(last.state) ? last : undefined;
    if (tried)
      add('tried', dayAtHouse(tried.steps.at(-1)!.at), `Visit ${tried.number}, ${VISIT_STATES[tried.state].toLowerCase()}: ${tried.steps.at(-1)!.words}`); // prettier-ignore
    const state = stateOf(inspection);
    if (inspection.claimed && decisions.length === 0 && !visit && !tried)
      add('requests', dayAtHouse(inspection.claimed.at), `${inspection.claimed.by} asks for an inspection`);
    else if (!tried && (state === 'draft' || (state === 'reinspection' && !visit)))
      add('unfinished', dayAtHouse(inspection.changedAt), decisions.length > 0 ? 'Reinspection begun' : 'Draft');
  }
  const titles: Record<Concern['id'], string> = {
    orders: 'Orders in force',
    hazards: 'Hazards past their day',
    visits: 'Visits today',
    requests: 'Inspections that were asked for',
    tried: 'Nobody there, not ready, or entry refused: a new day',
    claims: `Said to be corrected ${CLAIM_DAYS} days ago or more`,
    appeals: 'Appeals to be decided',
    late: 'Corrections past their day',
    conditions: 'Conditions past their day',
    variances: 'Variances that have ended',
    permits: `Permits missing, run out, or running out within ${PERMIT_DAYS} days`,
    soon: `Due within ${SOON_DAYS} days`,
    unfinished: 'Begun and not signed',
  };
  return (Object.keys(titles) as Concern['id'][]).map((id) => ({
    id,
    title: titles[id],
    waiting: found[id].sort((a, b) => a.day.localeCompare(b.day)),
  }));
}
