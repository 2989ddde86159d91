import { RULES } from '../rules';
import { BY_PHOTO } from '../rules/by-photo';
import {
  CONTRACTOR,
  ID,
  INSPECTOR,
  LEAD,
  ORDER,
  after,
  afterBy,
  decided,
  inspection,
  refusal,
  takenUp,
  uuidOf,
} from '../test/inspection';
import { caseWith } from '../test/rule-table';
import { evaluate } from '../verdict';
import {
  KINDS,
  PAPER_STATES,
  dayAtHouse,
  foundIn,
  installerOf,
  isCurrent,
  issuedToContractor,
  openAppeals,
  paperState,
  stateOf,
  touched,
  whyNoPermit,
  type ChangeBody,
  type Inspection,
  type PaperState,
  type VisitState,
} from '.';

const V1 = uuidOf(1);
const WHY = 'The address on it is another house.';
const approved = () => after(inspection(), decided());
const idOf = (one: Inspection) => one.decisions.at(-1)!.id;
const paper = (one: Inspection, to: PaperState, words = WHY): ChangeBody => ({ type: 'paper', inspection: ID, decision: idOf(one), to, words }); // prettier-ignore
const permit = (to: 'there' | 'missing' | 'renewed', until: string | null, words = 'as the office’s books say'): ChangeBody => ({ type: 'permit', inspection: ID, to, until, words }); // prettier-ignore
const visit = (to: VisitState, words: string): ChangeBody => ({ type: 'visit', inspection: ID, visit: uuidOf(8), to, words }); // prettier-ignore
const photo = (about: string, n: number): ChangeBody => ({
  type: 'evidence',
  inspection: ID,
  evidence: uuidOf(n),
  is: { about, text: 'as it is now', photo: null },
});

describe('what becomes of a decision', () => {
  test('every move of the table: whoever may makes it, nobody else does, and every other is refused', () => {
    for (const from of Object.keys(PAPER_STATES) as PaperState[])
      for (const to of Object.keys(PAPER_STATES) as PaperState[]) {
        const one = approved();
        const papers = from === 'issued' ? undefined : [{ id: idOf(one), state: from, steps: [] }];
        const now = { ...one, docket: { ...one.docket, ...(papers && { papers }) } };
        const known = KINDS.paper.moves.some((each) => each.from.includes(from) && each.to === to);
        expect([from, to, refusal(now, paper(now, to), LEAD) === undefined]).toEqual([from, to, known]);
        for (const by of [INSPECTOR, CONTRACTOR]) expect(refusal(now, paper(now, to), by)).toEqual(expect.any(String));
      }
  });

  test('a void certificate is not current, and the house is to be decided anew; the new one is current', () => {
    const one = approved();
    expect(isCurrent(one, idOf(one))).toBe(true);
    const void_ = afterBy(LEAD, one, paper(one, 'void'));
    expect([stateOf(void_), isCurrent(void_, idOf(one))]).toEqual(['reinspection', false]);
    const anew = after(void_, decided());
    expect([stateOf(anew), isCurrent(anew, idOf(one)), isCurrent(anew, idOf(anew))]).toEqual(['approved', false, true]);
    expect(paperState(anew.docket, idOf(one))).toBe('void');
  });

  test('a certificate is suspended and holds again, or is revoked; the reason is read by whoever holds it', () => {
    const one = approved();
    expect(refusal(one, paper(one, 'suspended', 'short'), LEAD)).toContain('at least 10 characters');
    const suspended = afterBy(LEAD, one, paper(one, 'suspended'));
    expect([stateOf(suspended), isCurrent(suspended, idOf(one))]).toEqual(['suspended', false]);
    const again = afterBy(LEAD, suspended, paper(one, 'issued'));
    expect([stateOf(again), isCurrent(again, idOf(one))]).toEqual(['approved', true]);
    expect(stateOf(afterBy(LEAD, suspended, paper(one, 'revoked')))).toBe('revoked');
  });

  test('what is no certificate is not suspended; a decision of another house is none', () => {
    const begun = inspection({ case: caseWith({ 'breaker.ratingA': 50 }) });
    const taken = after(begun, ...foundIn(evaluate(begun.case)).map((one, i) => takenUp(one, uuidOf(i + 1))));
    const sent = after(taken, decided({ kind: 'corrections-required', dueOn: '2026-12-09' }));
    expect(refusal(sent, paper(sent, 'suspended'), LEAD)).toContain('Only a certificate');
    expect(refusal(sent, paper(sent, 'void'), LEAD)).toBeUndefined();
    expect(refusal(sent, { ...paper(sent, 'void'), decision: uuidOf(99) } as ChangeBody, LEAD)).toBe('There is no such decision.'); // prettier-ignore
  });
});

