import fc from 'fast-check';
import {
  CATALOGUE,
  MECHANISMS,
  TRANSFER_KINDS,
  factAt,
  goesWith,
  isAsked,
  offered,
  sheet,
  STATIONS,
  withFact,
  type Case,
  type MechanismName,
  type TransferKind,
} from '../case';
import { CONTRADICTIONS } from '../contradictions';
import { Look, aheadOfInlet, currentsOf, feedV, outletRunningW } from '../electrical';
import { defectsOf } from '../interlock';
import { RULES } from '../rules';
import { EXAMPLES, example } from '../test/examples';
import { HOUSES, anyHouse } from '../test/houses';
import { GOOD, at, caseWith, type Facts } from '../test/rule-table';
import { evaluate, judge, type Outcome } from '.';

const KINDS = Object.keys(TRANSFER_KINDS).filter((kind) => kind !== 'other') as TransferKind[];
const outcomesAt = (c: Case): ReadonlyMap<string, Outcome> =>
  new Map(evaluate(c).outcomes.map((one) => [one.rule, one]));

describe('a kind of connection of which nothing is told', () => {
  // An eighth kind, as it would be on the day that somebody adds its name and nothing else.
  const eighth = (c: Case): Case => withFact(c, 'transfer.kind', 'generator-in-the-panel');

  test.each(KINDS)('what holds, or does not apply, at %s by its traits is unproven there', (kind) => {
    const base = withFact(GOOD, 'transfer.kind', kind);
    const known = outcomesAt(base);
    const asked = [...outcomesAt(eighth(base)).values()];
    for (const one of asked) {
      if (one.outcome !== 'holds' && one.outcome !== 'not-applicable') continue;
      // Only what no kind decides: it says the same of every kind, and of none.
      const others = [...KINDS, undefined].map((other) =>
        judge(
          RULES.find(({ id }) => id === one.rule)!,
          withFact(base, 'transfer.kind', other),
        ),
      );
      const words = [...new Set(others.map(({ outcome, reason }) => `${outcome} ${reason}`))];
      expect([one.rule, words]).toEqual([one.rule, [`${one.outcome} ${one.reason}`]]);
    }
    const unproven = asked.filter((one) => one.outcome === 'unproven' && one.needs.includes('transfer.kind'));
    const byKind = RULES.filter(({ id }) => known.get(id)!.working.some(({ label }) => label === 'Transfer equipment'));
    expect(byKind.filter(({ id }) => !unproven.some((one) => one.rule === id)).map(({ id }) => id)).toEqual(
      byKind.filter(({ id }) => known.get(id)!.outcome === 'violation').map(({ id }) => id).filter((id) => !unproven.some((one) => one.rule === id)), // prettier-ignore
    );
    expect(unproven.length).toBeGreaterThan(100);
    expect(evaluate(eighth(base)).verdict).not.toBe('nothing-against');
  });
});

test('every fact is read by a rule or a contradiction in the houses where it is asked', () => {
  const read = new Set([
    ...RULES.flatMap((rule) => rule.facts),
    ...CONTRADICTIONS.flatMap(({ doubts, given = [], ends }) => [...doubts, ...given, ...(ends ? [ends] : [])]),
  ]);
  const asked = [...CATALOGUE].filter(([, { retired }]) => !retired).map(([key]) => key);
  expect(asked.filter((key) => !read.has(key))).toEqual([]);
  // What is retired is asked nowhere, whatever else is recorded.
  const retired = [...CATALOGUE].filter(([, meta]) => meta.retired).map(([key]) => key);
  for (const name of EXAMPLES)
    for (const key of retired) expect([name, key, isAsked(example(name), key)]).toEqual([name, key, false]);
});

test('where yes is the bad answer, the answers say what is there', () => {
  const bad = RULES.flatMap(({ right = {} }) => Object.entries(right).flatMap(([key, right]) => (right.includes('yes') || !right.includes('no') ? [] : [key]))); // prettier-ignore
  expect(bad.length).toBeGreaterThan(5);
  for (const key of bad) {
    const labels = CATALOGUE.get(key)!.choices.map(({ label }) => label);
    expect([key, labels.some((label) => ['Yes', 'No'].includes(label))]).toEqual([key, false]);
  }
});

test.each(KINDS)(
  'of %s only mechanisms are offered that it can have; while nobody knows what it is, all are',
  (kind) => {
    const among = (c: Case) => offered(c, 'transfer.mechanism').map(({ value }) => value);
    const of = (value: unknown) => caseWith({ 'transfer.kind': value, 'transfer.mechanism': undefined } as Facts);
    const all = Object.keys(MECHANISMS) as MechanismName[];
    expect(among(of(kind))).toEqual(all.filter((name) => goesWith(name, kind)));
    for (const unknown of ['other', undefined]) expect(among(of(unknown))).toEqual(all);
  },
);

describe('the fit of a mechanism', () => {
  const names = Object.keys(MECHANISMS).filter((name) => name !== 'other') as MechanismName[];
  const kindOf = (name: MechanismName) => KINDS.filter((kind) => goesWith(name, kind));
  test.each(names.flatMap((name) => kindOf(name).map((kind) => [name, kind] as const)))(
    '%s of %s: any answer but sound is a finding, or unproven; what is offered it can have',
    (name, kind) => {
      const base = caseWith({
        'transfer.kind': kind,
        'transfer.mechanism': name,
        'function.opensFirst': 'yes',
        'function.handlesIndependent': 'yes',
        'function.cycle': 'yes',
        ...at('loads.circuits[0]', { moved: 'yes' }),
        ...at('loads.circuits[1]', { moved: 'no' }),
      } as Facts);
      const rule = RULES.find((one) => one.id === 'transfer/prevents-parallel')!;
      expect(judge(rule, base).outcome).toBe('holds');
      for (const fit of ['loose', 'wrong-spacing', 'tie-missing']) {
        const { outcome } = judge(rule, withFact(base, 'transfer.fit', fit));
        expect([fit, ['violation', 'unproven'].includes(outcome)]).toEqual([fit, true]);
        const isOffered = offered(base, 'transfer.fit').some(({ value }) => value === fit);
        if (isOffered) expect([fit, outcome]).toEqual([fit, 'violation']);
      }
    },
  );
});

