import { array, object, string, type ObjectShape } from 'yup';
import { CONFIGURATION_NAMES, type ConfigurationName } from '../codebook';
import { amount, choice, quoted, type FactMeta } from './fact';
import { traitOf, type Trait } from './traits';

/** More cords, stretches or circuits than anyone will meet; a limit that keeps a broken file from costing time. */
export const MOST_PARTS = 42;

function closest(word: string, words: readonly string[]): string | undefined {
  const lower = word.toLowerCase();
  return words.find((one) => one.toLowerCase() === lower || one.toLowerCase().startsWith(lower.slice(0, 4)));
}

/** An object whose unknown keys are errors, never silently dropped. */
export function part<S extends ObjectShape>(shape: S) {
  const keys = Object.keys(shape);
  return object(shape)
    .typeError(
      ({ path, value }: { path: string; value: unknown }) =>
        `${path}: ${quoted(value)} is no group of facts; right would be { … }`,
    )
    .nonNullable('null is no group of facts; right would be { … }')
    .test('keys', (value, context) => {
      const stray = value && Object.keys(value).find((key) => !keys.includes(key));
      if (stray === undefined || value === undefined) return true;
      const meant = closest(stray, keys);
      return context.createError({
        message: `${quoted(stray)} is no fact known here; ${meant ? `"${meant}" may be meant` : `known are ${keys.join(', ')}`}`,
      });
    });
}

export const station = <S extends ObjectShape>(shape: S) => part(shape).default(undefined).optional();

/** What an entry of a list is known by, whatever its position; made where it is added, and no fact. */
const id = string()
  .strict()
  .typeError(({ value }: { value: unknown }) => `${quoted(value)} is no id; right would be a text`)
  .matches(
    /^[A-Za-z0-9-]{1,64}$/,
    ({ value }) => `${quoted(value)} is no id; right would be letters, digits and dashes, at most 64`,
  )
  .required('missing; each entry has an id of its own');

export function several<S extends ObjectShape>(shape: S, word: string) {
  return array(
    part({ id, ...shape })
      .default(undefined)
      .required(`a ${word} must be a group of facts { … }`),
  )
    .typeError(
      ({ path, value }: { path: string; value: unknown }) =>
        `${path}: ${quoted(value)} is no list; right would be [ … ]`,
    )
    .nonNullable('null is no list; right would be [ … ]')
    .max(MOST_PARTS, `more than ${MOST_PARTS} entries`)
    .test('ids', 'two entries have the same id', (entries) => {
      const ids = entries?.map((one) => (one as { id?: unknown } | null)?.id) ?? [];
      return new Set(ids).size === ids.length;
    })
    .default(undefined)
    .optional();
}

export const labeled = <K extends string>(names: readonly K[], label: (name: K) => string) =>
  Object.fromEntries(names.map((name) => [name, label(name)])) as Record<K, string>;

export const configuration = (label: string, ask: string, drawing: 'configuration' = 'configuration') =>
  choice<ConfigurationName>(
    labeled(CONFIGURATION_NAMES, (name) => name),
    { label, ask, drawing },
  );

export const device = (label: string, ask: string, usual: readonly number[], when?: FactMeta['when']) =>
  amount('A', [1, 400], usual, { label, ask, drawing: 'device', ...(when && { when }) });

type Site = Readonly<Record<string, Readonly<Record<string, unknown>> | undefined>>;
type When = NonNullable<FactMeta['when']>;

/** Asked only where the connection has a trait. */
export const withTrait =
  (...traits: readonly Trait[]): When =>
  (_, site) =>
    traits.every((trait) => traitOf((site as Site).transfer?.kind, trait) === true);

/** Asked unless the connection is known to lack a trait. */
export const unlessWithout =
  (trait: Trait): When =>
  (_, site) =>
    traitOf((site as Site).transfer?.kind, trait) !== false;

/** Asked only where several conditions hold together. */
export const both =
  (...conditions: readonly When[]): When =>
  (siblings, site) =>
    conditions.every((one) => one(siblings, site));

/** Asked wherever something is wired to the house through an inlet. */
export const withInlet = withTrait('inlet');

/** Asked wherever the house hangs on the source, through an inlet or against all rules. */
export const wired = unlessWithout('wired');

/** Asked only where another fact of the case stands so. */
export const whenSite =
  (station: string, key: string, ...values: unknown[]): NonNullable<FactMeta['when']> =>
  (_, site) =>
    values.includes((site as Site)[station]?.[key]);
