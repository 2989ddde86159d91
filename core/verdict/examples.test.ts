import { readFileSync, readdirSync } from 'node:fs';
import { TRANSFER_KINDS } from '../case';
import { RULES } from '../rules';
import { example, numbersFromNowhere } from '../test/rule-table';
import { evaluate } from '.';

const folder = `${__dirname}/../../examples`;
/** Held line by line against the rulebook; a line changes only with a reason, never because the engine says so. */
const expected = Object.fromEntries(
  readFileSync(`${folder}/expected.csv`, 'utf8')
    .trim()
    .split('\n')
    .slice(1)
    .map((line) => line.split(','))
    .map(([name, verdict, violations]) => [name!, { verdict, violations: violations!.split(' ').filter(Boolean) }]),
);
const names = readdirSync(folder)
  .filter((file) => file.endsWith('.json'))
  .map((file) => file.replace('.json', ''));

test('every example has its expected outcome beside it, and the other way round', () => {
  expect(Object.keys(expected).sort()).toEqual(names.sort());
});

test.each(names)('%s', (name) => {
  const { verdict, outcomes } = evaluate(example(name));
  const rules = (kind: string) => outcomes.filter((one) => one.outcome === kind).map((one) => one.rule);
  expect({ verdict, violations: rules('violation').sort(), unproven: rules('unproven').length > 0 }).toEqual({
    ...expected[name],
    unproven: expected[name]!.verdict === 'not-finished',
  });
});

test.each(names)('%s: every number that was found or allowed stands in the working', (name) => {
  expect(evaluate(example(name)).outcomes.flatMap(numbersFromNowhere)).toEqual([]);
});

test('every transfer equipment and every rule’s typical violation has an example', () => {
  expect([...new Set(names.map((name) => example(name).transfer!.kind))].sort()).toEqual(
    Object.keys(TRANSFER_KINDS).sort(),
  );
  const shown = new Set(Object.values(expected).flatMap((one) => one.violations));
  expect(RULES.map((one) => one.id).filter((id) => !shown.has(id))).toEqual([]);
});
