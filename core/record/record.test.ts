import {
  addressed,
  applyChange,
  CHANGES,
  claimedAndFound,
  evidenceOfFact,
  evidenceOfFinding,
  foundIn,
  issuedToContractor,
  judged,
  readChange,
  stateOf,
  stateWords,
  touched,
  undoOf,
  type Change,
  type ChangeBody,
  type Inspection,
} from '.';
import fc from 'fast-check';
import { readCase, recordedAt, recordedFacts } from '../case';
import {
  CONTRACTOR,
  HEADER,
  ORDER,
  takenUp,
  uuidOf,
  ID,
  INSPECTOR,
  LEAD,
  SEEN,
  after,
  change,
  decided,
  decision,
  inspection,
  refusal,
} from '../test/inspection';
import { GOOD, caseWith } from '../test/rule-table';
import { evaluate } from '../verdict';

const BY = LEAD.name;
/** The same of a certain cord, stretch or circuit. */
const touchedPart = (path: string, value: string | number, part: string): ChangeBody => ({
  type: 'facts',
  inspection: ID,
  facts: [{ path, value, part, how: 'touched' }],
});
const header = HEADER;

describe('the life of an inspection', () => {
  test('draft, corrections required, reinspection, approved', () => {
    const opened = after(undefined, { type: 'open', inspection: ID, header });
    expect(stateOf(opened)).toBe('draft');
    const found = after({ ...opened, case: GOOD }, touched(ID, 'breaker.ratingA', 50));
    expect(stateOf(found)).toBe('draft');
    const sent = after(
      found,
      ...foundIn(evaluate(found.case)).map((one, i) => takenUp(one, uuidOf(i))),
      decided({ kind: 'corrections-required', dueOn: '2026-12-09' }),
    );
    expect(stateOf(sent)).toBe('corrections-required');
    const again = after(sent, touched(ID, 'breaker.ratingA', 30));
    expect(stateOf(again)).toBe('reinspection');
    const settled = again.docket.violations.map((one) => ({ ...one, state: 'verified' as const }));
    const done = after({ ...again, docket: { ...again.docket, violations: settled } }, decided());
    expect(stateOf(done)).toBe('approved');
    expect(done.decisions.map((one) => one.kind)).toEqual(['corrections-required', 'approved']);
  });

  test('what cannot be taken in gets a sentence', () => {
    expect(refusal(inspection(), { type: 'open', inspection: ID, header })).toBe('This inspection is open already.');
    expect(refusal(undefined, touched(ID, 'breaker.ratingA', 1))).toBe('There is no such inspection.');
    expect(refusal(inspection(), touched(ID, 'breaker.ratingA', -1))).toContain('right would be 1 to 400 A');
    expect(
      refusal(inspection(), { type: 'restore', inspection: ID, list: 'cord', index: 0, entry: { sizeAwg: '11' } }),
    ).toContain('no AWG size');
  });

  test('null takes a fact away', () => {
    expect(after(inspection(), touched(ID, 'breaker.ratingA', null)).case.breaker).not.toHaveProperty('ratingA');
  });
});

describe('undo', () => {
  test.each<ChangeBody>([
    touched(ID, 'breaker.ratingA', 50),
    touched(ID, 'neutral.unbalancedA', 12),
    touched(ID, 'breaker.ratingA', null),
    { type: 'remove', inspection: ID, list: 'cord', index: 0 },
    { type: 'remove', inspection: ID, list: 'feeder.stretches', index: 0 },
  ])('of %j brings back what was there', (body) => {
    const before = inspection();
    const applied = after(before, body);
    expect(applied.case).not.toEqual(before.case);
    expect(after(applied, undoOf(before, change(body))!).case).toEqual(before.case);
  });

  test('what is signed cannot be undone', () => {
    expect(
      undoOf(inspection(), change({ type: 'decide', inspection: ID, ...SEEN, decision: decision() })),
    ).toBeUndefined();
  });
});

