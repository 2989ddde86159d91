import { example, EXAMPLES } from '../test/examples';
import { caseWith, type Facts } from '../test/rule-table';
import { causesOf, evaluate, violationsOf } from '.';

const causes = (facts: Facts) => {
  const c = caseWith(facts);
  return causesOf(c, evaluate(c)).map(({ words, rules }) => [words, [...rules].sort()]);
};

test('a breaker that is too large is one cause, with every rule that it breaks', () => {
  const c = example('case-2-breaker-50-before-inlet-30');
  const [one, ...others] = causesOf(c, evaluate(c));
  expect([one!.fact, one!.words, [...one!.rules].sort(), others]).toEqual([
    'breaker.ratingA',
    'Breaker rating: 50 A',
    ['breaker/not-above-weakest-link', 'feeder/small-conductor', 'inlet/breaker-not-above-inlet'],
    [],
  ]);
});

test('what one fact does not explain stands apart, the gravest first', () => {
  expect(causes({ 'inlet.listed': 'no', 'breaker.ratingA': 50, 'inlet.pinsDead': 'no' })).toEqual([
    [null, ['inlet/pins-dead-when-open']],
    [
      'Breaker rating: 50 A',
      ['breaker/not-above-weakest-link', 'feeder/small-conductor', 'inlet/breaker-not-above-inlet'],
    ],
    [null, ['inlet/listed']],
  ]);
  expect(causes({})).toEqual([]);
});

test('a loose plate is the cause of what the model and what the hand find', () => {
  expect(causes({ 'breaker.heldDown': 'no' })).toEqual([
    ['Held down by a fastener: Not held', ['breaker/held-down', 'transfer/prevents-parallel']],
  ]);
});

test.each(EXAMPLES)('%s: every violation stands in one group, each group begins with its gravest', (name) => {
  const c = example(name);
  const evaluation = evaluate(c);
  const groups = causesOf(c, evaluation);
  const violated = violationsOf(evaluation);
  expect(groups.flatMap(({ rules }) => rules).sort()).toEqual(violated.map((one) => one.rule).sort());
  const rank = (rule: string) => ['hazard', 'correction', 'advisory'].indexOf(violated.find((one) => one.rule === rule)!.severity); // prettier-ignore
  for (const { rules } of groups) expect(Math.min(...rules.map(rank))).toBe(rank(rules[0]!));
});
