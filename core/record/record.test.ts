import {
  applyChange,
  blocking,
  changeSchemas,
  readChange,
  stateOf,
  undoOf,
  whyNotDecide,
  type Change,
  type ChangeBody,
  type Decision,
  type Inspection,
} from '.';
import { GOOD, caseWith } from '../test/rule-table';
import { evaluate } from '../verdict';

const ID = '0dd0a7c4-1f5e-4b7a-9c00-000000000001';
let count = 0;
const change = (body: ChangeBody): Change =>
  ({
    ...body,
    id: `0dd0a7c4-1f5e-4b7a-9c01-${String(++count).padStart(12, '0')}`,
    at: '2026-11-25T10:00:00.000Z',
  }) as Change;
const header = { address: '3 Windfall Lane', owner: '', permit: '', edition: '2020' } as const;
const inspection = (over: Partial<Inspection> = {}): Inspection => ({
  id: ID,
  revision: 1,
  header,
  case: GOOD,
  openedAt: '2026-11-25T09:00:00Z',
  changedAt: '2026-11-25T09:00:00Z',
  decisions: [],
  changedSinceDecision: false,
  ...over,
});
const decision = (over: Partial<Decision> = {}): Decision => ({
  kind: 'approved',
  conditions: '',
  dueOn: null,
  overruled: [],
  signature: { name: 'Ilse O’Harrow', path: '' },
  ...over,
});
const after = (before: Inspection | undefined, ...bodies: ChangeBody[]): Inspection => {
  let now = before;
  for (const body of bodies) {
    const applied = applyChange(now, change(body));
    if (!applied.ok) throw new Error(applied.why);
    now = applied.inspection;
  }
  return now!;
};
const refusal = (before: Inspection | undefined, body: ChangeBody) => {
  const applied = applyChange(before, change(body));
  return applied.ok ? undefined : applied.why;
};

describe('the life of an inspection', () => {
  test('draft, corrections required, reinspection, approved', () => {
    const opened = after(undefined, { type: 'open', inspection: ID, header });
    expect(stateOf(opened)).toBe('draft');
    const found = after(opened, { type: 'fact', inspection: ID, path: 'breaker.ratingA', value: 50 });
    expect(stateOf(found)).toBe('draft');
    const sent = after(found, {
      type: 'decide',
      inspection: ID,
      decision: decision({ kind: 'corrections-required', dueOn: '2026-12-09' }),
    });
    expect(stateOf(sent)).toBe('corrections-required');
    const again = after(sent, { type: 'fact', inspection: ID, path: 'breaker.ratingA', value: 30 });
    expect(stateOf(again)).toBe('reinspection');
    const done = after({ ...again, case: GOOD }, { type: 'decide', inspection: ID, decision: decision() });
    expect(stateOf(done)).toBe('approved');
    expect(done.decisions.map((one) => one.kind)).toEqual(['corrections-required', 'approved']);
  });

  test('what cannot be taken in gets a sentence', () => {
    expect(refusal(inspection(), { type: 'open', inspection: ID, header })).toBe('This inspection is open already.');
    expect(refusal(undefined, { type: 'fact', inspection: ID, path: 'breaker.ratingA', value: 1 })).toBe(
      'There is no such inspection.',
    );
    expect(refusal(inspection(), { type: 'fact', inspection: ID, path: 'breaker.ratingA', value: -1 })).toContain(
      'right would be 1 to 400 A',
    );
    expect(
      refusal(inspection(), { type: 'restore', inspection: ID, list: 'cord', index: 0, entry: { sizeAwg: '11' } }),
    ).toContain('no AWG size');
  });

  test('null takes a fact away', () => {
    expect(
      after(inspection(), { type: 'fact', inspection: ID, path: 'breaker.ratingA', value: null }).case.breaker,
    ).not.toHaveProperty('ratingA');
  });
});

