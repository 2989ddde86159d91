import { mixed, object, string, type InferType } from 'yup';
import { MOST_EVIDENCE, evidenceSchema, isMendedBy } from '../evidence';
import type { Inspection } from '../inspection';
import { changeShape, instant, uuid } from '../shapes';
import type { Act } from './kind';

/** A photo or a note: made, changed, or taken out where it is null. */
const schema = object({
  ...changeShape,
  type: mixed<'evidence'>().required(),
  evidence: uuid('The id of the photo or note'),
  is: evidenceSchema
    .nullable()
    .default(undefined)
    .defined('What the photo or note is must be said; null takes it out.'),
  /** By whom and when it had been made: one that was taken out is put back. */
  was: object({ at: instant, by: string().required().max(200) })
    .noUnknown()
    .default(undefined)
    .optional(),
}).noUnknown();

/** What was made by one person stays theirs when a caption is mended; a picture changes nothing that was found, so it begins no reinspection. */
export const evidence: Act<Inspection, InferType<typeof schema>, Inspection> = {
  type: 'evidence',
  elsewhere: 'a photo or a note',
  schema,
  outside: true,
  may: 'record',
  only: 'Only whoever walks the house adds photos and notes.',
  says: 'one’s own; the lead mends and takes out any',
  put({ house, person, change: { evidence: id, is, at, was } }) {
    const { evidence: all } = house;
    const with_ = (now: Inspection['evidence']) => ({ ...house, evidence: now, changedAt: at });
    const known = all.find((one) => one.id === id);
    if (known && !isMendedBy(known, person))
      return `This is of ${known.by}, who alone changes it or takes it out, or the lead.`;
    if (is === null) return with_(all.filter((one) => one !== known));
    if (known) return with_(all.map((one) => (one === known ? { ...known, ...is } : one)));
    if (all.length >= MOST_EVIDENCE) return `An inspection holds at most ${MOST_EVIDENCE} photos and notes.`;
    return with_([...all, { ...is, id, at, by: person.name, ...was }]);
  },
};
