import type { AnySchema } from 'yup';

type Json = Record<string, unknown>;

/** Yup's own account of a schema, as far as it is read here. */
interface Described {
  readonly type: string;
  readonly optional: boolean;
  readonly nullable: boolean;
  readonly default?: unknown;
  readonly oneOf: readonly unknown[];
  readonly tests: readonly { readonly name?: string; readonly params?: Readonly<Record<string, unknown>> }[];
  readonly fields?: Readonly<Record<string, Described>>;
  readonly innerType?: Described;
}

/** The limits of a schema under the names that JSON Schema has for them; what it has no name for is left out. */
function limitsOf({ type, tests }: Described): Json {
  const limits: Json = {};
  for (const { name, params = {} } of tests) {
    const { min, max, less, regex, excludeEmptyString } = params as { min?: number; max?: number; less?: number; regex?: RegExp; excludeEmptyString?: boolean }; // prettier-ignore
    const of = type === 'string' ? 'Length' : type === 'array' ? 'Items' : 'imum';
    if (min !== undefined) limits[`min${of}`] = min;
    if (max !== undefined) limits[`max${of}`] = max;
    if (less !== undefined) limits.exclusiveMaximum = less;
    if (name === 'integer') limits.type = 'integer';
    if (name === 'uuid') limits.format = 'uuid';
    else if (name === 'email') limits.format = 'email';
    // A pattern here has no flags but the one that it always has, and no exception for what is empty.
    else if (regex && (regex.flags === '' || regex.flags === 'u') && !excludeEmptyString) limits.pattern = regex.source;
  }
  return limits;
}

function shapeOf(one: Described): Json {
  const { type, fields = {}, innerType, oneOf } = one;
  if (oneOf.length > 0) return { enum: oneOf.filter((value) => value !== null) };
  if (type === 'mixed') return {};
  if (type === 'array') return { type, ...(innerType && { items: jsonOf(innerType) }), ...limitsOf(one) };
  if (type !== 'object') return { type, ...limitsOf(one) };
  if (Object.keys(fields).length === 0) return { type };
  return {
    type,
    additionalProperties: false, // what is not named is refused by whoever reads it
    properties: Object.fromEntries(Object.entries(fields).map(([key, field]) => [key, jsonOf(field)])),
    required: Object.keys(fields).filter((key) => !fields[key]!.optional && fields[key]!.default === undefined),
  };
}

function jsonOf(one: Described): Json {
  const shape = shapeOf(one);
  if (!one.nullable || Object.keys(shape).length === 0) return shape;
  return { anyOf: [shape, { type: 'null' }] };
}

/** What a schema reads as JSON Schema 2020-12: the same that refuses a request describes it. */
export const jsonSchemaOf = (schema: AnySchema): Json => jsonOf(schema.describe() as unknown as Described);

/** The fields of a schema as the parameters of an address. */
export const queryParametersOf = (schema: AnySchema): Json[] =>
  Object.entries((schema.describe() as unknown as Described).fields ?? {}).map(([name, field]) => ({
    name,
    in: 'query',
    ...(!field.optional && field.default === undefined && { required: true }),
    schema: { ...jsonOf(field), ...(field.default !== undefined && { default: field.default }) },
  }));
