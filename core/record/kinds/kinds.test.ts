import {
  CHANGES,
  KINDS,
  ROLES,
  applyChange,
  houseOf,
  openMoves,
  readChange,
  touched,
  whyNotTheirs,
  type Change,
  type ChangeBody,
  type Inspection,
  type Role,
} from '..';
import { CONTRACTOR, ID, INSPECTOR, LEAD, ORDER, after, change, decided, inspection, refusal, takenUp, uuidOf } from '../../test/inspection'; // prettier-ignore
import { caseWith } from '../../test/rule-table';
import { foundIn, judged } from '..';

const begun = inspection({ case: caseWith({ 'breaker.ratingA': 50 }) });
const V1 = uuidOf(1);
const cited = foundIn(judged(begun)).reduce((now, one, i) => after(now, takenUp(one, uuidOf(i + 1))), begun);
const stopped = after(cited, decided({ kind: 'stop-work', order: ORDER }));
const asked: Inspection = { ...inspection(), claimed: { case: begun.case, by: CONTRACTOR.name, at: begun.openedAt } };

/** One change of each type that would be taken from somebody. */
const ONE: Readonly<Record<Change['type'], ChangeBody>> = {
  open: { type: 'open', inspection: ID, header: { address: '1 Row', owner: '', permit: '', edition: '2020' } },
  request: { type: 'request', inspection: ID },
  rules: { type: 'rules', inspection: ID, rules: 1 },
  head: { type: 'head', inspection: ID, address: '2 Row', owner: '', permit: '', reason: 'Another house.' },
  facts: touched(ID, 'breaker.ratingA', 30),
  remove: { type: 'remove', inspection: ID, list: 'cord', index: 0 },
  restore: { type: 'restore', inspection: ID, list: 'cord', index: 0, entry: { lengthFt: 20 } },
  evidence: { type: 'evidence', inspection: ID, evidence: uuidOf(70), is: { about: 'breaker.ratingA', text: 'so', photo: null } }, // prettier-ignore
  violation: { type: 'violation', inspection: ID, violation: V1, to: 'claimed', words: 'Changed to 30 A.' },
  'not-taken-up': { type: 'not-taken-up', inspection: ID, finding: { rule: 'cord/ampacity', part: null }, reason: '' },
  order: { type: 'order', inspection: ID, order: uuidOf(2), to: 'limited', words: 'By Reed, until Friday.' },
  condition: { type: 'condition', inspection: ID, condition: uuidOf(3), to: 'met', words: 'It is there.' },
  visit: { type: 'visit', inspection: ID, visit: uuidOf(4), to: 'under-way', words: 'The owner' },
  turn: { type: 'turn', inspection: ID, visit: uuidOf(4), turn: 1 },
  paper: { type: 'paper', inspection: ID, decision: uuidOf(5), to: 'void', words: 'It names another house.' },
  appeal: {
    type: 'appeal',
    inspection: ID,
    appeal: uuidOf(6),
    to: 'filed',
    words: 'It is not so, we say.',
    against: V1,
  },
  permit: { type: 'permit', inspection: ID, to: 'there', until: null, words: '' },
  hold: { type: 'hold', inspection: ID, to: 'held', words: 'A court has asked for it.' },
  installer: { type: 'installer', inspection: ID, kind: 'owner', name: 'Pat O’Dell', license: '', words: '' },
  decide: decided(),
};
const TYPES = Object.keys(CHANGES) as Change['type'][];

test('a role that nobody has listed can do nothing, wherever and whatever; a reader neither', () => {
  for (const [role, words] of [
    ['auditor', 'Nobody has said what'],
    ['toString', 'Nobody has said what'],
    ['reader', 'A reader changes nothing.'],
  ] as const)
    // prettier-ignore
    for (const type of TYPES)
      for (const where of [type === 'open' ? undefined : cited, asked, stopped])
        expect([type, applyChange(where, change(ONE[type]), { name: 'Odo', role: role as Role })]).toEqual([
          type,
          { ok: false, why: expect.stringContaining(words) as string },
        ]);
  for (const kind of Object.values(KINDS)) {
    const person = { name: 'Odo', role: 'auditor' as Role };
    const moves = openMoves(kind as typeof KINDS.visit, houseOf(cited), undefined, person);
    expect([kind.type, moves.filter(({ theirs }) => theirs)]).toEqual([kind.type, []]);
  }
});

