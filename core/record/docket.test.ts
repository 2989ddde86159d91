import fc from 'fast-check';
import { STATIONS, factAt } from '../case';
import { RULES } from '../rules';
import { DEPENDENTS, dependentsOf } from '../rules/dependents';
import {
  CONTRACTOR,
  ID,
  INSPECTOR,
  LEAD,
  ORDER,
  after,
  afterBy,
  change,
  decided,
  inspection,
  refusal,
  takenUp,
  uuidOf,
} from '../test/inspection';
import { GOOD, caseWith } from '../test/rule-table';
import { evaluate } from '../verdict';
import {
  ROLES,
  KINDS,
  may,
  VIOLATION_STATES,
  attempts,
  dueAt,
  factsToCorrect,
  factsToProve,
  isToVisit,
  lastSeen,
  orderGround,
  seenAgain,
  foundIn,
  inForce,
  provenBy,
  standingOf,
  stateOf,
  touched,
  type ChangeBody,
  type Inspection,
  type Role,
  type ViolationState,
} from '.';

const FIFTY = caseWith({ 'breaker.ratingA': 50 });
const V1 = uuidOf(1);
const found = (one: Inspection) => foundIn(evaluate(one.case));
const of = (rule: string, one: Inspection) => found(one).find((each) => each.rule === rule)!;
const move = (to: ViolationState, words = '', over: object = {}): ChangeBody =>
  ({ type: 'violation', inspection: ID, violation: V1, to, words, ...over }) as ChangeBody;
const evidence = (about: string, n = 90): ChangeBody => ({
  type: 'evidence',
  inspection: ID,
  evidence: uuidOf(n),
  is: { about, text: 'as it is now', photo: null },
});

/** Everything found is cited as one violation, for it has one cause, and sent away to be corrected. */
function sentAway(site = FIFTY): Inspection {
  const begun = inspection({ case: site });
  const [first, ...rest] = found(begun);
  const joined = move('open', '', { findings: rest.map(({ rule, part }) => ({ rule, part })) });
  const taken = after(begun, takenUp(first!, V1), joined);
  return after(taken, decided({ kind: 'corrections-required', dueOn: '2026-12-09' }));
}

/** Every dependent of a violation proved again, by a note each. */
const provedAgain = (one: Inspection): ChangeBody[] =>
  dependentsOf(one.docket.violations[0]!.findings.map(({ rule }) => rule)).map((rule, i) => evidence(rule, 100 + i));

