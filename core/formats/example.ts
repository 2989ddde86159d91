import { array, mixed, object, string, ValidationError } from 'yup';
import { factAt, quoted, readCase, withFact, withSound, type Case, type Read } from '../case';
import { RULES } from '../rules';
import { VERDICT_WORDS, type Verdict } from '../verdict';

export const EXAMPLE_FORMAT = 'careful-latch/example';
const VERDICTS = Object.keys(VERDICT_WORDS) as Verdict[];

/** What an example is expected to come out as. */
export interface Expected {
  readonly verdict: Verdict;
  /** Ids of the rules that are violated. */
  readonly violations: readonly string[];
}

/** A house told by what is otherwise there than at a sound one. */
interface Example {
  readonly format: typeof EXAMPLE_FORMAT;
  /** Name of the sound house, a whole case file. */
  readonly base: string;
  readonly title: string;
  /** Facts by address, or whole entries (`cord[1]`); null takes away what the base has. */
  readonly otherwise: Readonly<Record<string, unknown>>;
  readonly expect: Expected;
}

export type ReadExample =
  | { readonly ok: true; readonly case: Case; readonly base: string; readonly expect: Expected }
  | { readonly ok: false; readonly errors: string[] };

const text = (what: string) =>
  string()
    .strict()
    .typeError(({ path, value }: { path: string; value: unknown }) => `${path}: ${quoted(value)} is no text`)
    .required(`missing; ${what}`);
const stray = ({ unknown }: { unknown: string }) => `${unknown}: nothing that an example says`;

const exampleSchema = object({
  format: mixed<typeof EXAMPLE_FORMAT>().oneOf([EXAMPLE_FORMAT]).required(),
  base: text('it names a sound house').matches(/^[a-z0-9-]{1,60}$/, 'right would be the name of a sound house'),
  title: text('it says in a line what is wrong there'),
  otherwise: mixed<Example['otherwise']>()
    .required('missing; { } where nothing is otherwise')
    .test(
      'addresses',
      'right would be facts by their addresses: { "inlet.ratingA": 20 }',
      (value) => typeof value === 'object' && value !== null && !Array.isArray(value),
    ),
  expect: object({
    verdict: mixed<Verdict>()
      .oneOf(VERDICTS, `right would be one of ${VERDICTS.join(', ')}`)
      .required(),
    violations: array(
      string()
        .oneOf(
          RULES.map(({ id }) => id),
          ({ value }) => `${quoted(value)} is no rule`,
        )
        .required(),
    ).required('missing; [ ] where nothing is violated'),
  })
    .noUnknown(stray)
    .required('missing; what comes out'),
}).noUnknown(stray);

/** Whether parsed JSON is an example rather than a whole case. */
export const isExample = (data: unknown): boolean =>
  typeof data === 'object' && data !== null && (data as { format?: unknown }).format === EXAMPLE_FORMAT;

const errorsOf = (error: unknown): string[] => {
  if (!(error instanceof ValidationError)) throw error;
  return (error.inner.length > 0 ? error.inner : [error]).map(({ path, message }) =>
    !path || message.startsWith(`${path}:`) ? message : `${path}: ${message}`,
  );
};

/** Everything that an address names is gone: a fact, a station, or an entry of a list, whose followers move up. */
function without(c: Case, path: string): Case {
  const [, list, index] = /^(.*)\[(\d+)\]$/.exec(path) ?? [];
  const entries = list === undefined ? undefined : factAt(c, list);
  return Array.isArray(entries)
    ? withFact(
        c,
        list!,
        entries.filter((_, i) => i !== Number(index)),
      )
    : withFact(c, path, undefined);
}

/**
 * Reads an example as the whole case that it stands for: its base, what is otherwise there, and for facts that are younger than
 * the base the answer of a sound house. `baseOf` reads the case file of a sound house by its name, undefined where there is none.
 */
export function readExample(data: unknown, baseOf: (name: string) => Read | undefined): ReadExample {
  let example: Example;
  try {
    example = exampleSchema.validateSync(data, { strict: true, abortEarly: false }) as Example;
  } catch (error) {
    return { ok: false, errors: errorsOf(error) };
  }
  const base = baseOf(example.base);
  if (base === undefined) return { ok: false, errors: [`base: there is no sound house ${quoted(example.base)}`] };
  if (!base.ok) return { ok: false, errors: base.errors.map((error) => `base ${example.base}: ${error}`) };
  const gone = new Set(Object.keys(example.otherwise).filter((path) => example.otherwise[path] === null));
  const told = Object.entries(example.otherwise).reduce<Case>(
    (c, [path, value]) => (value === null ? without(c, path) : withFact(c, path, value)),
    { ...base.case, title: example.title },
  );
  const read = readCase(told); // before what is sound is added: an address that is none must not be filled
  return read.ok ? { ok: true, case: withSound(read.case, gone), base: example.base, expect: example.expect } : read;
}

/** The form of an example as a JSON Schema, 2020-12. */
export function exampleJsonSchema(): Record<string, unknown> {
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'Careful Latch example',
    description: 'A house told by what is otherwise there than at a sound one, and what comes out.',
    type: 'object',
    additionalProperties: false,
    required: ['format', 'base', 'title', 'otherwise', 'expect'],
    properties: {
      format: { const: EXAMPLE_FORMAT },
      base: {
        type: 'string',
        pattern: '^[a-z0-9-]{1,60}$',
        description:
          'The sound house that it differs from, a whole case file: BASE.json in the folder bases beside it.',
      },
      title: { type: 'string' },
      otherwise: {
        type: 'object',
        description:
          'What is otherwise, by address as in breaker.ratingA or cord[0].sizeAwg, or a whole entry as in cord[1]; null: nobody has looked, or it is not there.',
      },
      expect: {
        type: 'object',
        additionalProperties: false,
        required: ['verdict', 'violations'],
        properties: {
          verdict: { enum: VERDICTS },
          violations: { type: 'array', items: { type: 'string' }, description: 'Rules that are violated, by id.' },
        },
      },
    },
  };
}
