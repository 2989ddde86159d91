import { FORMAT, HOWS, MOST_PARTS, NOT_SEEN, VERSION, caseSchema, type FactMeta } from '../case';
import { EDITIONS } from '../codebook';

type Json = Record<string, unknown>;

/** JSON Schema of one fact. Not seen is an answer of every fact; not looked at yet is its absence. */
function factSchema(meta: FactMeta): Json {
  const value =
    meta.kind === 'amount'
      ? { type: 'number', minimum: meta.min, maximum: meta.max }
      : { enum: meta.choices.map((one) => one.value) };
  return {
    title: meta.label,
    description: [meta.ask, meta.unit].filter(Boolean).join('; unit: '),
    anyOf: [value, { const: NOT_SEEN }],
  };
}

const ID_PATTERN = '^[A-Za-z0-9-]{1,64}$';

interface Node {
  readonly type: string;
  readonly meta?: { readonly fact?: FactMeta };
  readonly fields?: Readonly<Record<string, Node>>;
  readonly innerType?: Node;
}

function partSchema(node: Node): Json {
  if (node.meta?.fact) return factSchema(node.meta.fact);
  if (node.innerType) return { type: 'array', maxItems: MOST_PARTS, items: partSchema(node.innerType) };
  const { id, ...facts } = node.fields ?? {};
  return {
    type: 'object',
    additionalProperties: false,
    ...(id && { required: ['id'] }),
    properties: {
      ...(id && { id: { type: 'string', description: 'Its own, whatever its place; no fact.', pattern: ID_PATTERN } }),
      ...Object.fromEntries(Object.entries(facts).map(([key, field]) => [key, partSchema(field)])),
    },
  };
}

/** The case file as a JSON Schema, 2020-12, made from the Yup schema. */
export function caseJsonSchema(): Json {
  const stations = partSchema(caseSchema.describe() as unknown as Node);
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'Careful Latch case file',
    description: 'What was recorded at one generator connection. A fact that is absent was not looked at yet.',
    ...stations,
    required: ['format', 'version', 'edition'],
    properties: {
      ...(stations.properties as Json),
      format: { const: FORMAT },
      version: { const: VERSION },
      edition: { enum: EDITIONS },
      title: { type: 'string', maxLength: 300 },
      local: {
        type: 'object',
        description: 'Answers to the local profile’s own items, by id; who did the work under installer.',
        properties: { installer: { enum: ['licensed', 'owner', NOT_SEEN] } },
        propertyNames: { pattern: '^[a-z0-9-]{1,60}$' },
        additionalProperties: { enum: ['yes', 'no', NOT_SEEN] },
      },
      recorded: {
        type: 'object',
        description:
          'How facts were recorded, by their addresses with an entry’s id for its place: cord[cord-1].sizeAwg.',
        additionalProperties: {
          type: 'object',
          additionalProperties: false,
          required: ['how', 'at', 'by'],
          properties: {
            how: { enum: Object.keys(HOWS) },
            at: { type: 'string', maxLength: 40 },
            by: { type: 'string', maxLength: 200 },
            said: { type: 'string', maxLength: 200 },
          },
        },
      },
    },
  };
}
