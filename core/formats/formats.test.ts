import { readFileSync } from 'node:fs';
import Ajv2020 from 'ajv/dist/2020';
import { factAt, readCase, recordedFacts, withSound, type Case } from '../case';
import { BASES, EXAMPLES, example } from '../test/examples';
import { caseJsonSchema, exampleJsonSchema, isExample, readExample } from '.';

const folder = `${__dirname}/../../examples`;
const validate = new Ajv2020().compile(caseJsonSchema());
const examples = EXAMPLES.map((name) => [name, example(name) as object] as const);

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

test.each([
  ['case', caseJsonSchema],
  ['example', exampleJsonSchema],
] as const)('the published schema of a %s is the current one', (name, schema) => {
  expect(JSON.parse(readFileSync(`${__dirname}/../../docs/${name}.schema.json`, 'utf8'))).toEqual(
    JSON.parse(JSON.stringify(schema())),
  );
});

describe('examples', () => {
  const fits = new Ajv2020().compile(exampleJsonSchema());
  const bases = Object.fromEntries(
    BASES.map((name) => [name, JSON.parse(readFileSync(`${folder}/bases/${name}.json`, 'utf8')) as unknown]),
  );
  const baseOf = (name: string) => (name in bases ? readCase(bases[name]) : undefined);
  const EXAMPLE = {
    format: 'careful-latch/example',
    base: 'interlock',
    title: 'A small inlet',
    otherwise: { 'inlet.ratingA': 20, 'cord[0].lengthFt': null },
    expect: { verdict: 'not-finished', violations: [] as string[] },
  };
  const reading = (change: object) => readExample({ ...EXAMPLE, ...change }, baseOf);

  test.each(EXAMPLES)('%s is told in the published form', (name) => {
    expect(fits(JSON.parse(readFileSync(`${folder}/${name}.json`, 'utf8')))).toBe(true);
  });

  test.each(BASES)('the base %s is a whole house, with an answer to every fact that carries one', (name) => {
    const read = readCase(bases[name]);
    expect(read.ok && read.case).toEqual(withSound((read.ok && read.case) as Case)); // else: npm run docs
  });

  test('what is otherwise stands on the base; null is what nobody has looked at', () => {
    const read = reading({});
    const base = readCase(bases.interlock);
    if (!read.ok || !base.ok) throw new Error('unread');
    expect([read.base, read.expect, read.case.title, read.case.inlet!.ratingA]).toEqual([
      'interlock',
      EXAMPLE.expect,
      'A small inlet',
      20,
    ]);
    expect(recordedFacts(base.case).filter((path) => factAt(read.case, path) === undefined)).toEqual([
      'cord[0].lengthFt',
    ]);
    expect(isExample(EXAMPLE) && !isExample(read.case) && !isExample(null)).toBe(true);
  });

  test('entries come and go whole, and those behind one that is gone move up', () => {
    const read = reading({ otherwise: { 'cord[1]': { id: 'cord-b', part: 'cord' }, 'loads.circuits[0]': null } });
    const base = readCase(bases.interlock);
    if (!read.ok || !base.ok) throw new Error('unread');
    expect(read.case.cord!.map((one) => one.id)).toEqual(['cord-1', 'cord-b']);
    expect(read.case.loads!.circuits).toEqual(base.case.loads!.circuits!.slice(1));
  });

  test.each<[string, object, RegExp]>([
    ['another base', { base: 'nowhere' }, /^base: there is no sound house "nowhere"/],
    ['no title', { title: undefined }, /^title: missing/],
    ['a stray key', { colour: 'red' }, /colour: nothing that an example says/],
    ['a fact that is none', { otherwise: { 'inlet.colour': 'red' } }, /^inlet: "colour" is no fact known here/],
    ['a value that is none', { otherwise: { 'inlet.ratingA': 'x' } }, /^inlet.ratingA: .*right would be/],
    ['a list of facts', { otherwise: [] }, /^otherwise: right would be facts by their addresses/],
    ['a rule that is none', { expect: { verdict: 'not-finished', violations: ['inlet/x'] } }, /"inlet\/x" is no rule/],
    [
      'a verdict that is none',
      { expect: { verdict: 'fine', violations: [] } },
      /^expect.verdict: right would be one of/,
    ],
  ])('%s is refused with a sentence', (_, change, words) => {
    const read = reading(change);
    expect([read.ok, read.ok ? '' : read.errors[0]]).toEqual([false, expect.stringMatching(words)]);
  });
});