describe('a violation', () => {
  test('is one for each part: two undersized cords are two', () => {
    const cords = [1, 2].map((n) => ({ ...(factAt(GOOD, 'cord[0]') as object), id: `c${n}`, sizeAwg: '16' }));
    const two = inspection({ case: caseWith({ cord: cords } as never) });
    const ampacity = found(two).filter(({ rule }) => rule === 'cord/ampacity');
    expect(ampacity.map(({ part }) => part)).toEqual(['c1', 'c2']);
    expect(ampacity[1]!.reason).toContain('cord 2');
    const one = after(two, takenUp(ampacity[0]!, V1));
    expect(standingOf(one, evaluate(one.case)).unanswered).toContainEqual(ampacity[1]);
    expect(standingOf(one, evaluate(one.case)).unanswered).not.toContainEqual(ampacity[0]);
  });

  test('several findings of one cause are joined; one finding stands in one violation', () => {
    const begun = inspection({ case: caseWith({ 'breaker.ratingA': 50, 'breaker.heldDown': 'no' }) });
    const [first, ...rest] = found(begun);
    expect(rest.length).toBeGreaterThan(0);
    const joined = after(
      begun,
      takenUp(first!, V1),
      move('open', '', { findings: rest.map(({ rule, part }) => ({ rule, part })) }),
    );
    expect(joined.docket.violations).toHaveLength(1);
    expect(standingOf(joined, evaluate(joined.case)).unanswered).toEqual([]);
    expect(refusal(joined, takenUp(rest[0]!, uuidOf(2)))).toBe('That finding stands in violation 1 already.');
  });

  test('is corrected once nothing of it is found, something of it was recorded since, and what it touches is proved again', () => {
    const sent = sentAway();
    expect(sent.docket.violations).toHaveLength(1);
    expect(refusal(sent, move('verified'))).toContain('it is still found:');
    const changed = after(sent, touched(ID, 'breaker.ratingA', 30));
    expect(stateOf(changed)).toBe('reinspection');
    // Whatever is recorded or shown from elsewhere: a breaker is proved to whoever stands before it alone.
    for (const one of [changed, after(changed, ...provedAgain(changed))])
      expect(refusal(one, move('verified'))).toContain('it is seen at the house; begin the visit first.');
    const there = after(changed, {
      type: 'visit',
      inspection: ID,
      visit: uuidOf(8),
      to: 'under-way',
      words: 'the owner',
    });
    expect(refusal(there, move('verified'))).toMatch(/what is to be proved again: .*breaker\/held-down/);
    const again = after(there, ...provedAgain(there));
    expect(refusal(again, move('verified'), CONTRACTOR)).toContain('only inspector or lead');
    const done = afterBy(INSPECTOR, again, move('verified'));
    expect(done.docket.violations[0]).toMatchObject({ state: 'verified', number: 1 });
    expect(refusal(done, move('open', 'A wrong touch.'))).toBeUndefined();
    const signed = after(done, decided());
    expect(stateOf(signed)).toBe('approved');
    expect(refusal(signed, move('open', 'It was changed back.'))).toContain('is a new violation');
  });

  test('that the engine no longer finds, though nobody looked, is not corrected', () => {
    const sent = sentAway();
    expect(refusal({ ...sent, case: GOOD }, move('verified'))).toContain('nothing was recorded since it was opened');
  });

  test('is said to be corrected by the contractor, and opened again by the inspector, who says why', () => {
    const sent = sentAway();
    expect(refusal(sent, move('claimed'), CONTRACTOR)).toContain('Say it in words');
    const claimed = afterBy(CONTRACTOR, sent, move('claimed', 'A 30 A breaker is in.'));
    expect(stateOf(claimed)).toBe('corrections-required'); // a claim changes nothing that was found
    expect(refusal(claimed, move('open'), INSPECTOR)).toContain('say why it is not corrected');
    const opened = afterBy(INSPECTOR, claimed, move('open', 'The 50 A breaker is still there.'));
    expect(attempts(opened.docket.violations[0]!)).toBe(1);
    expect(opened.docket.violations[0]!.steps.slice(1).map(({ by }) => by)).toEqual([
      LEAD.name,
      CONTRACTOR.name,
      INSPECTOR.name,
    ]);
  });

  test('a hazard is withdrawn, or called none, by the lead alone; a fed outlet is never varied', () => {
    const begun = inspection({ case: caseWith({ 'transfer.kind': 'none-backfed' }) });
    const fed = of('transfer/no-outlet-backfeed', begun);
    expect(fed.severity).toBe('hazard');
    const taken = after(begun, takenUp(fed, V1));
    expect(refusal(taken, move('withdrawn', 'The outlet is dead.'), INSPECTOR)).toContain('the lead alone');
    expect(refusal(taken, move('withdrawn', 'The outlet is dead.'))).toBeUndefined();
    const variance = { authority: 'Board of appeals', section: '702.5', extent: 'This house', until: null };
    expect(refusal(taken, move('varied', 'As the board says.', { variance }))).toContain('never varied');
    const not: ChangeBody = { type: 'not-taken-up', inspection: ID, finding: { rule: fed.rule, part: null }, reason: 'It is dead, seen.' }; // prettier-ignore
    expect(refusal(begun, not, INSPECTOR)).toContain('the lead alone');
    expect(standingOf(after(begun, not), evaluate(begun.case)).unanswered).not.toContainEqual(fed);
  });

  test('a hazard that a device calls a correction is a hazard all the same, also where it is joined', () => {
    const begun = inspection({ case: caseWith({ 'breaker.heldDown': 'no', 'panel.directoryTrue': 'no' }) });
    const [held, directory] = [of('breaker/held-down', begun), of('panel/directory-true', begun)];
    const light = takenUp({ ...held, severity: 'correction' }, V1);
    expect(after(begun, light).docket.violations[0]!.severity).toBe('hazard');
    const joined = after(
      begun,
      takenUp(directory, V1),
      move('open', '', { findings: [{ rule: held.rule, part: null }] }),
    );
    expect(joined.docket.violations[0]!.severity).toBe('hazard');
    expect(after(begun, takenUp(directory, V1)).docket.violations[0]!.severity).toBe('correction');
  });

  test('a variance names authority, section, extent and end, and is the lead’s', () => {
    const sent = sentAway();
    const variance = { authority: 'Board of appeals', section: '702.5', extent: 'This house', until: '2027-06-30' };
    expect(refusal(sent, move('varied', 'As the board says.'))).toContain('name authority');
    expect(refusal(sent, move('varied', 'As the board says.', { variance }), INSPECTOR)).toContain('only lead');
    expect(stateOf(after(sent, move('varied', 'As the board says.', { variance }), decided()))).toBe('approved');
  });

  test('of the inspector’s own wants a photo or a note of how it is now', () => {
    const is = { words: 'The panel hangs loose.', remedy: 'Fasten it.', cites: ['110.13(A)'], severity: 'correction', station: 'panel' } as const; // prettier-ignore
    const own = after(inspection(), move('open', '', { is }));
    expect(refusal(own, move('verified'))).toContain('make a photo or a note');
    expect(refusal(after(own, evidence(V1)), move('verified'))).toBeUndefined();
    expect(refusal(inspection(), move('open'))).toBe('A new violation says what is wrong.');
  });

  test('gets another day with a reason', () => {
    const sent = sentAway();
    expect(refusal(sent, move('open', 'late', { dueOn: '2027-01-05' }))).toContain('at least 10 characters');
    const moved = after(sent, move('open', 'The breaker is on order.', { dueOn: '2027-01-05' }));
    expect(moved.docket.violations[0]!.dueOn).toBe('2027-01-05');
  });

  test('whatever is tried, by whomever, it moves only as the table says', () => {
    const states = Object.keys(VIOLATION_STATES) as ViolationState[];
    const variance = { authority: 'a', section: 's', extent: 'e', until: null };
    fc.assert(
      fc.property(fc.constantFrom(...states), fc.constantFrom(...states), fc.constantFrom(...(Object.keys(ROLES) as Role[])), (from, to, role) => {
        const sent = sentAway();
        const one = { ...sent.docket.violations[0]!, state: from };
        const before = { ...sent, docket: { ...sent.docket, violations: [one] } };
        const why = refusal(before, move(to, 'words that are long enough', to === 'varied' ? { variance } : {}), { name: 'Odo', role });
        const allowed = KINDS.violation.moves.some((m) => m.to === to && m.from.includes(from) && may(role, m.may));
        if (why === undefined) expect(allowed).toBe(true);
        else if (allowed) expect(to === 'verified' || !['open', 'claimed'].includes(from)).toBe(true); // still found, or signed since
      }),
    ); // prettier-ignore
  });
});

