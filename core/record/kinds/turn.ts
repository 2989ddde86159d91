import { mixed, number, object, type InferType } from 'yup';
import { changeShape, uuid } from '../shapes';
import { replaced } from '../steps';
import type { Act } from './kind';
import type { Visits } from './visit';

/** Which visit of its day a visit is, as somebody ordered them by hand; null: by its street again. */
const schema = object({
  ...changeShape,
  type: mixed<'turn'>().required(),
  visit: uuid('The id of the visit'),
  turn: number().integer().min(1).max(200).nullable().defined(),
}).noUnknown();

export const turn: Act<Visits, InferType<typeof schema>, Visits> = {
  type: 'turn',
  elsewhere: 'the order of a day',
  schema,
  may: 'inspect',
  only: 'Only an inspector orders the visits of a day.',
  says: 'a visit that is ahead',
  put({ house: { visits }, change }) {
    const visit = visits.find(({ id }) => id === change.visit);
    if (visit?.state !== 'scheduled') return 'That visit is not ahead any more.';
    return { visits: replaced(visits, { ...visit, turn: change.turn }) };
  },
};
