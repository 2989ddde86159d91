import { array, mixed, number, object, string } from 'yup';
import { uuidOf } from '../test/inspection';
import { readAsSent, readChange } from '.';

const schema = object({
  name: string().required('Give a name.'),
  hours: number().optional(),
  on: object({ day: string() }).default(undefined).optional(),
  of: array(object({ part: string() })).optional(),
  any: mixed().optional(),
});
const said = (data: unknown) => {
  try {
    return readAsSent(schema, data);
  } catch (error) {
    return (error as Error).message;
  }
};

test.each<[string, unknown, string]>([
  ['a name that nothing has', { name: 'x', role: 'lead' }, 'It has nothing that is called “role”.'],
  ['one within', { name: 'x', on: { hour: 1 } }, '“on” has nothing that is called “hour”.'],
  ['one in a list', { name: 'x', of: [{}, { to: 1 }] }, '“of.1” has nothing that is called “to”.'],
  ['what every object has by birth', JSON.parse('{"name":"x","__proto__":{}}'), 'It has nothing that is called “__proto__”.'],
  ['a number for a text', { name: 7 }, '“name”: text is due here, not a number.'],
  ['a text for a number', { name: 'x', hours: '7' }, '“hours”: a number is due here, not text.'],
  ['an object for a text', { name: {} }, '“name”: text is due here, not an object.'],
  ['a list for a text', { name: ['x'] }, '“name”: text is due here, not a list.'],
  ['a text for a list', { name: 'x', of: '[]' }, '“of”: a list is due here, not text.'],
  ['a list for an object', [], 'It: an object is due here, not a list.'],
  ['half a character', { name: '\ud800' }, 'A text holds a character that cannot be kept; write it anew.'],
  ['what is missing', {}, 'Give a name.'],
  ['none in the place of a text', { name: null }, 'Give a name.'],
])('%s is refused with a sentence', (_, data, why) => expect(said(data)).toBe(why)); // prettier-ignore

test('what is as it should be is read, and what a schema leaves open stays as it came', () => {
  const data = { name: 'x', hours: 7, on: { day: '2026-11-26' }, of: [{ part: 'a' }], any: [{ deep: '7' }] };
  expect(said(data)).toEqual(data);
});

test('a change says what is wrong with it, and an id is the same in every hand', () => {
  const change = { type: 'visit', id: uuidOf(1), inspection: uuidOf(2), at: '2026-11-26T10:00:00Z', visit: uuidOf(3), to: 'cancelled', words: 'x' }; // prettier-ignore
  expect(readChange(change)).toMatchObject(change);
  expect(() => readChange({ ...change, words: {} })).toThrow('“words”: text is due here, not an object.');
  expect(() => readChange({ ...change, visit: 'ABCDEFAB-0000-4000-8000-000000000001' })).toThrow('small letters');
});