describe('a permit', () => {
  test('that ran out or is missing lets no approval be signed; violations and orders stay; renewed, it is signed', () => {
    for (const none of [permit('there', '2026-11-01'), permit('missing', null)]) {
      const now = after(inspection(), none);
      expect(refusal(now, decided())).toMatch(/permit/i);
      const renewed = after(now, permit('renewed', '2027-01-31'));
      expect(refusal(renewed, decided())).toBeUndefined();
    }
  });

  test('holds on its last day, by the day at the house', () => {
    expect(dayAtHouse('2026-11-26T01:30:00Z')).toBe('2026-11-25'); // an evening
    expect(dayAtHouse('2026-11-26T13:00:00Z')).toBe('2026-11-26'); // a morning
    const { docket } = after(inspection(), permit('there', '2026-11-25'));
    expect(whyNoPermit(docket, '2026-11-25')).toBeUndefined();
    expect(whyNoPermit(docket, '2026-11-26')).toContain('ran out on 2026-11-25');
    expect(whyNoPermit(inspection().docket, '2026-11-26')).toBeUndefined();
  });

  test('is renewed until a day, by the office alone', () => {
    const now = after(inspection(), permit('there', null));
    expect(refusal(now, permit('renewed', null))).toBe('Say until when the renewed permit holds.');
    expect(refusal(now, permit('renewed', '2027-01-31'), CONTRACTOR)).toContain('only inspector or lead');
  });

  test('an order is not lifted while there is none', () => {
    const own = { ...takenUp(foundIn(evaluate(caseWith({ 'breaker.ratingA': 50 })))[0]!, V1), findings: [] };
    const stopped = after(inspection(), own, decided({ kind: 'stop-work', order: ORDER }), permit('missing', null));
    const lift: ChangeBody = { type: 'order', inspection: ID, order: stopped.docket.orders[0]!.id, to: 'lifted', words: 'All of it is gone.' }; // prettier-ignore
    const settled = afterBy(LEAD, stopped, { type: 'violation', inspection: ID, violation: V1, to: 'withdrawn', words: 'It was another house.' }); // prettier-ignore
    expect(refusal(settled, lift, LEAD)).toBe('The order stays in force. There is no permit for this work; it is applied for first.'); // prettier-ignore
    expect(refusal(after(settled, permit('renewed', '2027-01-31')), lift, LEAD)).toBeUndefined();
  });
});

describe('who does the work', () => {
  const installer = (kind: 'contractor' | 'owner', name: string, license: string, words: string): ChangeBody => ({ type: 'installer', inspection: ID, kind, name, license, words }); // prettier-ignore
  test('the owner may; a contractor has a license; a second one says what was handed over', () => {
    const owner = after(inspection(), installer('owner', 'Pat O’Dell', '', ''));
    expect(installerOf(owner.docket)).toMatchObject({ kind: 'owner', name: 'Pat O’Dell' });
    expect(refusal(owner, installer('contractor', 'Reed Wiring', '', 'The inlet is set, the rest is left.'))).toContain('license'); // prettier-ignore
    expect(refusal(owner, installer('contractor', 'Reed Wiring', 'E-11', ''))).toContain('what is handed over');
    const now = after(owner, installer('contractor', 'Reed Wiring', 'E-11', 'The inlet is set, the rest is left.'));
    expect(now.docket.installers!.map(({ name }) => name)).toEqual(['Pat O’Dell', 'Reed Wiring']);
    expect(installerOf(now.docket)!.from).toBe(now.changedAt);
    expect(refusal(now, installer('owner', 'Pat O’Dell', '', 'Taken back by the owner.'), CONTRACTOR)).toContain('Only an inspector'); // prettier-ignore
  });
});

