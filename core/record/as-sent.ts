import { ValidationError, type AnySchema, type InferType } from 'yup';
import { NO_NAMES, whyNoText } from './shapes';

/** What a schema wants, in words; of other types anything is looked at by the schema itself. */
const TYPES = { string: 'text', number: 'a number', boolean: 'true or false', object: 'an object', array: 'a list' };
type Typed = keyof typeof TYPES;

const typeOf = (data: unknown): string => (Array.isArray(data) ? 'array' : typeof data);
const named = (at: string) => (at === '' ? 'It' : `“${at}”`);

/**
 * Why data are not, as they came, what a schema reads: a name that it does not have, or a value of another type, which the schema
 * would turn into its own. Undefined where they are; what is missing, or wrong in itself, the schema says.
 */
function whyNotAsSent(schema: AnySchema, data: unknown, at = ''): string | undefined {
  if (data === undefined || data === null || !Object.hasOwn(TYPES, schema.type)) return undefined;
  const is = typeOf(data);
  if (is !== schema.type) {
    const came = Object.hasOwn(TYPES, is) ? TYPES[is as Typed] : is;
    return `${named(at)}: ${TYPES[schema.type as Typed]} is due here, not ${came}.`;
  }
  if (typeof data === 'string') return whyNoText(data);
  const inner = (one: AnySchema, key: string | number, value: unknown) =>
    whyNotAsSent(one, value, at === '' ? String(key) : `${at}.${key}`);
  if (Array.isArray(data)) {
    const { innerType } = schema as AnySchema & { innerType?: AnySchema };
    return innerType && firstOf(data.map((one, i) => () => inner(innerType, i, one)));
  }
  const { fields = {} } = schema as AnySchema & { fields?: Record<string, AnySchema> };
  if (Object.keys(fields).length === 0) return undefined; // whoever reads it knows what an entry has
  return firstOf(
    Object.entries(data as object).map(([key, value]) => () => {
      const known = Object.hasOwn(fields, key) && !NO_NAMES.includes(key);
      return known ? inner(fields[key]!, key, value) : `${named(at)} has nothing that is called “${key.slice(0, 60)}”.`;
    }),
  );
}

const firstOf = (asks: readonly (() => string | undefined)[]): string | undefined => {
  for (const ask of asks) {
    const why = ask();
    if (why !== undefined) return why;
  }
  return undefined;
};

/**
 * Reads by a schema what was sent: nothing goes in that the schema does not name, and nothing is turned from one type into another.
 * Throws a `ValidationError` whose message is a sentence.
 */
export function readAsSent<S extends AnySchema>(schema: S, data: unknown): InferType<S> {
  const why = whyNotAsSent(schema, data);
  if (why !== undefined) throw new ValidationError(why, data);
  return schema.validateSync(data) as InferType<S>;
}