describe('deciding', () => {
  test('nothing stands against the good case', () => {
    expect(blocking(evaluate(GOOD))).toEqual([]);
    expect(whyNotDecide(evaluate(GOOD), decision())).toEqual([]);
  });

  test('each blocking point needs a reason of its own; advisories do not block', () => {
    const evaluation = evaluate(
      caseWith({
        'breaker.lineLoadMarked': 'yes',
        'breaker.listedForPanel': undefined,
        'feeder.stretches[0].lengthFt': 100,
      }),
    );
    expect(blocking(evaluation).map((one) => one.rule)).toEqual([
      'breaker/suitable-for-backfeed',
      'breaker/listed-for-panel',
    ]);
    const reason = (rule: string, text = 'I saw it done.') => ({ rule, reason: text });
    const why = (...overruled: Decision['overruled']) => whyNotDecide(evaluation, decision({ overruled }));
    expect(why()).toEqual([expect.stringContaining('2 points stand against approval')]);
    expect(why(reason('breaker/suitable-for-backfeed'))).toEqual([expect.stringContaining('1 point stands')]);
    expect(why(reason('breaker/suitable-for-backfeed'), reason('breaker/listed-for-panel', '   short   '))).toEqual([
      expect.stringContaining('1 point'),
    ]);
    expect(why(reason('breaker/suitable-for-backfeed'), reason('breaker/listed-for-panel'))).toEqual([]);
    expect(whyNotDecide(evaluation, decision({ kind: 'stop-work' }))).toEqual([]);
  });

  test('conditions are written down, and nothing is corrected where nothing is wrong', () => {
    expect(whyNotDecide(evaluate(GOOD), decision({ kind: 'approved-with-conditions', conditions: ' ' }))).toEqual([
      'Write down the conditions.',
    ]);
    expect(whyNotDecide(evaluate(GOOD), decision({ kind: 'corrections-required' }))).toEqual([
      'Nothing is violated or unproven; there is nothing to correct.',
    ]);
  });
});

describe('undo', () => {
  test.each<ChangeBody>([
    { type: 'fact', inspection: ID, path: 'breaker.ratingA', value: 50 },
    { type: 'fact', inspection: ID, path: 'neutral.unbalancedA', value: 12 },
    { type: 'fact', inspection: ID, path: 'breaker.ratingA', value: null },
    { type: 'remove', inspection: ID, list: 'cord', index: 0 },
    { type: 'remove', inspection: ID, list: 'feeder.stretches', index: 0 },
  ])('of %j brings back what was there', (body) => {
    const before = inspection();
    const applied = after(before, body);
    expect(applied.case).not.toEqual(before.case);
    expect(after(applied, undoOf(before, change(body))!).case).toEqual(before.case);
  });

  test('what is signed cannot be undone', () => {
    expect(undoOf(inspection(), change({ type: 'decide', inspection: ID, decision: decision() }))).toBeUndefined();
  });
});

describe('reading changes', () => {
  const good = change({
    type: 'decide',
    inspection: ID,
    decision: decision({ overruled: [{ rule: 'a/b', reason: 'Long enough.' }] }),
  });
  test('every kind reads back as it was', () => {
    const all: Change[] = [
      good,
      change({ type: 'open', inspection: ID, header }),
      change({ type: 'fact', inspection: ID, path: 'breaker.ratingA', value: 30 }),
      change({ type: 'remove', inspection: ID, list: 'cord', index: 0 }),
      change({ type: 'restore', inspection: ID, list: 'cord', index: 0, entry: { lengthFt: 20 } }),
    ];
    expect(all.map((one) => one.type).sort()).toEqual(Object.keys(changeSchemas).sort());
    for (const one of all) expect(readChange(JSON.parse(JSON.stringify(one)))).toEqual(one);
  });

  test.each<[string, object, string]>([
    [
      'a signature that is no path',
      { decision: { ...decision(), signature: { name: 'x', path: '<script>' } } },
      'no path',
    ],
    ['no name', { decision: { ...decision(), signature: { name: ' ', path: '' } } }, 'Sign with your name'],
    [
      'a short reason',
      { decision: { ...decision(), overruled: [{ rule: 'a/b', reason: 'ok' }] } },
      'at least 10 characters',
    ],
    ['a day that is none', { decision: { ...decision(), dueOn: 'soon' } }, 'ISO date'],
    ['an unknown decision', { decision: { ...decision(), kind: 'maybe' } }, 'no such decision'],
    ['a stray key', { color: 'red' }, 'color'],
  ])('%s is refused with a sentence', (_, over, words) => {
    expect(() => readChange({ ...good, ...over })).toThrow(words);
  });

  test.each([null, 7, [], { type: 'constructor' }, { type: 'odd' }])('%j is no change', (data) => {
    expect(() => readChange(data)).toThrow('A change is one of');
  });
});
