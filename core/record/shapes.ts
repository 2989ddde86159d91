import { ValidationError, string } from 'yup';

export const line = (what: string, most: number) =>
  string().trim().typeError(`${what} must be text`).max(most, `${what}: at most ${most} characters`);

/** A text of one line: a break in it would be another line of a paper, a calendar or a mail. */
export const oneLine = (what: string, most: number) =>
  line(what, most).matches(/^[^\p{Cc}\u2028\u2029]*$/u, {
    message: `${what}: one line, without breaks`,
    excludeEmptyString: true,
  });

/** An id, in small letters alone: written otherwise it would be another id to us, and the same to the database. */
export const uuid = (what: string) =>
  string()
    .uuid(`${what} must be a UUID`)
    .matches(/^[^A-Z]*$/, `${what} must be a UUID in small letters`)
    .required(`${what} is missing`);

/** Whether a text that has the shape of a day is one, in years in which an inspection can have been. */
const isDay = (text: string): boolean => {
  const time = Date.parse(`${text}T00:00:00Z`);
  return text >= '2000-01-01' && text < '2200' && !Number.isNaN(time) && new Date(time).toISOString().startsWith(text);
};

/** A day as an ISO date. */
export const day = (what: string) =>
  string()
    .matches(/^\d{4}-\d{2}-\d{2}$/, {
      message: `${what} must be an ISO date, like 2026-12-09.`,
      excludeEmptyString: false,
    })
    .test(
      'day',
      ({ value }) => `${String(value)} is no day.`,
      (value) => !value || isDay(value),
    );

/** The day at the house at a time in UTC: the United States lie five to ten hours behind it, and nobody inspects before daybreak. */
export const dayAtHouse = (at: string): string => new Date(Date.parse(at) - 10 * 3600_000).toISOString().slice(0, 10);

export const instant = string()
  .required('the time is missing')
  .matches(
    /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}(\.\d+)?Z$/,
    'the time must be ISO 8601 in UTC, like 2026-11-25T10:00:00Z',
  )
  .test(
    'time',
    ({ value }) => `${String(value)} is no time; right would be like 2026-11-25T10:00:00Z`,
    (value) => value === undefined || (isDay(value.slice(0, 10)) && !Number.isNaN(Date.parse(value))),
  );

/** What every change has: its id, the inspection that it is about, and when it was made by the clock of the device. */
export const changeShape = {
  id: uuid('The id of the change'),
  inspection: uuid('The id of the inspection'),
  at: instant,
};

/** What devices send is a few levels deep; what is nested deeper is none of it, and would cost whoever reads it. */
const DEEPEST = 6;
/** NUL, and halves of a surrogate pair: no database keeps them as text. */
// eslint-disable-next-line no-control-regex
const NO_TEXT = /\u0000|[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/;
/** What every object has by birth: it names nothing that is sent, and what reads data would stumble over it. */
export const NO_NAMES = ['__proto__', 'constructor', 'prototype', 'toString'];

/** Why a text cannot be kept; undefined where it can. */
export const whyNoText = (text: string): string | undefined =>
  NO_TEXT.test(text) ? 'A text holds a character that cannot be kept; write it anew.' : undefined;

/** Why data cannot be kept, whatever it means; undefined where it can. */
function unkept(data: unknown, depth = 0): string | undefined {
  if (typeof data === 'string') return whyNoText(data);
  if (typeof data !== 'object' || data === null) return undefined;
  if (depth > DEEPEST) return 'It is nested too deep to be a change.';
  for (const [key, value] of Object.entries(data)) {
    if (NO_NAMES.includes(key)) return `"${key}" is no name that can be kept.`;
    const why = unkept(key, depth + 1) ?? unkept(value, depth + 1);
    if (why !== undefined) return why;
  }
  return undefined;
}

/** Refuses data that cannot be kept, whatever they mean, with a `ValidationError` whose message is a sentence. Before a schema sees them: it stumbles over some. */
export function requireKept(data: unknown): void {
  const why = unkept(data);
  if (why !== undefined) throw new ValidationError(why, data);
}
