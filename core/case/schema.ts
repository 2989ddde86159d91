import { mixed, string, type InferType } from 'yup';
import { EDITIONS, type Edition } from '../codebook';
import { NOT_SEEN, quoted, type NotSeen } from './fact';
import { part } from './parts';
import { recorded } from './recorded';
import { breaker } from './facts/breaker';
import { cord } from './facts/cord';
import { feeder } from './facts/feeder';
import { functionTest } from './facts/function';
import { grounding } from './facts/grounding';
import { inlet } from './facts/inlet';
import { labels } from './facts/labels';
import { loads } from './facts/loads';
import { neutral } from './facts/neutral';
import { panel } from './facts/panel';
import { siting } from './facts/siting';
import { source } from './facts/source';
import { transfer } from './facts/transfer';

export { MOST_PARTS } from './parts';
export * from './traits';

/** Answers to the local profile's own items, by their ids, and who did the work. The profile says what they mean. */
const local = mixed<Readonly<Record<string, 'yes' | 'no' | 'licensed' | 'owner' | NotSeen>>>().test(
  'local',
  (value, context) => {
    if (value === undefined) return true;
    if (typeof value !== 'object' || value === null || Array.isArray(value))
      return context.createError({ message: `${quoted(value)} is no group of facts; right would be { … }` });
    for (const [id, answer] of Object.entries(value as Record<string, unknown>)) {
      if (!/^[a-z0-9-]{1,60}$/.test(id))
        return context.createError({
          message: `${quoted(id)} is no id; right would be small letters, digits and dashes`,
        });
      const right = id === 'installer' ? ['licensed', 'owner'] : ['yes', 'no'];
      if (answer !== NOT_SEEN && !right.includes(answer as string))
        return context.createError({
          message: `${id}: ${quoted(answer)} is no answer here; right would be ${right.map((one) => `"${one}"`).join(', ')} or "${NOT_SEEN}"`,
        });
    }
    return true;
  },
);

export const FORMAT = 'careful-latch/case';
export const VERSION = 2;
export const MOST_TITLE = 300;

/** The case file: what was recorded at one site, as open JSON. */
export const caseSchema = part({
  format: mixed<typeof FORMAT>()
    .required(`right would be "${FORMAT}"`)
    .test(
      'format',
      ({ value }) => `${quoted(value)} is no case file; right would be "${FORMAT}"`,
      (value) => (value as unknown) === FORMAT,
    ),
  version: mixed<typeof VERSION>()
    .required(`right would be ${VERSION}`)
    .test(
      'version',
      ({ value }) => `${quoted(value)} is a version this program does not read; right would be ${VERSION}`,
      (value) => (value as unknown) === VERSION,
    ),
  edition: mixed<Edition>()
    .required(`right would be one of ${EDITIONS.join(', ')}`)
    .test(
      'edition',
      ({ value }) => `${quoted(value)} is no edition here; right would be one of ${EDITIONS.join(', ')}`,
      (value) => EDITIONS.includes(value as Edition),
    ),
  title: string()
    .typeError(({ path, value }: { path: string; value: unknown }) => `${path}: ${quoted(value)} is no text`)
    .max(MOST_TITLE, `longer than ${MOST_TITLE} characters`)
    .optional(),
  source,
  siting,
  cord,
  inlet,
  feeder,
  breaker,
  transfer,
  neutral,
  grounding,
  panel,
  labels,
  loads,
  function: functionTest,
  local,
  recorded,
});

type Inferred = InferType<typeof caseSchema>;
export type Case = { readonly [K in keyof Inferred]: Inferred[K] };

/** A case with nothing recorded. */
export function emptyCase(edition: Edition): Case {
  return { format: FORMAT, version: VERSION, edition };
}
