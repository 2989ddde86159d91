import { factAt, recordedFacts } from '@careful-latch/core/case';
import { applyChange, openedInspection, type Change } from '@careful-latch/core/record';
import { example } from '../../core/test/examples';
import { factsOf, readGiven } from './given';

const house = example('case-2-breaker-50-before-inlet-30');
const text = JSON.stringify(house);
const ID = '0dd0a7c4-1f5e-4b7a-9c00-000000000001';

test('a case file opens as a draft with everything that it says, and with how it came', () => {
  const given = readGiven('house.json', text);
  const opened = openedInspection(
    ID,
    { address: '1 Lane', owner: '', permit: '', edition: '2020' },
    '2026-11-26T10:00:00Z',
  );
  const change = {
    ...factsOf(ID, given)!,
    id: '0dd0a7c4-1f5e-4b7a-9c01-000000000001',
    at: '2026-11-26T10:01:00Z',
  } as Change;
  const applied = applyChange(opened, change, { name: 'Ilse O’Harrow', role: 'lead' });
  if (!applied.ok) throw new Error(applied.why);
  const { case: c } = applied.inspection;
  expect(recordedFacts(c).length).toBe(recordedFacts(given).length);
  for (const path of recordedFacts(given)) expect([path, factAt(c, path)]).toEqual([path, factAt(given, path)]);
  expect(Object.values(c.recorded!).every(({ how }) => how === 'table')).toBe(true);
});

test.each([
  ['not JSON at all', /house\.json is no case file that can be read, and nothing of it was taken: /],
  ['{"format":"careful-latch/case","version":2,"edition":"2020","breaker":{"ratingA":"much"}}', /breaker\.ratingA/],
])('what is no case is refused whole, with the place: %s', (wrong, said) => {
  expect(() => readGiven('house.json', wrong)).toThrow(said);
});