describe('reading changes', () => {
  const good = change({
    type: 'decide',
    ...SEEN,
    inspection: ID,
    decision: decision({ kind: 'stop-work', order: ORDER }),
  });
  test('every kind reads back as it was', () => {
    const all: Change[] = [
      good,
      change({ type: 'open', inspection: ID, header }),
      change(touched(ID, 'breaker.ratingA', 30)),
      change({ type: 'remove', inspection: ID, list: 'cord', index: 0 }),
      change({ type: 'restore', inspection: ID, list: 'cord', index: 0, entry: { lengthFt: 20 } }),
      change({
        type: 'evidence',
        inspection: ID,
        evidence: '0dd0a7c4-1f5e-4b7a-9c02-000000000001',
        is: { about: 'breaker.ratingA', text: 'read by torch', photo: null },
      }),
      change({ type: 'evidence', inspection: ID, evidence: '0dd0a7c4-1f5e-4b7a-9c02-000000000001', is: null }),
      change({ type: 'violation', inspection: ID, violation: uuidOf(1), to: 'claimed', words: 'Changed to 30 A.' }),
      change({
        type: 'not-taken-up',
        inspection: ID,
        finding: { rule: 'cord/ampacity', part: 'cord-1' },
        reason: 'A listed set.',
      }),
      change({ type: 'order', inspection: ID, order: uuidOf(1), to: 'lifted', words: 'All of it is gone.' }),
      change({ type: 'condition', inspection: ID, condition: uuidOf(1), to: 'met', words: 'The label is there.' }),
      change({ type: 'visit', inspection: ID, visit: uuidOf(1), to: 'under-way', words: 'the owner' }),
      change({ type: 'turn', inspection: ID, visit: uuidOf(1), turn: 2 }),
      change({ type: 'paper', inspection: ID, decision: uuidOf(1), to: 'void', words: 'It names another house.' }),
      change({ type: 'appeal', inspection: ID, appeal: uuidOf(1), to: 'upheld', words: 'By the board of appeals.' }),
      change({ type: 'permit', inspection: ID, to: 'renewed', until: '2027-01-31', words: '' }),
      change({ type: 'installer', inspection: ID, kind: 'owner', name: 'Pat O’Dell', license: '', words: '' }),
      change({ type: 'hold', inspection: ID, to: 'held', words: 'A court has asked for it.' }),
      change({ type: 'rules', inspection: ID, rules: 2 }),
      change({ type: 'request', inspection: ID }),
      change({ type: 'head', inspection: ID, address: '3 Lane', owner: '', permit: '', reason: 'Another house.' }),
    ];
    expect([...new Set(all.map((one) => one.type))].sort()).toEqual(Object.keys(CHANGES).sort());
    for (const one of all) expect(readChange(JSON.parse(JSON.stringify(one)))).toEqual(one);
  });

  test.each<[string, object, string]>([
    [
      'a signature that is no path',
      { decision: { ...decision(), signature: { name: 'x', path: '<script>' } } },
      'no path',
    ],
    ['no name', { decision: { ...decision(), signature: { name: ' ', path: '' } } }, 'Sign with your name'],
    ['a short ground', { decision: { ...decision(), order: { ...ORDER, ground: 'no' } } }, 'at least 10 characters'],
    ['a day that is none', { decision: { ...decision(), dueOn: 'soon' } }, 'ISO date'],
    ['an unknown decision', { decision: { ...decision(), kind: 'maybe' } }, 'no such decision'],
    ['a stray key', { color: 'red' }, 'color'],
    [
      'a value that has no text to it',
      { decision: { ...decision(), kind: { toString: 'x' } } },
      'no name that can be kept',
    ],
  ])('%s is refused with a sentence', (_, over, words) => {
    expect(() => readChange({ ...good, ...over })).toThrow(words);
  });

  test.each([null, 7, [], { type: 'constructor' }, { type: 'odd' }])('%j is no change', (data) => {
    expect(() => readChange(data)).toThrow('A change is one of');
  });
});

