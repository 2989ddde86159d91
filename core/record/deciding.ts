import { STATIONS } from '../case';
import type { Evaluation } from '../verdict';

import { standingOf } from './findings';
import { inForce } from './kinds/order';
import { whyNoPermit } from './kinds/permit';
import { isOpen } from './kinds/violation';
import { isApproval, type Decision, type Inspection } from './inspection';
import { SHORTEST_REASON } from './steps';

const points = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`;

/** Why a decision cannot be signed on a day for what stands in an inspection, in sentences; empty where it can. */
export function whyNotDecide(inspection: Inspection, evaluation: Evaluation, decision: Decision, on: string): string[] {
  const { kind, conditions, scope, leftOut, order, dueOn } = decision;
  const why: string[] = [];
  const whole = STATIONS.every((one) => scope.includes(one));
  const { unanswered, unproven, open } = standingOf(inspection, evaluation, scope);
  const conditional = new Set(conditions.map(({ of }) => of));
  if (!whole && leftOut.length < SHORTEST_REASON)
    why.push(`Say in at least ${SHORTEST_REASON} characters why the other stations were not looked at.`);
  if (conditions.length > 0 && kind !== 'approved-with-conditions')
    why.push('Only an approval with conditions has conditions.');
  if ((order === null) === (kind === 'stop-work'))
    why.push(kind === 'stop-work' ? 'Say what is ordered, and on what ground.' : 'Only a stop-work posts an order.');
  if (unanswered.length > 0 && kind !== 'stop-work')
    why.push(
      `${points(unanswered.length, 'finding is', 'findings are')} not answered. Take ${unanswered.length === 1 ? 'it' : 'each'} up as a violation, or say why not.`,
    );
  if (isApproval(kind) || kind === 'passed-stations') {
    if (inForce(inspection.docket).length > 0) why.push('An order is in force; it is lifted first.');
    const doubts = evaluation.contradictions.length;
    if (doubts > 0)
      why.push(
        `${points(doubts, 'pair of records', 'pairs of records')} cannot both be true. Look at them again; no reason stands in their place.`,
      );
    const left = open.filter(({ id }) => !conditional.has(id));
    if (left.length > 0)
      why.push(
        `${points(left.length, 'violation is', 'violations are')} open: ${left.map(({ number }) => number).join(', ')}.${kind === 'approved' ? '' : ' What is no hazard can be made a condition with a day.'}`,
      );
    const hazards = open.filter(({ id, severity }) => conditional.has(id) && severity === 'hazard');
    if (hazards.length > 0) why.push('A hazard is never a condition; it is corrected first.');
    const notProved = unproven.filter(({ rule }) => !conditional.has(rule));
    if (notProved.length > 0)
      why.push(
        `${points(notProved.length, 'point is', 'points are')} not proved. Prove ${notProved.length === 1 ? 'it' : 'them'}, or say of each why it does not count here.`,
      );
    if (unproven.some(({ rule, severity }) => conditional.has(rule) && severity === 'hazard'))
      why.push('What could be a hazard is proved before an approval; it is no condition.');
  }
  const permit = isApproval(kind) ? whyNoPermit(inspection.docket, on) : undefined;
  if (permit !== undefined) why.push(permit);
  if (isApproval(kind) && !whole)
    why.push('An approval answers for every station; what is looked at in part is passed for these stations.');
  if (kind === 'approved-with-conditions' && conditions.length === 0) why.push('Write down the conditions.');
  if (kind === 'corrections-required') {
    if (open.length === 0 && unproven.length === 0)
      why.push('No violation is open and nothing is unproven; there is nothing to correct.');
    if (dueOn === null) why.push('Choose the day by which it is to be corrected.');
  }
  if (kind === 'stop-work' && !inspection.docket.violations.some(isOpen))
    why.push('A stop-work rests on a violation; take one up, or write one of your own.');
  return why;
}
