import fc from 'fast-check';
import { CATALOGUE, NOT_SEEN, readCase } from '.';
import { EXAMPLES, example } from '../test/examples';
import { caseSchema } from './schema';

const examples: unknown[] = EXAMPLES.map(example);

/** Every place of a case where something stands, groups and lists among them. */
function placesOf(data: unknown, at: readonly string[] = []): string[][] {
  if (typeof data !== 'object' || data === null) return [[...at]];
  return [[...at], ...Object.entries(data).flatMap(([key, value]) => placesOf(value, [...at, key]))];
}

/** A copy with something else at one place; `undefined` takes away what stands there. */
function crooked(data: unknown, [key, ...rest]: readonly string[], value: unknown): unknown {
  if (key === undefined) return value;
  const copy = (Array.isArray(data) ? [...(data as unknown[])] : { ...(data as object) }) as Record<string, unknown>;
  const inner = crooked(copy[key], rest, value);
  if (inner === undefined) delete copy[key];
  else copy[key] = inner;
  return copy;
}

const words = [...CATALOGUE.values()].flatMap(({ choices }) => choices.map((one) => one.value));
const anything = fc.oneof(
  fc.constantFrom(undefined, null, NOT_SEEN, '', {}, [], true, -1, 0, 30, 1e9, NaN, ...words),
  fc.jsonValue({ maxDepth: 2 }) as fc.Arbitrary<unknown>,
  fc.constant(Array.from({ length: 50 }, (_, i) => ({ id: `x-${i}` }))),
  fc.constant([{ id: 'x' }, { id: 'x' }]),
);

test('what is read is what the schema takes, whatever stands wherever', () => {
  let taken = 0;
  let refused = 0;
  fc.assert(
    fc.property(fc.constantFrom(...examples), fc.nat(), anything, fc.string(), (site, nth, value, stray) => {
      const places = placesOf(site);
      const place = places[nth % places.length]!;
      for (const at of [place, [...place, stray]]) {
        // No JSON says these so.
        if (at.includes('__proto__') || at.at(-1) === 'length' || (at.length === 0 && value === undefined)) continue;
        const data = crooked(site, at, value);
        const sound = caseSchema.isValidSync(data, { strict: true });
        expect([at, readCase(data).ok]).toEqual([at, sound]);
        if (sound) taken++;
        else refused++;
      }
    }),
    { numRuns: 700 },
  );
  expect(Math.min(taken, refused)).toBeGreaterThan(10);
});

test.each([
  ['a list with a hole', { cord: [undefined] }],
  ['a list for a group', { inlet: [] }],
  ['no version', { version: undefined }],
  ['an object that has no text to it, for a size', { cord: [{ id: 'cord-1', sizeAwg: { toString: '60' } }] }],
  [
    'an object that has no text to it, for how a fact was recorded',
    { recorded: { 'inlet.ratingA': { how: { toString: 'x' } } } },
  ],
  ['a list for how a fact was recorded', { recorded: { 'inlet.ratingA': { how: ['seen'], at: '', by: '' } } }],
])('%s is refused with a sentence', (_, change) => {
  const read = readCase({ ...(examples[0] as object), ...change });
  expect(read.ok).toBe(false);
  expect(!read.ok && read.errors[0]).toMatch(/right would be|must be a group|nearest are/);
});
