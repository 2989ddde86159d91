import type { Readings } from '../codebook';
import { Look } from '../electrical';
import { RULES } from '../rules';
import { judge, type Outcome } from '../verdict';
import { readCase, withFact, withSound, type Case, type FactPath } from '../case';
import { example } from './examples';

/** Worked case 1: every rule holds. */
export const GOOD: Case = example('case-1-interlock-holds');

/** Facts set on top of the good case; undefined takes a fact away. */
export type Facts = Readonly<Partial<Record<FactPath, unknown>>>;

/** The good case with facts changed, checked against the schema like any other; what they make asked for is answered as at a sound house. */
export function caseWith(facts: Facts): Case {
  const changed = Object.entries(facts).reduce<Case>((c, [path, value]) => withFact(c, path, value), GOOD);
  const read = readCase(changed);
  if (!read.ok) throw new Error(read.errors.join('\n'));
  return withSound(read.case, new Set(Object.keys(facts)));
}

export type Row = Facts | readonly [Facts, Partial<Outcome>];
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

/** A rule’s outcome under readings that an office has chosen. */
export const underReadings = (id: string, facts: Facts, readings: Readings): Outcome =>
  judge(
    RULES.find((one) => one.id === id)!,
    new Look(caseWith(facts), undefined, {}, readings),
  );

/** Numbers that an outcome found or allowed and whose lines are missing in its working, by themselves or in words, as in `4 wires`. */
export function numbersFromNowhere({ rule, found, allowed, working }: Outcome): string[] {
  const numbers = [found, allowed].filter((one) => typeof one === 'number');
  if (numbers.length === 0) return [];
  const shown = new Set(working.flatMap(({ value }) => String(value).match(/-?[\d.]+/g) ?? []).map(Number));
  return numbers.filter((one) => !shown.has(one)).map((one) => `${rule}: ${one}`);
}

export const CORDS_ONLY: Facts = { 'transfer.kind': 'none-cords' };
export const BACKFED: Facts = { 'transfer.kind': 'none-backfed' };
export const SWITCH: Facts = { 'transfer.kind': 'load-side-switch' };
export const BRIDGED: Facts = { 'source.voltage': '120', 'source.outletPoles': '1' };
export const OTHER: Facts = { 'transfer.kind': 'other' };

export const saying = (text: string) => expect.stringContaining(text) as unknown as string;

/** The table of a plain question: each wrong answer is a violation of that severity, and no answer is unproven. */
export function askedTable(
  id: string,
  fact: FactPath,
  wrong: readonly string[],
  severity: Outcome['severity'],
  {
    base = {},
    right = [],
    notApplicable = [],
  }: { base?: Facts; right?: readonly string[]; notApplicable?: Row[] } = {},
): void {
  ruleTable(id, {
    holds: [base, ...right.map((value) => ({ ...base, [fact]: value }))],
    violation: wrong.map((value) => [{ ...base, [fact]: value }, { severity }] as const),
    unproven: [
      [{ ...base, [fact]: undefined }, [fact]],
      [{ ...base, [fact]: 'not-seen' }, [fact]],
    ],
    notApplicable,
  });
}

export const AUTOMATIC: Facts = { 'transfer.kind': 'whole-house-automatic', 'transfer.mechanism': 'automatic' };
export const SINGLE: Facts = { 'transfer.kind': 'single-circuit-switch', 'transfer.mechanism': 'circuit-handles' };
export const STATION_UNIT: Facts = { 'source.kind': 'power-station' };

/** Facts of one circuit, cord or stretch by its place in the list. */
export const at = (entry: string, facts: Readonly<Record<string, unknown>>): Facts =>
  Object.fromEntries(Object.entries(facts).map(([key, value]) => [`${entry}.${key}`, value]));