describe('deciding', () => {
  const site = caseWith({ 'breaker.lineLoadMarked': 'yes', 'breaker.listedForPanel': undefined, 'feeder.stretches[0].lengthFt': 100 }); // prettier-ignore
  const begun = inspection({ case: site });
  const suitable = of('breaker/suitable-for-backfeed', begun);

  test('nothing stands against the good case', () => {
    expect(refusal(inspection(), decided())).toBeUndefined();
    expect(refusal(inspection(), decided({ kind: 'corrections-required', dueOn: '2026-12-09' }))).toContain('nothing to correct'); // prettier-ignore
  });

  test('every finding is answered and every point proved; advice stands against nothing', () => {
    expect(refusal(begun, decided())).toBe(
      '1 finding is not answered. Take it up as a violation, or say why not. 1 point is not proved. Prove it, or say of each why it does not count here.',
    );
    const taken = after(begun, takenUp(suitable, V1));
    expect(refusal(taken, decided())).toContain('1 violation is open: 1.');
    expect(refusal(taken, decided({ kind: 'corrections-required' }))).toBe('Choose the day by which it is to be corrected.'); // prettier-ignore
    expect(refusal(taken, decided({ kind: 'corrections-required', dueOn: '2026-12-09' }))).toBeUndefined();
    const not = (rule: string, reason = 'Its listing says otherwise.'): ChangeBody => ({ type: 'not-taken-up', inspection: ID, finding: { rule, part: null }, reason }); // prettier-ignore
    expect(refusal(begun, not(suitable.rule, 'no'))).toContain('at least 10 characters');
    const answered = after(begun, not(suitable.rule), not('breaker/listed-for-panel'));
    expect(refusal(answered, decided())).toBeUndefined();
    expect(refusal(after(answered, not(suitable.rule, '')), decided())).toContain('1 finding is not answered');
  });

  test('what is no hazard can be a condition with a day; it is met with words, and revokes nothing', () => {
    const light = inspection({ case: caseWith({ 'panel.directoryTrue': 'no', 'panel.openingsClosed': undefined }) });
    const [directory] = found(light);
    const taken = after(light, takenUp(directory!, V1));
    const condition = (id: string, of: string) => ({ id, text: 'Write it anew.', dueOn: '2026-12-20', of });
    const both = [condition(uuidOf(7), V1), condition(uuidOf(8), 'panel/openings-closed')];
    expect(refusal(taken, decided({ kind: 'approved-with-conditions', conditions: [] }))).toContain('Write down');
    const approved = after(taken, decided({ kind: 'approved-with-conditions', conditions: both }));
    expect(approved.docket.conditions.map(({ state }) => state)).toEqual(['due', 'due']);
    expect([dueAt(approved), approved.docket.violations[0]!.dueOn]).toEqual([{ day: '2026-12-20', what: 'condition' }, '2026-12-20']); // prettier-ignore
    const corrected = after(approved, touched(ID, 'panel.directoryTrue', 'yes'), move('verified'));
    expect(corrected.docket.conditions.map(({ state }) => state)).toEqual(['met', 'due']);
    expect(after(corrected, move('open', 'A wrong touch.')).docket.conditions[0]!.state).toBe('due');
    const met: ChangeBody = { type: 'condition', inspection: ID, condition: uuidOf(7), to: 'met', words: '' };
    expect(refusal(approved, met)).toContain('Say it in words');
    expect(stateOf(after(approved, { ...met, words: 'It is true now, seen.' }))).toBe('approved-with-conditions');
    const hazard = { ...taken.docket.violations[0]!, severity: 'hazard' as const };
    const dangerous = { ...taken, docket: { ...taken.docket, violations: [hazard] } };
    const conditional = decided({ kind: 'approved-with-conditions', conditions: both });
    expect(refusal(dangerous, conditional)).toContain('A hazard is never a condition');
    expect(refusal(taken, decided({ conditions: both }))).toContain('Only an approval with conditions');
    const proof = { ...condition(uuidOf(7), 'breaker/held-down') };
    const unproved = decided({ kind: 'approved-with-conditions', conditions: [proof] });
    expect(refusal(inspection({ case: caseWith({ 'breaker.heldDown': undefined }) }), unproved)).toContain(
      'could be a hazard',
    );
  });

  test('a visit to some stations answers for these, and approves nothing', () => {
    const empty = after(undefined, { type: 'open', inspection: ID, header: inspection().header });
    const rough = after(empty, touched(ID, 'transfer.kind', 'retrofit-interlock'));
    const scope = ['labels'] as const;
    const left = (leftOut: string, kind: 'approved' | 'passed-stations' = 'passed-stations') => decided({ kind, scope: [...scope], leftOut }); // prettier-ignore
    const why = refusal(rough, left(''))!;
    expect(why).toContain('why the other stations were not looked at');
    expect(why).toMatch(/\b[1-9] points? (is|are) not proved/); // those of the labels, not ninety
    const labels = after({ ...rough, case: { ...GOOD, cord: undefined } as never });
    expect(refusal(labels, left('Rough-in; the rest is not built.'))).toBeUndefined();
    expect(refusal(labels, left('Rough-in; the rest is not built.', 'approved'))).toContain(
      'answers for every station',
    );
    expect(STATIONS.length).toBeGreaterThan(scope.length);
  });

  test('who signs is who is signed in', () => {
    expect(refusal(inspection(), decided(), INSPECTOR)).toBe('Sign as yourself: Joss Linnaker.');
  });
});

