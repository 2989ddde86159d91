import { mixed, object, type InferType } from 'yup';
import { may } from '../../people';
import { changeShape, line } from '../shapes';
import { SHORTEST_REASON } from '../steps';
import type { Act } from './kind';
import { findingSchema, sameFinding, type SeenOfFindings, type Violations } from './violation';

const schema = object({
  ...changeShape,
  type: mixed<'not-taken-up'>().required(),
  finding: findingSchema.required(),
  /** Empty: it counts again. */
  reason: line('The reason', 2000).defined(),
}).noUnknown();

export const notTakenUp: Act<Violations & SeenOfFindings, InferType<typeof schema>, Partial<Violations>> = {
  type: 'not-taken-up',
  elsewhere: 'a finding that is dismissed',
  schema,
  may: 'inspect',
  only: 'Only an inspector can dismiss a finding.',
  says: 'a reason; of a hazard by the lead only; without one it counts again',
  put({ house, person, change: { finding, reason, at } }) {
    const others = house.notTakenUp.filter((one) => !sameFinding(one, finding));
    if (reason === '') return { notTakenUp: others };
    if (reason.length < SHORTEST_REASON)
      return `Give the reason in at least ${SHORTEST_REASON} characters; it will be read years from now.`;
    if (house.isHazard(finding) && !may(person.role, 'settle'))
      return 'This finding is a hazard; the lead alone can say that it is none.';
    return { notTakenUp: [...others, { ...finding, reason, at, by: person.name }] };
  },
};