test('a sound house of each connection, in each edition: nothing found, nothing unproven', () => {
  const sound = EXAMPLES.filter((name) => name.startsWith('ok-')).map((name) => [name, example(name)] as const);
  const bad = new Set<string>();
  const kinds = new Set<unknown>();
  for (const [name, c] of sound)
    for (const edition of ['2017', '2020', '2023'] as const) {
      const { verdict, outcomes } = evaluate(c, { edition });
      kinds.add(c.transfer!.kind);
      const grave = outcomes.filter((one) => one.outcome === 'unproven' || (one.outcome === 'violation' && one.severity !== 'advisory')); // prettier-ignore
      if (verdict !== 'nothing-against') bad.add(`${name} ${edition}: ${grave.map((one) => one.rule).join()}`);
    }
  expect([...bad]).toEqual([]);
  expect([...kinds].sort()).toEqual([...KINDS.filter((kind) => kind !== 'none-backfed'), 'retrofit-interlock'].filter((one, i, all) => all.indexOf(one) === i).sort()); // prettier-ignore
});

test('no sound house is asked the same thing twice', () => {
  for (const name of EXAMPLES.filter((one) => one.startsWith('ok-'))) {
    const paths = STATIONS.flatMap((station) => sheet(example(name), station)).flatMap((group) => group.paths);
    expect(new Set(paths).size).toBe(paths.length);
  }
});

const hazards = (c: Case) =>
  evaluate(c).outcomes.filter((one) => one.outcome === 'violation' && one.severity === 'hazard');

test('whatever the circuit or the interlock model calls dangerous has a hazard, or is unproven by what contradicts it', () => {
  let dangerous = 0;
  fc.assert(
    fc.property(anyHouse, (c) => {
      const look = new Look(c);
      const currents = look.attempt((side) => currentsOf(side)).value;
      // A fault that draws no more than the source gives all day is one that nothing ever sees.
      // What opens before that is seen by its device.
      const ratedA = Math.min(
        look.attempt((side) => outletRunningW(side) / feedV(side)).value ?? 0,
        look.attempt((side) => aheadOfInlet(side).flowsA).value ?? Infinity,
      );
      const defects = look.attempt((side) => defectsOf(side)).value;
      const network =
        currents !== undefined &&
        (currents.serviceV > 50 ||
          currents.pinsV > 50 ||
          currents.groundA > 0.5 ||
          currents.faultA < ratedA ||
          currents.frameFaultV > 100);
      const model =
        defects !== undefined &&
        judge(
          RULES.find((one) => one.id === 'transfer/prevents-parallel')!,
          c,
        ).outcome === 'violation';
      if (!network && !model) return;
      dangerous++;
      const found = hazards(c).length > 0 || evaluate(c).contradictions.length > 0;
      const all = currents && { ...currents };
      expect([found, found ? undefined : all, found ? undefined : evaluate(c).verdict]).toEqual([
        true,
        undefined,
        undefined,
      ]);
    }),
    { numRuns: HOUSES },
  );
  expect(dangerous).toBeGreaterThan(HOUSES / 50);
}, 300_000);

describe('monotone, where the code is', () => {
  const violated = (c: Case, rule: string) =>
    evaluate(c).outcomes.find((one) => one.rule === rule)?.outcome === 'violation';
  test('a shorter cord makes no violation', () => {
    fc.assert(
      fc.property(anyHouse, fc.double({ min: 0.1, max: 1, noNaN: true }), (c, share) => {
        const lengthFt = factAt(c, 'cord[0].lengthFt');
        if (typeof lengthFt !== 'number' || lengthFt * share < 1) return;
        const before = new Set(
          evaluate(c)
            .outcomes.filter((one) => one.outcome === 'violation')
            .map((one) => one.rule),
        );
        const after = evaluate(withFact(c, 'cord[0].lengthFt', lengthFt * share)).outcomes;
        expect(
          after.filter((one) => one.outcome === 'violation' && !before.has(one.rule)).map((one) => one.rule),
        ).toEqual([]);
      }),
      { numRuns: HOUSES / 5 },
    );
  }, 120_000);

  test('a larger conductor makes no violation of ampacity', () => {
    const sizes = ['14', '12', '10', '8', '6', '4', '3', '2', '1', '1/0'];
    fc.assert(
      fc.property(anyHouse, fc.nat(9), fc.nat(9), (c, a, b) => {
        const [small, large] = [sizes[Math.min(a, b)]!, sizes[Math.max(a, b)]!];
        const path = 'feeder.stretches[0].sizeAwg';
        if (factAt(c, path) === undefined) return;
        if (violated(withFact(c, path, large), 'feeder/ampacity'))
          expect(['violation', 'unproven']).toContain(
            judge(
              RULES.find((one) => one.id === 'feeder/ampacity')!,
              withFact(c, path, small),
            ).outcome,
          );
      }),
      { numRuns: HOUSES / 5 },
    );
  }, 120_000);
});
