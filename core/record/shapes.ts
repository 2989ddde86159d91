import { string } from 'yup';

export const line = (what: string, most: number) =>
  string().trim().typeError(`${what} must be text`).max(most, `${what}: at most ${most} characters`);

export const uuid = (what: string) => string().uuid(`${what} must be a UUID`).required(`${what} is missing`);

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