describe('an appeal', () => {
  const filed = (against: string): ChangeBody => ({ type: 'appeal', inspection: ID, appeal: uuidOf(5), to: 'filed', words: 'The breaker is listed for it.', against, filedBy: 'Sam Reed' }); // prettier-ignore
  const end = (to: 'upheld' | 'modified' | 'reversed'): ChangeBody => ({ type: 'appeal', inspection: ID, appeal: uuidOf(5), to, words: 'The board of appeals, on the papers.' }); // prettier-ignore
  test('is filed by either side against what stands here, and decided once, by the lead', () => {
    const one = approved();
    expect(refusal(one, filed(uuidOf(66)), CONTRACTOR)).toContain('of this house');
    const now = afterBy(CONTRACTOR, one, filed(idOf(one)));
    expect(openAppeals(now.docket)).toMatchObject([{ against: idOf(one), filedBy: 'Sam Reed', state: 'filed' }]);
    expect(isCurrent(now, idOf(one))).toBe(true);
    expect(refusal(now, end('upheld'), INSPECTOR)).toContain('only lead');
    const ended = afterBy(LEAD, now, end('reversed'));
    expect(openAppeals(ended.docket)).toEqual([]);
    expect(refusal(ended, end('upheld'), LEAD)).toContain('cannot become');
  });
});

test('a record is held and released by the lead alone, each time with a reason', () => {
  const hold = (to: 'held' | 'released', words = 'A court has asked for it.'): ChangeBody => ({ type: 'hold', inspection: ID, to, words }); // prettier-ignore
  expect(refusal(inspection(), hold('held'), INSPECTOR)).toContain('only lead');
  expect(refusal(inspection(), hold('held', 'short'), LEAD)).toContain('Say why');
  const held = after(inspection(), hold('held'));
  expect(held.docket.hold).toMatchObject({ on: true, steps: [{ to: 'held', by: LEAD.name }] });
  expect(issuedToContractor(held).docket).not.toHaveProperty('hold');
  expect(after(held, hold('released')).docket.hold).toMatchObject({ on: false, steps: [{}, { to: 'released' }] });
});

describe('what a photo shows', () => {
  /** A house sent away for one label and one breaker, each its own violation. */
  const sent = () => {
    const begun = inspection({ case: caseWith({ 'labels.generatorBreaker': 'no', 'breaker.heldDown': 'no' }) });
    const found = foundIn(evaluate(begun.case));
    const taken = after(begun, ...found.map((one, i) => takenUp(one, uuidOf(i + 1))));
    return after(taken, decided({ kind: 'corrections-required', dueOn: '2026-12-09' }));
  };
  const verify = (one: Inspection, rule: string): ChangeBody => ({
    type: 'violation',
    inspection: ID,
    violation: one.docket.violations.find(({ findings }) => findings.some((each) => each.rule === rule))!.id,
    to: 'verified',
    words: '',
  });
  const corrected = (one: Inspection) =>
    after(one, touched(ID, 'labels.generatorBreaker', 'yes'), touched(ID, 'breaker.heldDown', 'yes'));

  test('nothing that is measured, bonded, torqued or moved is among it', () => {
    expect(BY_PHOTO.length).toBeGreaterThan(5);
    for (const id of BY_PHOTO) {
      expect(RULES.some((rule) => rule.id === id)).toBe(true);
      expect(id).not.toMatch(/^(neutral|grounding|function|transfer|breaker|source|feeder)\//);
    }
  });

  test('by live picture a label is verified, a breaker is not', () => {
    const one = corrected(after(sent(), visit('remote', 'the owner holds the camera')));
    expect(refusal(one, verify(one, 'labels/generator-breaker'))).toBeUndefined();
    expect(refusal(one, verify(one, 'breaker/held-down'))).toContain('a live picture does not show it');
  });

  test('at the desk a photo counts for a label, and neither for a breaker nor for what its correction touches', () => {
    const now = corrected(sent());
    const dependents = ['panel/cover-fits', 'transfer/prevents-parallel'].map((rule, i) => photo(rule, 20 + i));
    const shown = after(now, ...dependents);
    expect(refusal(shown, verify(shown, 'labels/generator-breaker'))).toBeUndefined();
    expect(refusal(shown, verify(shown, 'breaker/held-down'))).toContain('it is seen at the house');
    const there = after(shown, visit('under-way', 'the owner'));
    expect(refusal(there, verify(there, 'breaker/held-down'))).toBeUndefined();
  });
});

test('the order of a day is set by hand, of visits that are ahead alone', () => {
  const ahead = after(inspection(), { ...visit('scheduled', ''), day: '2026-12-01' } as ChangeBody);
  const turn: ChangeBody = { type: 'turn', inspection: ID, visit: uuidOf(8), turn: 3 };
  expect(after(ahead, turn).docket.visits[0]).toMatchObject({ turn: 3, state: 'scheduled' });
  expect(refusal(ahead, turn, CONTRACTOR)).toContain('Only an inspector');
  expect(refusal(after(ahead, visit('under-way', 'the owner')), turn)).toContain('not ahead');
});