describe('facts recorded together', () => {
  const together = (...facts: [string, string | number | null][]): ChangeBody => ({
    type: 'facts',
    inspection: ID,
    facts: facts.map(([path, value]) => ({ path, value, how: 'reading', said: '10/4 STW' })),
  });

  test('each says how, when and by whom; a later touch says its own', () => {
    const read = after(inspection(), together(['cord[0].type', 'STW'], ['cord[0].sizeAwg', '10']));
    const line = { how: 'reading', said: '10/4 STW', by: BY, at: read.changedAt };
    expect(recordedAt(read.case, 'cord[0].type')).toEqual(line);
    expect(recordedAt(read.case, 'cord[0].lengthFt')).toBeUndefined();
    const changed = after(read, touched(ID, 'cord[0].sizeAwg', '8'));
    expect(recordedAt(changed.case, 'cord[0].sizeAwg')).toEqual({ how: 'touched', by: BY, at: changed.changedAt });
    expect(recordedAt(changed.case, 'cord[0].type')).toEqual(line);
    expect(recordedAt(after(read, touched(ID, 'cord[0].type', null)).case, 'cord[0].type')).toBeUndefined();
    expect(readCase(changed.case).ok).toBe(true);
  });

  test('one that cannot be taken keeps all of them out', () => {
    const before = inspection();
    expect(refusal(before, together(['cord[0].type', 'SJTW'], ['cord[0].sizeAwg', '11']))).toContain('no AWG size');
    expect(before.case.cord![0]!.type).toBe('STW');
  });

  test('they are taken back as one, with how it was before', () => {
    const before = after(inspection(), together(['cord[0].type', 'SJTW']));
    const body = together(['cord[0].type', 'STW'], ['cord[0].wires', '3'], ['neutral.unbalancedA', 4]);
    const undone = after(after(before, body), undoOf(before, change(body))!);
    expect(undone.case).toEqual(before.case);
  });

  test('a new cord comes with them and goes with them; two new ones are two', () => {
    const before = inspection();
    const said = addressed(
      before,
      change(together(['cord[1].type', 'SJTW'], ['cord[1].wires', '3'], ['cord[2].type', 'SJTW'])),
    );
    const applied = applyChange(before, said, LEAD);
    if (!applied.ok) throw new Error(applied.why);
    const { cord } = applied.inspection.case;
    expect(cord!.slice(1)).toEqual([
      { id: `${said.id}-1`, type: 'SJTW', wires: '3' },
      { id: `${said.id}-2`, type: 'SJTW' },
    ]);
    expect(after(applied.inspection, undoOf(before, said)!).case).toEqual(before.case);
  });

  test('how it was recorded stays with its cord, wherever that stands by now, also when it was taken out and put back', () => {
    const two = after(inspection(), together(['cord[1].type', 'SJTW']));
    const out = after(two, { type: 'remove', inspection: ID, list: 'cord', index: 0 });
    expect(recordedAt(out.case, 'cord[0].type')).toMatchObject({ how: 'reading' });
    const remove = change({ type: 'remove', inspection: ID, list: 'cord', index: 1 });
    const applied = applyChange(two, remove, LEAD);
    if (!applied.ok) throw new Error(applied.why);
    const back = after(applied.inspection, undoOf(two, remove)!);
    expect(recordedAt(back.case, 'cord[1].type')).toMatchObject({ how: 'reading', said: '10/4 STW' });
  });

  test('a single fact from an old device was touched', () => {
    const old = {
      type: 'fact',
      id: ID,
      inspection: ID,
      at: '2026-11-25T10:00:00Z',
      path: 'breaker.ratingA',
      value: 30,
    };
    expect(readChange(old)).toMatchObject({ type: 'facts', facts: [{ path: 'breaker.ratingA', how: 'touched' }] });
    const added = readChange({ ...old, path: 'cord[1].wires', value: '3', part: ID });
    const applied = applyChange(inspection(), added, LEAD);
    expect(applied.ok && applied.inspection.case.cord![1]).toEqual({ id: ID, wires: '3' });
  });

  test('a line that does not say how is refused in a file, in words', () => {
    const read = readCase({ ...GOOD, recorded: { 'breaker.ratingA': { how: 'guessed', at: '', by: '' } } });
    expect(read.ok ? [] : read.errors.join(' ')).toContain('does not say how it was recorded');
  });
});

