import fc from 'fast-check';
import { catalogueKey, factAt, withFact, type Case } from '../case';
import { EXAMPLES, example } from '../test/examples';
import { anyHouse } from '../test/houses';
import { GOOD, caseWith } from '../test/rule-table';
import { brokenFacts, causesOf, evaluate, newlyWrong, usedBy, violationsOf, type Evaluation } from '../verdict';
import { WALK, factsOf, partsAt, stateOfPart, stationState, violationsAt } from '.';

const RUNS = Number(process.env.HOUSES ?? 150);
const counts = (evaluation: Evaluation) => violationsOf(evaluation).filter((one) => one.severity !== 'advisory');
const partsOf = (c: Case) => WALK.flatMap((station) => partsAt(c, station));
const brokenParts = (c: Case) => {
  const evaluation = evaluate(c);
  return partsOf(c)
    .map((here) => [here.id, stateOfPart(c, evaluation, here)] as const)
    .filter(([, state]) => state === 'violated' || state === 'hazard')
    .map(([id, state]) => `${id} ${state}`);
};

/** Everything that is wrong breaks the path somewhere; one cause at one place. */
function pathAgrees(c: Case): void {
  const evaluation = evaluate(c);
  const at = WALK.map((station) => [station, violationsAt(c, evaluation, station)] as const);
  for (const [station, outcomes] of at)
    expect([station, stationState(c, evaluation, station) === 'violated']).toEqual([station, outcomes.length > 0]);
  const seen = at.flatMap(([, outcomes]) => outcomes);
  for (const one of counts(evaluation)) expect([one.rule, seen.includes(one)]).toEqual([one.rule, true]);
  for (const { fact, rules } of causesOf(c, evaluation)) {
    const places = at.filter(([, outcomes]) => outcomes.some(({ rule }) => rules.includes(rule)));
    // One that stands alone breaks the path at its own station, too; advice beside it breaks nothing.
    const alone = counts(evaluation).filter(({ rule }) => rules.includes(rule)).length === 1;
    if (fact !== null) expect([fact, places.length <= (alone ? 2 : 1)]).toEqual([fact, true]);
  }
}

/** Everything that is wrong is drawn broken somewhere, and nothing else is. */
function agrees(c: Case): void {
  const evaluation = evaluate(c);
  const broken = brokenFacts(c, evaluation);
  const drawn = new Set<string>();
  for (const here of partsOf(c)) {
    const state = stateOfPart(c, evaluation, here);
    const facts = factsOf(c, here);
    const against = facts.flatMap((path) => broken.get(path) ?? []);
    const shown = against.some((one) => one.severity === 'hazard') ? 'hazard' : against.length > 0 ? 'violated' : state;
    expect([here.id, state]).toEqual([here.id, shown]);
    if (against.length === 0) expect(['untouched', 'open', 'known']).toContain(state);
    for (const { rule } of against) drawn.add(rule);
    // Green is what is known and nobody asks for any more.
    if (state === 'known') expect(facts.some((path) => factAt(c, path) !== undefined)).toBe(true);
  }
  const wrong = counts(evaluation);
  expect([...drawn].sort()).toEqual(wrong.map((one) => one.rule).sort());
  // Each for a fact that its own rule rests on, be it of another entry.
  for (const [fact, outcomes] of broken)
    for (const one of outcomes) expect([one.rule, usedBy(one).map(catalogueKey)]).toEqual([one.rule, expect.arrayContaining([catalogueKey(fact)])]); // prettier-ignore
  // One cause of several breaks one fact.
  for (const { fact, rules } of causesOf(c, evaluation))
    if (fact !== null)
      for (const one of wrong.filter(({ rule }) => rules.includes(rule)))
        expect([...broken].filter(([, outcomes]) => outcomes.includes(one)).map(([path]) => path)).toEqual([fact]);
}

test.each(EXAMPLES)('drawing and answer agree: %s', (name) => {
  agrees(example(name));
  pathAgrees(example(name));
});

test('drawing and answer agree at whatever house', () => {
  const both = (c: Case) => {
    agrees(c);
    pathAgrees(c);
  };
  fc.assert(fc.property(anyHouse, both), { numRuns: RUNS });
});

test.each([
  ['40 A in a row of 30 A is one part, not three', { 'breaker.ratingA': 40 }, ['breaker/face violated']],
  ['no sign at the inlet is the sign’s', { 'labels.inletSign': 'none' }, ['inlet/sign violated']],
  ['live pins are the pins’', { 'inlet.pinsDead': 'no' }, ['inlet/dead hazard']],
  ['advice breaks nothing', { 'transfer.mountedOn': 'cover' }, []],
])('%s', (_, facts, parts) => expect(brokenParts(caseWith(facts))).toEqual(parts));

test('the same violation at a second stretch is drawn there, too', () => {
  const short = caseWith({ 'feeder.stretches[0].protected': 'no', ...at(1, { place: 'attic', protected: 'no' }) });
  expect([...brokenFacts(short, evaluate(short)).keys()].sort()).toEqual(
    violationsOf(evaluate(short)).flatMap((one) => (one.rule === 'feeder/physical-protection' ? [0, 1].slice(0, 1 + one.others.length).map((i) => `feeder.stretches[${i}].protected`) : [])), // prettier-ignore
  );
});
function at(index: number, facts: Readonly<Record<string, unknown>>) {
  return Object.fromEntries(Object.entries(facts).map(([key, value]) => [`feeder.stretches[${index}].${key}`, value]));
}

describe('what an answer makes wrong', () => {
  const told = (before: Case, after: Case) => newlyWrong(evaluate(before), evaluate(after));
  test('is told of every station, the gravest first, and once', () => {
    const now = withFact(GOOD, 'breaker.ratingA', 50);
    expect(told(GOOD, now).map((one) => one.rule)).toContain('inlet/breaker-not-above-inlet');
    const graver = withFact(withFact(now, 'inlet.gender', 'sockets'), 'labels.durable', 'no');
    expect(told(now, graver).map((one) => [one.rule, one.severity])).toEqual([
      ['inlet/is-male-inlet', 'hazard'],
      ['labels/durable', 'correction'],
    ]);
    expect(told(graver, graver)).toEqual([]);
    expect(told(graver, GOOD)).toEqual([]);
  });
  test('what has become graver is told again, what has become milder is not', () => {
    const [far, near] = [caseWith({ 'siting.openingFt': 10 }), caseWith({ 'siting.openingFt': 4 })];
    expect(told(far, near).map((one) => [one.rule, one.severity])).toEqual([['siting/clear-of-openings', 'hazard']]);
    expect(told(near, far)).toEqual([]);
  });
  test('nothing at whatever house goes from right to wrong without its sentence', () => {
    fc.assert(
      fc.property(anyHouse, anyHouse, (c, other) => {
        const told = newlyWrong(evaluate(c), evaluate(other));
        const was = new Set(counts(evaluate(c)).map((one) => one.rule));
        for (const { rule, reason } of counts(evaluate(other)))
          if (!was.has(rule)) expect(told.map((one) => `${one.rule}: ${one.reason}`)).toContain(`${rule}: ${reason}`);
      }),
      { numRuns: RUNS },
    );
  });
});
