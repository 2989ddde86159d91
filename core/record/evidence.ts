import { array, mixed, number, object, string, type InferType } from 'yup';
import { catalogueKey, lastingPath, whyNotFact, type Case } from '../case';
import type { Person } from '../people';
import { RULES } from '../rules';

/** A photo is scaled down before it is kept; whatever is larger was not. */
export const MOST_PHOTO_BYTES = 3_000_000;
/** Photos and notes of one inspection. */
export const MOST_EVIDENCE = 300;
const MOST_MARKS = 12;

/** An arrow is turned by an eighth of a circle a touch. */
export const ARROW_STEP_DEG = 45;

/** What points at something in a photo: a ring around it, or an arrow with its tip on it. Places are fractions of width and height from the upper left. */
const markSchema = object({
  kind: mixed<'ring' | 'arrow'>().oneOf(['ring', 'arrow'], 'A mark is a ring or an arrow.').required(),
  x: number().min(0).max(1).required(),
  y: number().min(0).max(1).required(),
  /** Where an arrow comes from: 0 from the right, 90 from below. */
  turnDeg: number().min(0).lessThan(360).required(),
}).noUnknown();
export type Mark = InferType<typeof markSchema>;

const photoSchema = object({
  /** SHA-256 of the picture’s bytes, hex: by it the office knows whether it has the whole of it, and a seal which picture was shown. */
  sha256: string()
    .required()
    .matches(/^[0-9a-f]{64}$/, 'The photo’s SHA-256 must be 64 hexadecimal digits.'),
  bytes: number()
    .integer()
    .min(1)
    .max(MOST_PHOTO_BYTES, `A photo has at most ${MOST_PHOTO_BYTES / 1e6} MB once it is scaled down.`)
    .required(),
  widthPx: number().integer().min(1).max(20_000).required(),
  heightPx: number().integer().min(1).max(20_000).required(),
  marks: array(markSchema).required().max(MOST_MARKS, `At most ${MOST_MARKS} marks on a photo.`),
}).noUnknown();
export type Photo = InferType<typeof photoSchema>;

const rules: ReadonlySet<string> = new Set(RULES.map(({ id }) => id));
const isFact = (path: string) => whyNotFact(path.replace(/\[[^\]]+\]/, '[0]'), undefined) === undefined;

/** The id of a violation that is an inspector’s own, and so of no rule. */
const isViolation = (id: string) => /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/.test(id);

/** A photo with its caption, or a note: what shows a fact or a finding. */
export const evidenceSchema = object({
  /** The fact that it shows, by its lasting address, or the rule whose finding it shows, or the violation. */
  about: string()
    .required()
    .max(160)
    .test(
      'about',
      ({ value }) => `${String(value)} is neither a fact nor a rule known here, nor a violation.`,
      (value) => value === undefined || rules.has(value) || isViolation(value) || isFact(value),
    ),
  text: string().trim().max(1000, 'A note has at most 1,000 characters.').default(''),
  photo: photoSchema.nullable().default(null),
})
  .noUnknown()
  .test(
    'something',
    'Write the note, or take a photo.',
    (one) => one === null || one.text !== '' || one.photo !== null,
  );

/** As it stands in the record: by whom and when it was made. */
export interface Evidence extends InferType<typeof evidenceSchema> {
  readonly id: string;
  readonly at: string;
  readonly by: string;
}

/** Whether somebody may change a photo or note, or take it out: whoever made it, and the lead. */
export const isMendedBy = ({ by }: Evidence, { name, role }: Person): boolean => by === name || role === 'lead';

/** What shows a fact, wherever its cord, stretch or circuit stands by now, in the order in which it was made. */
export const evidenceOfFact = (evidence: readonly Evidence[], c: Case, path: string): Evidence[] => {
  const about = lastingPath(c, path);
  return evidence.filter((one) => one.about === about);
};

/** What shows a finding: its own evidence, and that of the facts which it names. */
export const evidenceOfFinding = (
  evidence: readonly Evidence[],
  rule: string,
  facts: readonly string[],
): Evidence[] => {
  const keys = new Set(facts.map(catalogueKey));
  return evidence.filter(({ about }) => about === rule || keys.has(about.replace(/\[[^\]]+\]/, '')));
};