describe('crooked addresses', () => {
  const piece = fc.constantFrom(
    'breaker', 'ratingA', 'cord', 'feeder', 'stretches', 'loads', 'circuits', 'transfer', 'kind', 'sizeAwg', 'use', 'id', 'local', 'title', 'version',
    '__proto__', 'constructor', 'length', '[0]', '[1]', '[00]', '[-1]', '[1e3]', '[41]', '[42]', '[]', '[0', '0]', '.', '..', '', ' ', 'toString',
  ); // prettier-ignore
  const address = fc
    .array(piece, { maxLength: 6 })
    .chain((pieces) => fc.constantFrom(pieces.join('.'), pieces.join(''), pieces.join('.').replaceAll('.[', '[')));
  const facts = recordedFacts(GOOD);
  /** Right addresses, and right ones with something put in. */
  const nearly = fc
    .tuple(fc.constantFrom(...facts), piece, fc.nat(60), fc.boolean())
    .map(([path, odd, at, crooked]) => (crooked ? path.slice(0, at) + odd + path.slice(at) : path));
  const value = fc.constantFrom(null, 30, 'yes', '10', 'copper', 'not-seen', '', -1, 'lights');

  test('whatever address a change names, it is refused with a sentence, or the case after it can be read and judged', () => {
    let taken = 0;
    fc.assert(
      fc.property(fc.oneof(address, nearly), value, (path, to) => {
        const before = inspection();
        const applied = applyChange(before, change(touched(ID, path, to)), LEAD);
        if (!applied.ok) return expect(applied.why).toMatch(/./);
        taken++;
        expect(readCase(applied.inspection.case).ok).toBe(true);
        if (taken % 50 === 0) evaluate(applied.inspection.case);
        // what stands at no fact’s own address changes nothing
        if (to !== null) expect(recordedFacts(applied.inspection.case)).toContain(path);
      }),
      { numRuns: 10_000 },
    );
    expect(taken).toBeGreaterThan(100);
  }, 60_000);

  test.each(['breaker.ratingA[0]', 'transfer.kind[0]', 'cord[00].sizeAwg', 'cord[0].sizeAwg[0]'])('%s', (path) => {
    expect(refusal(inspection(), touched(ID, path, null))).toBe(`"${path}" is no fact known here`);
  });
});

describe('parts keep their ids', () => {
  const two = after(
    inspection({ case: { ...GOOD, cord: undefined } }),
    touched(ID, 'cord[0].lengthFt', 10),
    touched(ID, 'cord[1].lengthFt', 20),
  );
  const [first, second] = two.case.cord!.map(({ id }) => id);

  test('each is made with the change that adds it, the same on every device', () => {
    expect(new Set([first, second]).size).toBe(2);
    const empty = inspection({ case: { ...GOOD, cord: undefined } });
    const opening = addressed(empty, change(touched(ID, 'cord[0].lengthFt', 10)));
    const made = [1, 2].map(() => applyChange(empty, opening, LEAD));
    const id = `${opening.id}-0`;
    expect(made.map((one) => one.ok && one.inspection.case.cord![0]!.id)).toEqual([id, id]);
  });

  test('a fact goes to its part, wherever that stands by now', () => {
    const moved = after(
      two,
      { type: 'remove', inspection: ID, list: 'cord', index: 0 },
      touchedPart('cord[1].sizeAwg', '12', second!),
    );
    expect(moved.case.cord).toEqual([{ id: second, lengthFt: 20, sizeAwg: '12' }]);
    expect(refusal(moved, touchedPart('cord[0].sizeAwg', '10', first!))).toContain('taken out meanwhile');
    expect(refusal(moved, { type: 'remove', inspection: ID, list: 'cord', index: 0, part: first! })).toContain(
      'taken out meanwhile',
    );
    expect(after(two, { type: 'remove', inspection: ID, list: 'cord', index: 0, part: second! }).case.cord).toEqual([
      { id: first, lengthFt: 10 },
    ]);
  });

  test('a device says which part it means; a new one goes behind what others have added meanwhile', () => {
    const said = (c: Inspection, body: ChangeBody) => addressed(c, change(body));
    const fact = touched(ID, 'cord[1].sizeAwg', '12');
    expect(said(two, fact)).toMatchObject({ facts: [{ part: second }] });
    expect(said(two, { type: 'remove', inspection: ID, list: 'cord', index: 0 })).toMatchObject({ part: first });
    expect(said(two, touched(ID, 'inlet.ratingA', 30))).not.toMatchObject({
      facts: [{ part: expect.anything() as unknown }],
    });
    expect(said(two, { type: 'remove', inspection: ID, list: 'cord', index: 7 })).not.toHaveProperty('part');

    const one = after(two, { type: 'remove', inspection: ID, list: 'cord', index: 1 });
    const [mine, theirs] = [said(one, fact), said(one, touched(ID, 'cord[1].sizeAwg', '10'))];
    const both = [mine, theirs].reduce((now, each) => {
      const applied = applyChange(now, each, LEAD);
      if (!applied.ok) throw new Error(applied.why);
      return applied.inspection;
    }, one);
    expect(both.case.cord!.slice(1)).toEqual([
      { id: `${mine.id}-1`, sizeAwg: '12' },
      { id: `${theirs.id}-1`, sizeAwg: '10' },
    ]);
    expect(undoOf(both, theirs)).toMatchObject({ facts: [{ part: `${theirs.id}-1` }] });
  });

  test('an entry that an older device took out, without an id, is put back with one', () => {
    const back = after(two, { type: 'restore', inspection: ID, list: 'cord', index: 0, entry: { lengthFt: 5 } });
    expect(back.case.cord).toEqual([
      { id: 'cord-3', lengthFt: 5 },
      { id: first, lengthFt: 10 },
      { id: second, lengthFt: 20 },
    ]);
  });

  test('a value in the old spelling, from a device that was away, is spelled anew', () => {
    const metal = after(inspection(), touched(ID, 'feeder.stretches[0].metal', 'aluminium'));
    expect(metal.case.feeder!.stretches![0]!.metal).toBe('aluminum');
  });
});

