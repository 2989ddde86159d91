import Ajv from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { array, boolean, mixed, number, object, string } from 'yup';
import { CHANGES } from '@careful-latch/core/record';
import { jsonSchemaOf, queryParametersOf } from './json-schema';
import { openApi } from './openapi';

const ajv = addFormats(new Ajv({ strict: false }));
const ID = '0dd0a7c4-1f5e-4b7a-9c00-000000000001';

const schema = object({
  id: string().uuid().required(),
  name: string().trim().required().min(2).max(5),
  note: string().default(''),
  hash: string().matches(/^[0-9a-f]{4}$/).optional(),
  loud: string().matches(/^[A-Z]+$/i).optional(),
  years: number().integer().min(1).max(100).nullable().defined(),
  turnDeg: number().min(0).lessThan(360).optional(),
  kind: mixed<'ring' | 'arrow'>().oneOf(['ring', 'arrow']).required(),
  of: object({ on: boolean().required() }).noUnknown().nullable().default(undefined).optional(),
  list: array(number().required()).required().max(2),
}); // prettier-ignore
const GOOD = { id: ID, name: 'abc', years: null, kind: 'ring', list: [1, 2], of: { on: true } };

test('a schema as JSON Schema takes what it takes, and refuses what it refuses', () => {
  const valid = ajv.compile(jsonSchemaOf(schema));
  for (const over of [{}, { years: 3 }, { of: null }, { note: 'x' }, { hash: '00ff' }, { loud: 'Ab' }, { turnDeg: 359 }]) {
    expect([over, valid({ ...GOOD, ...over })]).toEqual([over, true]);
    expect(schema.isValidSync({ ...GOOD, ...over })).toBe(true);
  }
  for (const over of [
    { id: 'x' }, { name: 'a' }, { name: 'abcdef' }, { name: undefined }, { years: 0 }, { years: 1.5 }, { years: undefined },
    { kind: 'box' }, { kind: undefined }, { list: [1, 2, 3] }, { list: ['a'] }, { list: undefined }, { of: { on: true, off: true } },
    { of: {} }, { stray: 1 }, { hash: 'no' }, { turnDeg: 360 },
  ]) {
    const data = JSON.parse(JSON.stringify({ ...GOOD, ...over })) as object;
    expect([over, valid(data)]).toEqual([over, false]);
  }
}); // prettier-ignore

test('the fields of a schema are parameters: which is due, and what it is where it is left out', () => {
  expect(queryParametersOf(object({ at: number().integer().min(0).required(), limit: number().default(50) }))).toEqual([
    { name: 'at', in: 'query', required: true, schema: { type: 'integer', minimum: 0 } },
    { name: 'limit', in: 'query', schema: { type: 'number', default: 50 } },
  ]);
});

test('every change that the core reads is described, and none else', () => {
  const { components } = openApi() as unknown as { components: { schemas: Record<string, object> } };
  const { Changes } = components.schemas as unknown as { Changes: { properties: { changes: { items: { oneOf: { properties: { type: object; to?: object } }[] } } } } }; // prettier-ignore
  const { oneOf } = Changes.properties.changes.items;
  expect(oneOf).toHaveLength(Object.keys(CHANGES).length);
  const valid = ajv.compile({ ...Changes, components });
  const base = { id: ID, inspection: ID, at: '2026-12-02T10:00:00Z' };
  const taken = [
    { ...base, type: 'facts', facts: [{ path: 'breaker.ratingA', value: 30, how: 'touched', over: [] }] },
    { ...base, type: 'order', order: ID, to: 'lifted', words: 'All of it is gone.' },
    { ...base, type: 'visit', visit: ID, to: 'scheduled', words: '', day: '2026-12-09' },
    { ...base, type: 'request' },
  ];
  expect([valid({ changes: taken }), valid.errors]).toEqual([true, null]);
  for (const wrong of [
    { ...taken[1], to: 'burnt' },
    { ...taken[1], stray: 1 },
    { ...base, type: 'order', to: 'lifted' },
    { ...taken[2], day: 'soon' },
  ])
    // prettier-ignore
    expect([wrong, valid({ changes: [wrong] })]).toEqual([wrong, false]);
});
