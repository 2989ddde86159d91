import { TRANSFER_KINDS } from '../case';
import { RULES } from '../rules';
import { EXAMPLES, example, exampleWith } from '../test/examples';
import { numbersFromNowhere } from '../test/rule-table';
import { evaluate } from '.';

// What an example expects is held against the rulebook; it changes only with a reason, never because the engine says so.
test.each(EXAMPLES)('%s', (name) => {
  const { case: site, expect: expected } = exampleWith(name);
  const { verdict, outcomes, contradictions } = evaluate(site);
  const rules = (kind: string) => outcomes.filter((one) => one.outcome === kind).map((one) => one.rule);
  expect({ verdict, violations: rules('violation').sort(), unproven: rules('unproven').length > 0 }).toEqual({
    verdict: expected.verdict,
    violations: [...expected.violations].sort(),
    unproven: expected.verdict === 'not-finished' || contradictions.length > 0,
  });
});

test.each(EXAMPLES)('%s: every number that was found or allowed stands in the working', (name) => {
  expect(evaluate(example(name)).outcomes.flatMap(numbersFromNowhere)).toEqual([]);
});

test('every transfer equipment and every rule’s typical violation has an example', () => {
  expect([...new Set(EXAMPLES.map((name) => example(name).transfer!.kind))].sort()).toEqual(
    Object.keys(TRANSFER_KINDS).sort(),
  );
  const shown = new Set(EXAMPLES.flatMap((name) => exampleWith(name).expect.violations));
  // Whether a record is true is never a violation: two that cannot both be are asked for again.
  expect(RULES.map((one) => one.id).filter((id) => !shown.has(id))).toEqual(['source/neutral-state-proved']);
});