describe('what cannot be kept', () => {
  const fact = (over: object) => ({
    ...change(touched(ID, 'breaker.ratingA', 30)),
    ...over,
  });
  const one = (over: object) => fact({ facts: [{ path: 'breaker.ratingA', value: 30, how: 'touched', ...over }] });
  const nested = (depth: number): unknown => (depth === 0 ? 1 : { a: nested(depth - 1) });
  test.each<[string, unknown, string]>([
    ['half of a surrogate pair', one({ value: 'x\ud800y' }), 'cannot be kept'],
    ['the other half', one({ value: '\udc00' }), 'cannot be kept'],
    ['a NUL', one({ path: 'breaker\u0000' }), 'cannot be kept'],
    ['the thirteenth month', fact({ at: '2026-13-01T10:00:00Z' }), 'is no time'],
    ['the thirtieth of February', fact({ at: '2026-02-30T10:00:00Z' }), 'is no time'],
    ['the year 0', fact({ at: '0000-01-01T10:00:00Z' }), 'is no time'],
    ['the hour 25', fact({ at: '2026-01-01T25:00:00Z' }), 'is no time'],
    ['a stray key', fact({ mood: 'good' }), 'mood'],
    ['a prototype', JSON.parse('{"type":"restore","entry":{"__proto__":{"x":1}}}'), '"__proto__" is no name'],
    ['deep nesting', one({ value: nested(5000) }), 'nested too deep'],
    ['nothing', null, 'A change is one of'],
    ['a list', [], 'A change is one of'],
  ])('%s', (_, data, sentence) => {
    expect(() => readChange(data)).toThrow(sentence);
  });

  test('a pair of surrogates is a letter, and every day of a leap year is one', () => {
    expect(readChange(one({ value: '😀' }))).toMatchObject({ facts: [{ value: '😀' }] });
    expect(readChange(fact({ at: '2028-02-29T23:59:59.999Z' }))).toMatchObject({
      facts: [{ path: 'breaker.ratingA' }],
    });
    const decide = change({ type: 'decide', ...SEEN, inspection: ID, decision: decision({ dueOn: '2026-02-30' }) });
    expect(() => readChange(decide)).toThrow('2026-02-30 is no day');
  });
});

