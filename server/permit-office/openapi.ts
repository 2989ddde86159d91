const text = { type: 'string' };
const json = (schema: object) => ({ content: { 'application/json': { schema } } });
const object = (properties: Record<string, object>) => ({
  type: 'object',
  properties,
  required: Object.keys(properties),
});
const permit = object({
  number: text,
  address: text,
  owner: text,
  contractor: text,
  license: text,
  until: { anyOf: [{ type: 'string', format: 'date' }, { type: 'null' }] },
  status: text,
});
const refused = { description: 'Refused, with a sentence', ...json(object({ detail: text })) };

/** What a permit office answers that Careful Latch can be connected to. */
export const permitOfficeApi = () => ({
  openapi: '3.1.0',
  info: { title: 'Permit office, simulated', version: '1.0.0' },
  paths: {
    '/permits': {
      get: {
        summary: 'Permits by number, or by address; part of either is enough',
        parameters: ['number', 'address'].map((name) => ({ name, in: 'query', schema: text })),
        responses: { '200': { description: 'Found', ...json(object({ permits: { type: 'array', items: permit } })) }, '403': refused }, // prettier-ignore
      },
    },
    '/results': {
      post: {
        summary: 'The result of a visit; the same idempotency key is one result, however often it comes',
        parameters: [{ name: 'idempotency-key', in: 'header', required: true, schema: text }],
        requestBody: json(object({ permit: text, decision: text, day: { type: 'string', format: 'date' }, record: text, final: { type: 'boolean' } })), // prettier-ignore
        responses: { '200': { description: 'How the permit stands now', ...json(object({ status: text, known: { type: 'boolean' } })) }, '422': refused }, // prettier-ignore
      },
      get: {
        summary: 'What it was told, by key',
        responses: { '200': { description: 'All', ...json({ type: 'object' }) } },
      },
    },
    '/way': {
      get: { summary: 'How it behaves', responses: { '200': { description: 'The way' } } },
      put: {
        summary: 'A switch: well, slow, refusing, dead, or double (takes it, and loses the answer)',
        requestBody: json(object({ way: { enum: ['well', 'slow', 'refusing', 'dead', 'double'] } })),
        responses: { '200': { description: 'The way' }, '422': refused },
      },
    },
  },
});