describe('an order', () => {
  const begun = inspection({ case: caseWith({ 'transfer.kind': 'none-backfed' }) });
  const taken = after(begun, ...found(begun).map((one, i) => takenUp(one, uuidOf(i + 1))));
  const stopped = after(taken, decided({ kind: 'stop-work', order: ORDER }));
  const order = stopped.docket.orders[0]!;
  const to = (state: 'limited' | 'lifted', words: string): ChangeBody => ({ type: 'order', inspection: ID, order: order.id, to: state, words }); // prettier-ignore

  test('rests on a violation and a ground', () => {
    expect(refusal(inspection(), decided({ kind: 'stop-work', order: ORDER }))).toContain('rests on a violation');
    expect(refusal(taken, decided({ kind: 'stop-work' }))).toContain('Say what is ordered');
    expect(refusal(taken, decided({ kind: 'approved', order: ORDER }))).toContain('Only a stop-work posts an order');
  });

  test('stays in force whatever is recorded and decided, until the lead lifts it once its violations are settled', () => {
    const thirty = after(stopped, ...Array.from({ length: 30 }, (_, i) => touched(ID, 'breaker.ratingA', 15 + i)));
    expect([stateOf(thirty), inForce(thirty.docket)]).toEqual(['stop-work', [order]]);
    const limited = afterBy(INSPECTOR, thirty, to('limited', 'Maro takes the outlet out, until Friday.'));
    expect(stateOf(limited)).toBe('stop-work');
    expect(refusal(limited, to('lifted', 'It is out.'))).toContain('it is lifted once that is settled');
    const settled = { ...limited, docket: { ...limited.docket, violations: limited.docket.violations.map((one) => ({ ...one, state: 'removed' as const })) } }; // prettier-ignore
    expect(refusal({ ...settled, case: GOOD }, decided())).toContain('An order is in force');
    expect(refusal(settled, to('lifted', 'It is out.'), INSPECTOR)).toContain('only lead');
    expect(refusal(settled, to('lifted', ''))).toContain('Say it in words');
    expect(stateOf(after(settled, to('lifted', 'It is out, seen.')))).toBe('reinspection');
    expect(refusal(after(settled, to('lifted', 'It is out, seen.')), to('limited', 'again'))).toContain(
      'cannot become',
    );
  });
});

