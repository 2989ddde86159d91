import { readFileSync, readdirSync } from 'node:fs';
import Ajv2020 from 'ajv/dist/2020';
import { readCase } from '../case';
import { caseJsonSchema } from '.';

const validate = new Ajv2020().compile(caseJsonSchema());
const examples = readdirSync(`${__dirname}/../../examples`)
  .filter((file) => file.endsWith('.json'))
  .map((file) => [file, JSON.parse(readFileSync(`${__dirname}/../../examples/${file}`, 'utf8')) as object] as const);

test.each(examples)('%s satisfies the JSON Schema', (_, data) => {
  expect(validate(data)).toBe(true);
});

test.each<[string, object]>([
  ['a size that is none', { cord: [{ sizeAwg: '11' }] }],
  ['a stray key', { breaker: { color: 'red' } }],
  ['a negative length', { cord: [{ lengthFt: -1 }] }],
  ['a number as text', { breaker: { ratingA: '30' } }],
  ['too many cords', { cord: Array.from({ length: 43 }, () => ({})) }],
  ['another edition', { edition: '2014' }],
  ['null', { inlet: null }],
])('JSON Schema and Yup refuse alike: %s', (_, change) => {
  const data = { ...examples[0]![1], ...change };
  expect([validate(data), readCase(data).ok]).toEqual([false, false]);
});

test('the published schema is the current one', () => {
  expect(JSON.parse(readFileSync(`${__dirname}/../../docs/case.schema.json`, 'utf8'))).toEqual(
    JSON.parse(JSON.stringify(caseJsonSchema())),
  );
});
