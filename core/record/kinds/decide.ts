import { mixed, number, object, string, type InferType } from 'yup';
import { whyNotDecide } from '../deciding';
import type { Docket } from '../docket';
import { decisionSchema, type Inspection } from '../inspection';
import { judged } from '../judging';
import { changeShape, dayAtHouse } from '../shapes';
import type { Condition } from './condition';
import type { Act } from './kind';
import type { Order } from './order';
import { isOpen } from './violation';
import { visitUnderWay } from './visit';

/** A decision that does not say what was decided on, as older versions of the application signed it. */
const UNSEEN =
  'It does not say what was on the screen when it was signed. Load the application again, look, and sign anew.';

const schema = object({
  ...changeShape,
  type: mixed<'decide'>().required(),
  decision: decisionSchema.required(),
  /** Count of changes that the device had heard of when it was signed. */
  base: number().integer().min(0).required(UNSEEN),
  /** SHA-256, hex, of what was shown when it was signed. */
  shown: string()
    .matches(/^[0-9a-f]{64}$/, UNSEEN)
    .required(UNSEEN),
}).noUnknown();
type Decide = InferType<typeof schema>;

export const decide: Act<Inspection, Decide, Inspection> = {
  type: 'decide',
  elsewhere: 'a decision',
  schema,
  may: 'inspect',
  only: 'Only an inspector of the office may do that.',
  says: 'every finding answered, one’s own name, and what each kind of decision asks for',
  put({ house, person: { name: by }, change }) {
    const { decision, id, at } = change;
    const why = whyNotDecide(house, judged(house), decision, dayAtHouse(at));
    if (decision.signature.name !== by) why.push(`Sign as yourself: ${by}.`);
    if (why.length > 0) return why.join(' ');
    return {
      ...house,
      changedAt: at,
      changedSinceDecision: false,
      docket: decided(house.docket, change, by),
      decisions: [...house.decisions, { ...decision, id, at }],
    };
  },
};

/** The docket once a decision is signed: its violations and conditions have their day, its order is in force, and the visit is done. */
function decided(docket: Docket, { id, at, decision }: Decide, by: string): Docket {
  const conditions = decision.conditions.map((one): Condition => ({
    ...one,
    state: 'due',
    steps: [{ to: 'due', at, by, words: '' }],
  }));
  const open = docket.violations.filter(isOpen).map((one) => one.id);
  const order: Order | undefined = decision.order
    ? { ...decision.order, id, violations: open, state: 'posted', steps: [{ to: 'posted', at, by, words: '' }] }
    : undefined;
  const newDay = decision.kind === 'corrections-required' ? decision.dueOn : null;
  const to = decision.kind === 'passed-stations' ? 'partial' : 'done';
  const here = visitUnderWay(docket);
  return {
    ...docket,
    violations: docket.violations.map((one) => {
      const day = conditions.find(({ of }) => of === one.id)?.dueOn ?? newDay;
      return isOpen(one) && day ? { ...one, dueOn: day } : one;
    }),
    conditions: [...docket.conditions, ...conditions],
    orders: order ? [...docket.orders, order] : docket.orders,
    visits: docket.visits.map((one) =>
      one === here ? { ...one, state: to, steps: [...one.steps, { to, at, by, words: decision.leftOut }] } : one,
    ),
  };
}
