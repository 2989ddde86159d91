import { CONTRACTOR, ID, ORDER, after, afterBy, decided, inspection, takenUp, uuidOf } from '../test/inspection';
import { caseWith } from '../test/rule-table';
import { evaluate } from '../verdict';
import { foundIn, type ChangeBody } from '../record';
import { historyOf } from '.';

test('everything that happened stands on one line in time, once, with who did it and what they said', () => {
  const begun = inspection({ case: caseWith({ 'breaker.ratingA': 50 }) });
  const violation = (to: string, words: string): ChangeBody => ({ type: 'violation', inspection: ID, violation: uuidOf(1), to, words }) as ChangeBody; // prettier-ignore
  const stopped = after(
    begun,
    { type: 'visit', inspection: ID, visit: uuidOf(9), to: 'under-way', words: 'the owner' },
    ...foundIn(evaluate(begun.case)).map((one, i) => takenUp(one, uuidOf(i + 1))),
    { type: 'permit', inspection: ID, to: 'there', until: '2027-01-01', words: 'as it hangs there' },
    { type: 'installer', inspection: ID, kind: 'contractor', name: 'Reed Wiring', license: 'E-11', words: '' },
    decided({ kind: 'stop-work', order: ORDER }),
  );
  const claimed = afterBy(CONTRACTOR, stopped, violation('claimed', 'Changed to 30 A.'));
  const now = after(claimed, { type: 'paper', inspection: ID, decision: claimed.decisions[0]!.id, to: 'void', words: 'It names another house.' }); // prettier-ignore
  const told = historyOf([now]);
  expect(told.map(({ at }) => at)).toEqual(told.map(({ at }) => at).toSorted());
  const words = told.map(({ what, by, words: said }) => `${what} | ${by} | ${said}`);
  for (const line of [
    'opened |  | edition 2020',
    'visit | Ilse O’Harrow | Visit 1: under way. the owner',
    'visit | Ilse O’Harrow | Visit 1: done',
    'permit | Ilse O’Harrow | Permit: there. as it hangs there',
    'installer | Ilse O’Harrow | Work by Reed Wiring',
    'decision | Ilse O’Harrow | Stop work',
    `order | Ilse O’Harrow | Stop work: in force. ${ORDER.ground}`,
    'violation | Maro Tillane | Violation 1: said to be corrected. Changed to 30 A.',
    'paper | Ilse O’Harrow | Stop work: void. It names another house.',
  ])
    expect(words.filter((one) => one === line)).toEqual([line]);
});

test('two inspections of one house are told as one story', () => {
  const first = after(inspection(), decided());
  const second = { ...inspection(), id: uuidOf(500), openedAt: '2027-03-01T09:00:00Z' };
  expect(historyOf([second, first]).map(({ what, inspection: of }) => [what, of])).toEqual([['opened', ID], ['decision', ID], ['opened', uuidOf(500)]]); // prettier-ignore
});
