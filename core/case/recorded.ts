import { mixed } from 'yup';
import { quoted } from './fact';

/** How a fact came to be recorded: what a person did for it to stand there. */
export const HOWS = {
  touched: 'touched',
  reading: 'read at one glance',
  together: 'said together with others',
  meter: 'by a meter',
  usual: 'usual value',
  copied: 'copied from another house',
  table: 'taken from a table',
  carried: 'carried over from the last visit',
  again: 'looked at again, as it was',
} as const;
export type How = keyof typeof HOWS;

export interface Recorded {
  readonly how: How;
  /** ISO 8601, by the clock of the device. */
  readonly at: string;
  readonly by: string;
  /** The reading, the statement or the instrument, in its words. */
  readonly said?: string | undefined;
}

/** How each fact was recorded, by its address with the entry's id for its place: `cord[cord-1].sizeAwg`. */
export type RecordedFacts = Readonly<Record<string, Recorded>>;

const MOST_KEPT = 5000;
const text = (value: unknown, most: number) => typeof value === 'string' && value.length <= most;

function isRecorded(value: unknown): boolean {
  if (typeof value !== 'object' || value === null) return false;
  const { how, at, by, said, ...rest } = value as Record<string, unknown>;
  return (
    Object.keys(rest).length === 0 &&
    typeof how === 'string' &&
    Object.hasOwn(HOWS, how) &&
    text(at, 40) &&
    text(by, 200) &&
    (said === undefined || text(said, 200))
  );
}

/** In a case file; a file without it, or a fact without a line in it, was touched by somebody who is not known. */
export const recorded = mixed<RecordedFacts>().test('recorded', (value, context) => {
  if (value === undefined) return true;
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    return context.createError({
      message: `${quoted(value)} is no list of how facts were recorded; right would be { … }`,
    });
  const entries = Object.entries(value);
  if (entries.length > MOST_KEPT) return context.createError({ message: `more than ${MOST_KEPT} lines` });
  const wrong = entries.find(([path, one]) => path.length > 200 || !isRecorded(one));
  return (
    wrong === undefined ||
    context.createError({
      message: `${wrong[0]}: ${quoted(wrong[1])} does not say how it was recorded; right would be { "how": one of ${Object.keys(HOWS).join(', ')}, "at": …, "by": … }`,
    })
  );
});
