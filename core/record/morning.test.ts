import { CONTRACTOR, ID, ORDER, after, afterBy, decided, inspection, takenUp, uuidOf } from '../test/inspection';
import { caseWith } from '../test/rule-table';
import { evaluate } from '../verdict';
import { foundIn, morningOf, type ChangeBody, type Concern, type Inspection } from '.';

const TODAY = '2026-12-15';
const of = (id: Concern['id'], ...all: Inspection[]) => morningOf(all, TODAY).find((one) => one.id === id)!.waiting;
const days = (id: Concern['id'], ...all: Inspection[]) => of(id, ...all).map(({ day }) => day);

function sentAway(path: string, value: string, dueOn: string): Inspection {
  const begun = inspection({ case: caseWith({ [path]: value }) });
  const taken = foundIn(evaluate(begun.case)).map((one, i) => takenUp(one, uuidOf(i + 1), dueOn));
  return after(begun, ...taken, decided({ kind: 'corrections-required', dueOn }));
}
const light = (dueOn: string) => sentAway('panel.directoryTrue', 'no', dueOn);
const grave = (dueOn: string) => sentAway('breaker.heldDown', 'no', dueOn);

test('what is past its day comes by its weight; what is not yet, within a week', () => {
  const all = [light('2026-12-14'), light('2026-12-01'), grave('2026-12-10'), light('2026-12-20'), light('2027-01-20')];
  expect(days('late', ...all)).toEqual(['2026-12-01', '2026-12-14']);
  expect([...new Set(days('hazards', ...all))]).toEqual(['2026-12-10']);
  expect(days('soon', ...all)).toEqual(['2026-12-20']);
  expect(days('unfinished', ...all)).toEqual([]);
});

test('an order stands there until it is lifted, the oldest first', () => {
  const begun = inspection({ case: caseWith({ 'transfer.kind': 'none-backfed' }) });
  const taken = after(begun, ...foundIn(evaluate(begun.case)).map((one, i) => takenUp(one, uuidOf(i + 1))));
  const stopped = after(taken, decided({ kind: 'stop-work', order: ORDER }));
  expect(of('orders', stopped)).toMatchObject([{ words: ORDER.ground }]);
  const lifted = { ...stopped, docket: { ...stopped.docket, orders: stopped.docket.orders.map((one) => ({ ...one, state: 'lifted' as const })) } }; // prettier-ignore
  expect(of('orders', lifted)).toEqual([]);
});

test('a claim that waits, a condition past its day, a visit today, a draft', () => {
  const claim: ChangeBody = { type: 'violation', inspection: ID, violation: uuidOf(1), to: 'claimed', words: 'It is true now.' }; // prettier-ignore
  const claimed = afterBy(CONTRACTOR, light('2026-12-30'), claim);
  expect(of('claims', claimed)[0]!.words).toContain('Maro Tillane: It is true now.');
  expect(morningOf([claimed], claimed.changedAt.slice(0, 10)).find(({ id }) => id === 'claims')!.waiting).toEqual([]);
  const condition = { id: uuidOf(7), text: 'A durable sign.', dueOn: '2026-12-01', of: null };
  const approved = after(inspection(), decided({ kind: 'approved-with-conditions', conditions: [condition] }));
  expect(days('conditions', approved)).toEqual(['2026-12-01']);
  const visit: ChangeBody = { type: 'visit', inspection: ID, visit: uuidOf(3), to: 'scheduled', words: '', day: TODAY };
  expect(of('visits', after(inspection(), visit))).toMatchObject([{ day: TODAY, words: 'Visit 1, Ilse O’Harrow' }]);
  expect(of('unfinished', inspection())).toMatchObject([{ words: 'Draft' }]);
});

test('a permit, a variance and an appeal come up: missing, near its end, past it, open', () => {
  const permit = (to: 'there' | 'missing', until: string | null): ChangeBody => ({ type: 'permit', inspection: ID, to, until, words: 'as the books say' }); // prettier-ignore
  expect(days('permits', after(inspection(), permit('there', '2027-01-10')))).toEqual(['2027-01-10']);
  expect(days('permits', after(inspection(), permit('there', '2027-03-10')))).toEqual([]);
  expect(of('permits', after(inspection(), permit('missing', null)))[0]!.words).toBe('A permit is required');
  const approved = after(inspection(), permit('there', '2027-01-10'), decided());
  expect(days('permits', approved)).toEqual([]);
  const variance = { authority: 'The board', section: '110.26', extent: 'This panel alone', until: '2026-12-10' };
  const vary: ChangeBody = { type: 'violation', inspection: ID, violation: uuidOf(1), to: 'varied', words: 'Its letter.', variance }; // prettier-ignore
  expect(days('variances', after(light('2026-12-30'), vary))).toEqual(['2026-12-10']);
  const appeal: ChangeBody = { type: 'appeal', inspection: ID, appeal: uuidOf(6), to: 'filed', words: 'It is listed for it.', against: uuidOf(1), filedBy: 'Sam Reed' }; // prettier-ignore
  expect(of('appeals', afterBy(CONTRACTOR, light('2026-12-30'), appeal))[0]!.words).toBe('Sam Reed: It is listed for it.'); // prettier-ignore
});

test.each(['nobody-there', 'not-ready', 'entry-refused'] as const)('a visit that came to nothing (%s) wants another day, and stands there once, until it has one', (to) => {
  const visit: ChangeBody = { type: 'visit', inspection: ID, visit: uuidOf(3), to, words: 'Rang and knocked' };
  const tried = after(inspection(), visit);
  expect(of('tried', tried)).toMatchObject([{ words: expect.stringMatching(/^Visit 1, .*: Rang and knocked$/) as string }]);
  expect(of('unfinished', tried)).toEqual([]);
  const again = after(tried, { type: 'visit', inspection: ID, visit: uuidOf(4), to: 'scheduled', words: '', day: TODAY });
  expect([of('tried', again), of('visits', again)]).toMatchObject([[], [{ day: TODAY }]]);
}); // prettier-ignore