describe('the head', () => {
  const corrected = (over: object = {}): ChangeBody => ({
    type: 'head',
    inspection: ID,
    address: '30 Windfall Lane',
    owner: 'Nella D’Arbois',
    permit: 'WT-2',
    reason: 'The number on the house is 30.',
    ...over,
  });

  test('is corrected with a reason, changes no finding and no edition, and is taken back as it was', () => {
    const before = inspection({ decisions: [{ ...decision(), id: 'one', at: '2026-11-25T10:00:00Z' }] });
    const after30 = after(before, corrected());
    expect(after30.header).toEqual({
      address: '30 Windfall Lane',
      owner: 'Nella D’Arbois',
      permit: 'WT-2',
      edition: '2020',
    });
    expect([after30.case, stateOf(after30)]).toEqual([before.case, 'approved']);
    expect(after(after30, undoOf(before, change(corrected()))!).header).toEqual(before.header);
  });

  test('corrected by two apart: what each has corrected stands; over what the other had not seen it is refused, and said', () => {
    const before = inspection();
    const apart = (over: object) =>
      addressed(before, change(corrected({ ...before.header, edition: undefined, ...over })));
    const read = (one: Change) => readChange(JSON.parse(JSON.stringify(one)));
    const [owner, permit, other] = [apart({ owner: 'Pat O’Dell' }), apart({ permit: 'WT-9' }), apart({ owner: 'Sam Reed' })].map(read); // prettier-ignore
    const first = applyChange(before, owner!, INSPECTOR);
    const both = applyChange(first.ok ? first.inspection : undefined, permit!, INSPECTOR);
    expect(both).toMatchObject({ ok: true, inspection: { header: { owner: 'Pat O’Dell', permit: 'WT-9' } } });
    expect(applyChange(both.ok ? both.inspection : undefined, other!, INSPECTOR)).toEqual({
      ok: false,
      why: 'The owner was corrected by somebody else meanwhile: “Pat O’Dell”. Look at it, then correct it.',
    });
  });

  test.each([
    ['no reason', { reason: ' ' }, /Say why it is corrected/],
    ['no address', { address: '' }, /Give the address/],
  ])('%s gets a sentence', (_, over, why) => {
    expect(() => readChange(change(corrected(over)))).toThrow(why);
  });
});

describe('photos and notes', () => {
  const PHOTO_ID = '0dd0a7c4-1f5e-4b7a-9c02-000000000001';
  const photo = { sha256: 'ab'.repeat(32), bytes: 400_000, widthPx: 1600, heightPx: 1200, marks: [] };
  const evidence = (is: object | null, id = PHOTO_ID): ChangeBody =>
    ({ type: 'evidence', inspection: ID, evidence: id, is }) as ChangeBody;
  const taken = { about: 'breaker.ratingA', text: 'the handle', photo };

  test('a photo is kept with who took it and when, changes no finding and begins no reinspection', () => {
    const signed = after(inspection(), decided());
    const shown = after(signed, evidence(taken));
    expect(shown.evidence).toEqual([{ ...taken, id: PHOTO_ID, at: shown.changedAt, by: BY }]);
    expect(shown.case).toBe(signed.case);
    expect(stateOf(shown)).toBe('approved');
  });

  test('a caption is mended by the lead, and the photo stays with who took it; taken out and put back likewise', () => {
    const shown = after(inspection(), evidence(taken));
    const mend = change(evidence({ ...taken, text: 'the handle, 30' }));
    const mended = applyChange(shown, mend, { name: 'Nella Orr', role: 'lead' });
    const own = { by: BY, at: shown.changedAt };
    expect(mended).toMatchObject({ ok: true, inspection: { evidence: [{ text: 'the handle, 30', ...own }] } });
    const gone = change(evidence(null));
    expect(after(shown, evidence(null)).evidence).toEqual([]);
    const back = change(undoOf(shown, gone)!);
    expect(applyChange(after(shown, evidence(null)), back, INSPECTOR)).toMatchObject({
      ok: true,
      inspection: { evidence: [{ ...taken, ...own }] },
    });
    expect(after(mended.ok ? mended.inspection : shown, undoOf(shown, mend)!).evidence).toEqual(shown.evidence);
    expect(after(shown, undoOf(inspection(), change(evidence(taken)))!).evidence).toEqual([]);
  });

  test.each(['inspector', 'contractor', 'firm-lead', 'reader'] as const)('another %s neither mends nor takes out what is not theirs', (role) => {
    const shown = after(inspection(), evidence(taken));
    for (const is of [{ ...taken, text: 'All is well.' }, null])
      expect(applyChange(shown, change(evidence(is)), { name: 'Somebody Else', role })).toEqual({
        ok: false,
        why: expect.stringContaining(role === 'reader' ? 'A reader changes nothing.' : `This is of ${BY}`) as string,
      });
  }); // prettier-ignore

  test.each<[string, object, RegExp]>([
    ['of nothing', { ...taken, text: '', photo: null }, /Write the note/],
    ['of a fact that is none', { ...taken, about: 'breaker.mood' }, /neither a fact nor a rule/],
    ['without a hash', { ...taken, photo: { ...photo, sha256: 'x' } }, /64 hexadecimal/],
    ['too large', { ...taken, photo: { ...photo, bytes: 8_000_000 } }, /at most 3 MB/],
    ['with a mark outside', { ...taken, photo: { ...photo, marks: [{ kind: 'ring', x: 2, y: 0, turnDeg: 0 }] } }, /x/],
  ])('a photo %s is refused with a sentence', (_, is, why) => {
    expect(() => readChange(change(evidence(is)))).toThrow(why);
  });

  test('one of a finding, and one of a fact of a cord that stands elsewhere by now, are found where they belong', () => {
    const cords = caseWith({
      cord: [
        { id: 'one', sizeAwg: '10' },
        { id: 'two', sizeAwg: '12' },
      ],
    } as never);
    const shown = after(
      inspection({ case: cords }),
      evidence({ about: 'cord[two].sizeAwg', text: 'worn', photo: null }),
      evidence({ ...taken, about: 'breaker/not-above-weakest-link' }, '0dd0a7c4-1f5e-4b7a-9c02-000000000002'),
      { type: 'remove', inspection: ID, list: 'cord', index: 0 },
    );
    expect(evidenceOfFact(shown.evidence, shown.case, 'cord[0].sizeAwg').map(({ text }) => text)).toEqual(['worn']);
    expect(evidenceOfFact(shown.evidence, cords, 'cord[0].sizeAwg')).toEqual([]);
    const found = evidenceOfFinding(shown.evidence, 'breaker/not-above-weakest-link', ['cord.sizeAwg']);
    expect(found.map(({ text }) => text)).toEqual(['worn', 'the handle']);
    expect(evidenceOfFinding(shown.evidence, 'inlet/listed', ['inlet.ratingA'])).toEqual([]);
  });
});