test('a change that nobody has listed does nothing, be it read or applied', () => {
  const strange = { ...change(ONE.hold), type: 'seize' };
  expect(() => readChange(strange)).toThrow('A change is one of open, request');
  expect(applyChange(cited, strange as unknown as Change, LEAD)).toEqual({
    ok: false,
    why: 'There is no such change.',
  });
});

test('those outside go on with what is corrected, its pictures and appeals, once the house is the office’s; and with nothing else', () => {
  const goOn = (where: Inspection) => TYPES.filter((type) => whyNotTheirs(CONTRACTOR, where, type) === undefined);
  expect(goOn(cited)).toEqual(TYPES);
  for (const where of [asked, stopped])
    expect(goOn(where).sort()).toEqual(['appeal', 'evidence', 'request', 'violation']);
  expect(refusal(stopped, ONE.violation, CONTRACTOR)).toBeUndefined();
  expect(refusal(stopped, ONE.facts, CONTRACTOR)).toBe('The office has decided on it; only an inspector records there now.'); // prettier-ignore
  expect(refusal(asked, ONE.facts, CONTRACTOR)).toBe('The office was asked for this inspection; only an inspector records there now.'); // prettier-ignore
});

test.each(Object.keys(ROLES) as Role[])('what is offered to a %s is taken from him, and what is not is refused', (role) => {
  const person = { name: 'Odo', role };
  const [order] = stopped.docket.orders;
  for (const [kind, known, id] of [
    [KINDS.violation, stopped.docket.violations[0], { violation: V1 }],
    [KINDS.order, order, { order: order!.id }],
    [KINDS.visit, undefined, { visit: uuidOf(40) }],
    [KINDS.permit, undefined, { until: '2027-01-01' }],
    [KINDS.hold, undefined, {}],
  ] as const)
    for (const { to, theirs, whyNot } of openMoves(kind as typeof KINDS.visit, houseOf(stopped), known as undefined, person)) {
      const day = to === ('scheduled' as string) ? { day: '2026-12-09' } : {};
      const due = (to as string) === 'open' ? { dueOn: '2027-01-05' } : {};
      const varied = (to as string) === 'varied' ? { variance: { authority: 'a', section: 's', extent: 'e', until: null } } : {};
      const body = { type: kind.type, inspection: ID, to, words: 'words that are long enough', ...id, ...day, ...due, ...varied };
      const why = refusal(stopped, body as unknown as ChangeBody, person);
      expect([kind.type, to, why]).toEqual([kind.type, to, whyNot === undefined ? undefined : expect.any(String)]);
      if (!theirs) expect(why).toMatch(/only |changes nothing/);
    }
}); // prettier-ignore

test('a move that is offered says what is asked, and by which name it goes into the change', () => {
  for (const { moves, type } of Object.values(KINDS))
    for (const { offered, to } of moves) {
      const asks = offered?.asks;
      if (typeof asks === 'object')
        for (const { name, label } of asks) expect([type, to, name, label]).toEqual([type, to, expect.stringMatching(/^[a-zA-Z]+(\.[a-z]+)?$/), expect.stringMatching(/^[A-Z]/)]); // prettier-ignore
    }
  const lifted = KINDS.order.moves.find(({ to }) => to === 'lifted')!;
  expect(lifted.offered).toMatchObject({ label: 'Lift the order', asks: 'Why the order is lifted' });
  expect(openMoves(KINDS.order, houseOf(stopped), stopped.docket.orders[0], INSPECTOR).find(({ to }) => to === 'lifted')).toMatchObject({ theirs: false, whyNot: 'The order: only lead can set it to “lifted”.' }); // prettier-ignore
  expect(openMoves(KINDS.order, houseOf(stopped), stopped.docket.orders[0], LEAD).find(({ to }) => to === 'lifted')!.whyNot).toContain('rests on violation'); // prettier-ignore
});
