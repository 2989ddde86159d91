import { readFileSync } from 'node:fs';
import { RULES } from '../rules';
import { judge, type Outcome } from '../verdict';
import { readCase, withFact, type Case, type FactPath } from '../case';

const example = (name: string): Case => {
  const read = readCase(JSON.parse(readFileSync(`${__dirname}/../../examples/${name}.json`, 'utf8')));
  if (!read.ok) throw new Error(read.errors.join('\n'));
  return read.case;
};

/** Worked case 1: every rule holds. */
export const GOOD: Case = example('case-1-interlock-holds');
export { example };

/** Facts set on top of the good case; undefined takes a fact away. */
export type Facts = Readonly<Partial<Record<FactPath, unknown>>>;

/** The good case with facts changed, checked against the schema like any other. */
export function caseWith(facts: Facts): Case {
  let c = GOOD;
  for (const [path, value] of Object.entries(facts)) c = withFact(c, path, value);
  const read = readCase(c);
  if (!read.ok) throw new Error(read.errors.join('\n'));
  return read.case;
}

type Row = Facts | readonly [Facts, Partial<Outcome>];
const parts = (row: Row): readonly [Facts, Partial<Outcome>] =>
  Array.isArray(row) ? (row as readonly [Facts, Partial<Outcome>]) : [row as Facts, {}];

/** A rule's table of cases: facts changed on the good case, and what the outcome must say beside its kind. */
export function ruleTable(
  id: string,
  table: {
    holds: Row[];
    violation: Row[];
    /** Facts changed → addresses it must ask for. */
    unproven: (readonly [Facts, FactPath[]])[];
    notApplicable?: Row[];
  },
): void {
  const rule = RULES.find((one) => one.id === id)!;
  const check = (kind: Outcome['outcome'], row: Row) => {
    const [facts, expected] = parts(row);
    test(`${kind}: ${JSON.stringify(facts)}`, () => {
      const outcome = judge(rule, caseWith(facts));
      expect({ kind: outcome.outcome, reason: outcome.reason }).toEqual({ kind, reason: outcome.reason });
      expect(outcome).toMatchObject(expected);
      if (kind === 'violation') expect(outcome.remedy).toBeTruthy();
    });
  };
  describe(id, () => {
    for (const kind of ['holds', 'violation'] as const) for (const row of table[kind]) check(kind, row);
    for (const row of table.notApplicable ?? []) check('not-applicable', row);
    for (const [facts, needs] of table.unproven) check('unproven', [facts, { needs }]);
  });
}

export const CORDS_ONLY: Facts = { 'transfer.kind': 'none-cords' };
export const BACKFED: Facts = { 'transfer.kind': 'none-backfed' };
export const SWITCH: Facts = { 'transfer.kind': 'load-side-switch' };
export const BRIDGED: Facts = { 'source.voltage': '120' };