describe('a visit', () => {
  const visit = (state: string, words = '', over: object = {}): ChangeBody => ({ type: 'visit', inspection: ID, visit: uuidOf(3), to: state, words, ...over }) as ChangeBody; // prettier-ignore

  test('is scheduled, scheduled anew with a reason, begun with whoever let them in, and done with the decision', () => {
    expect(refusal(inspection(), visit('scheduled'))).toBe('A visit is scheduled for a day.');
    const planned = after(inspection(), visit('scheduled', '', { day: '2026-12-01', inspector: 'Joss Linnaker' }));
    expect(refusal(planned, visit('scheduled', 'rain', { day: '2026-12-02' }))).toContain('scheduled anew');
    expect(refusal(planned, visit('under-way'))).toBe('Say who let you in.');
    expect(refusal(planned, { ...visit('under-way', 'x'), visit: uuidOf(4) } as ChangeBody)).toContain('one at a time');
    const begun = after(planned, visit('under-way', 'the owner'));
    expect(refusal(begun, visit('done'))).toContain('once its decision is signed');
    const done = after(begun, decided());
    expect(done.docket.visits).toMatchObject([{ number: 1, state: 'done', day: '2026-12-01', inspector: 'Joss Linnaker' }]); // prettier-ignore
    expect(refusal(done, visit('cancelled', 'no longer'))).toContain('cannot become');
  });

  test('begun after a decision is a reinspection; nobody there leaves the decision as it stands', () => {
    const sent = sentAway();
    expect(stateOf(after(sent, visit('under-way', 'the owner')))).toBe('reinspection');
    expect(stateOf(after(sent, visit('nobody-there', 'Rang twice, called the number.')))).toBe('corrections-required');
    expect(refusal(inspection(), visit('nobody-there', 'Rang twice.'), CONTRACTOR)).toContain('only inspector or lead');
    expect(refusal(sent, visit('nobody-there', 'Rang twice.'), CONTRACTOR)).toContain(
      'only an inspector records there',
    );
  });
});