describe('a request for an inspection', () => {
  const asked = () => {
    const applied = applyChange(inspection(), change({ type: 'request', inspection: ID }), CONTRACTOR);
    if (!applied.ok) throw new Error(applied.why);
    return applied.inspection;
  };

  test('what the contractor recorded is claimed from then on, and nothing of it is found', () => {
    const now = asked();
    expect(now.claimed).toMatchObject({ case: GOOD, by: CONTRACTOR.name });
    expect(recordedFacts(now.case)).toEqual([]);
    expect(stateWords(now)).toBe('Inspection requested');
    expect(judged(now).outcomes.every(({ outcome }) => outcome === 'unproven')).toBe(true);
  });

  test('claimed and found stand side by side', () => {
    const looked = after(asked(), touched(ID, 'breaker.ratingA', 50), touched(ID, 'inlet.ratingA', 30));
    const all = claimedAndFound(looked);
    expect(all).toHaveLength(recordedFacts(GOOD).length);
    expect(all.filter(({ differs }) => differs)).toEqual([
      { path: 'breaker.ratingA', label: 'Breaker rating', claimed: '30 A', found: '50 A', differs: true },
    ]);
    expect(all.filter(({ found }) => found !== undefined)).toHaveLength(2);
    expect(claimedAndFound(looked, 'inlet').every(({ path }) => path.startsWith('inlet.'))).toBe(true);
    expect(claimedAndFound(inspection())).toEqual([]);
  });

  test('only a contractor asks, and once', () => {
    for (const person of [LEAD, { name: 'R', role: 'reader' } as const])
      expect(applyChange(inspection(), change({ type: 'request', inspection: ID }), person)).toMatchObject({
        ok: false,
      });
    expect(applyChange(asked(), change({ type: 'request', inspection: ID }), CONTRACTOR)).toMatchObject({
      ok: false,
      why: expect.stringContaining('already') as string,
    });
  });

  test('until the office has decided, its own records are not the contractor’s to see', () => {
    const looked = after(asked(), touched(ID, 'breaker.ratingA', 50));
    const shown = issuedToContractor(looked);
    expect(recordedFacts(shown.case)).toEqual([]);
    expect(shown.claimed).toEqual(looked.claimed);
    const decided = { ...looked, decisions: [{ ...decision(), id: ID, at: '2026-11-26T10:00:00Z', seal: 'x' }] };
    expect(issuedToContractor(decided)).toBe(decided);
    // What an inspector leaves the next one is theirs.
    const left = { ...decided, decisions: decided.decisions.map((one) => ({ ...one, handover: 'The dog bites.' })) };
    expect(JSON.stringify(issuedToContractor(left))).not.toContain('The dog bites');
    expect(issuedToContractor(left).decisions[0]).toEqual(decided.decisions[0]);
  });
});
