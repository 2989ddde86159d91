import { openedInspection, type Decision, type Inspection } from '@careful-latch/core/record';
import { dueOn, dueWords } from './due';

const signed = (kind: Decision['kind'], due: string | null, changedSinceDecision = false): Inspection => ({
  ...openedInspection('x', { address: 'x', owner: '', permit: '', edition: '2020' }, '2026-11-01T10:00:00Z'),
  decisions: [
    {
      id: 'd',
      at: '2026-11-01T11:00:00Z',
      kind,
      conditions: '',
      dueOn: due,
      overruled: [],
      signature: { name: 'x', path: '' },
    },
  ],
  changedSinceDecision,
});

test('a reinspection is due after corrections or a stop, until something good is signed', () => {
  expect(dueOn(signed('corrections-required', '2026-12-01'))).toBe('2026-12-01');
  expect(dueOn(signed('stop-work', '2026-12-02', true))).toBe('2026-12-02');
  expect(dueOn(signed('corrections-required', null))).toBeUndefined();
  expect(dueOn(signed('approved', '2026-12-01'))).toBeUndefined();
});

test.each([
  ['2026-11-24', 'reinspection was due Nov\u00a024'],
  ['2026-11-25', 'reinspection due today'],
  ['2026-12-01', 'reinspection due Dec\u00a01'],
])('due %s reads: %s', (day, words) => expect(dueWords(day, '2026-11-25')).toBe(words));