describe('what is due', () => {
  test('is the first of a visit, a correction, a condition and a reinspection', () => {
    const sent = sentAway();
    expect(dueAt(sent)).toEqual({ day: '2026-12-09', what: 'violation' });
    const visit: ChangeBody = { type: 'visit', inspection: ID, visit: uuidOf(3), to: 'scheduled', words: '', day: '2026-12-01' }; // prettier-ignore
    expect(dueAt(after(sent, visit))).toEqual({ day: '2026-12-01', what: 'visit' });
    expect([isToVisit(sent), isToVisit(inspection()), dueAt(inspection())]).toEqual([true, false, undefined]);
    const condition = { id: uuidOf(7), text: 'A durable sign.', dueOn: '2026-12-20', of: null };
    const approved = after(inspection(), decided({ kind: 'approved-with-conditions', conditions: [condition] }));
    expect([dueAt(approved), isToVisit(approved)]).toEqual([{ day: '2026-12-20', what: 'condition' }, true]);
  });

  test('what is open is to be corrected by the day that was signed last', () => {
    const begun = inspection({ case: FIFTY });
    const [first, ...rest] = found(begun);
    const joined = move('open', '', { findings: rest.map(({ rule, part }) => ({ rule, part })) });
    const taken = after(begun, { ...takenUp(first!, V1), dueOn: null } as ChangeBody, joined);
    const sent = after(taken, decided({ kind: 'corrections-required', dueOn: '2026-12-11' }));
    expect(sent.docket.violations[0]!.dueOn).toBe('2026-12-11');
  });

  test('what was seen before is seen again as it stands, by whoever looks now', () => {
    const sent = sentAway();
    const facts = factsToProve(sent.case, 'panel/directory-true');
    expect(facts).toEqual(['panel.directoryTrue']);
    const again = afterBy(INSPECTOR, sent, seenAgain(sent, facts));
    expect(again.case.panel).toEqual(sent.case.panel);
    expect(lastSeen(again.case, facts)! > sent.decisions[0]!.at).toBe(true);
    const inlet = { rule: 'inlet/breaker-not-above-inlet', part: null };
    expect(factsToCorrect(sent.case, sent.docket.violations[0]!.findings)[0]).toBe('breaker.ratingA');
    // What is stamped on the inlet ends nothing, for its face bears no more; the breaker does.
    expect(factsToCorrect(sent.case, [inlet])[0]).toBe('breaker.ratingA');
    expect(factsToCorrect(sent.case, [inlet])).toContain('inlet.ratingA');
    // Not what a cord is or where it is plugged in: what would end it, though another cord has the same fault.
    const cord = Object.entries(GOOD.cord![0]!).filter(([key]) => key !== 'id');
    const thin = {
      ...Object.fromEntries(cord.map(([key, value]) => [`cord[1].${key}`, value])),
      'cord[1].sizeAwg': '12',
    };
    const twoThin = caseWith({ 'cord[0].sizeAwg': '12', ...thin });
    expect(factsToCorrect(twoThin, [{ rule: 'cord/ampacity', part: twoThin.cord![1]!.id! }])[0]).toBe(
      'cord[1].sizeAwg',
    );
  });
});

describe('what a correction touches', () => {
  test('is named by rules that there are, and not by themselves', () => {
    const ids = new Set<string>(RULES.map(({ id }) => id));
    for (const [rule, dependents] of Object.entries(DEPENDENTS)) {
      expect([rule, ...dependents].filter((one) => !ids.has(one))).toEqual([]);
      expect(dependentsOf([rule])).not.toContain(rule);
    }
  });

  test('every rule that could be proved again is proved by some fact of its own', () => {
    for (const rule of new Set(Object.values(DEPENDENTS).flat())) expect(provenBy(rule).length).toBeGreaterThan(0);
  });

  test('a change of a docket is the same on device and office', () => {
    const sent = sentAway();
    const one = change(move('claimed', 'Done.'));
    expect(JSON.parse(JSON.stringify(one))).toEqual(one);
    expect(after(sent, move('claimed', 'Done.')).case).toBe(sent.case);
  });
});

test('an order names every open hazard with its remedy, the first violation where there is none, and says what it has no room for', () => {
  const violation = (number: number, severity: 'hazard' | 'correction', state: ViolationState = 'open') =>
    ({
      id: uuidOf(number),
      number,
      severity,
      state,
      words: `Wrong thing ${number}.`,
      remedy: `Mend thing ${number}.`,
    }) as never;
  expect(orderGround([violation(1, 'correction'), violation(2, 'hazard'), violation(3, 'hazard')])).toEqual({
    ground: '2: Wrong thing 2. 3: Wrong thing 3.',
    mayDo: '2: Mend thing 2. 3: Mend thing 3.',
  });
  expect(orderGround([violation(1, 'correction'), violation(2, 'hazard', 'verified')])).toEqual({
    ground: 'Wrong thing 1.',
    mayDo: 'Mend thing 1.',
  });
  expect(orderGround([])).toEqual({ ground: '', mayDo: '' });
  const many = orderGround(Array.from({ length: 99 }, (_, i) => violation(i + 1, 'hazard')));
  for (const [text, most] of [
    [many.ground, 1000],
    [many.mayDo, 500],
  ] as const) {
    expect(text.length).toBeLessThanOrEqual(most);
    expect(text).toMatch(/^1: .* And \d+ more, on the list of violations\.$/);
    const [told, left] = [text.match(/\d+: /g)!.length, Number(/And (\d+) more/.exec(text)![1])];
    expect(told + left).toBe(99);
  }
});
