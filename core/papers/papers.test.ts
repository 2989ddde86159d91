import { STATIONS, withRecorded } from '../case';
import { EDITIONS } from '../codebook';
import { RULES } from '../rules';
import { foundIn, isCurrent, violationOf, type Decision, type Found, type Inspection } from '../record';
import { CORD_ONLY, GOOD_SOURCE, sourceFrom } from '../test/papers';
import { LEAD, ORDER, after, decided, inspection, refusal, takenUp, uuidOf } from '../test/inspection';
import { GOOD, caseWith } from '../test/rule-table';
import { evaluate } from '../verdict';
import { PAPERS, paperOf, permittedSource, plainText, printedPaper, type Block, type Paper, type PaperName, type PaperSource } from '.'; // prettier-ignore

const NAMES = Object.keys(PAPERS) as PaperName[];
const textOf = (paper: Paper | string): string => (typeof paper === 'string' ? '' : JSON.stringify(paper));
const paper = (name: PaperName, source: PaperSource): Paper => {
  const made = paperOf(name, source);
  if (typeof made === 'string') throw new Error(made);
  return made;
};
const blocksOf = <K extends Block['kind']>(name: PaperName, source: PaperSource, kind: K) =>
  paper(name, source).blocks.filter((one): one is Extract<Block, { kind: K }> => one.kind === kind);

/** A house with all that is found cited, and signed. */
function signed(site = GOOD, over: Partial<Decision> = {}): Inspection {
  const begun = inspection({ case: site, header: { ...inspection().header, owner: 'Anouk O’Dell-Varr' } });
  const taken = after(begun, ...foundIn(evaluate(site)).map((one, i) => takenUp(one, uuidOf(i + 1))));
  return after(taken, decided(over));
}
const FIFTY = () => signed(caseWith({ 'breaker.ratingA': 50 }), { kind: 'corrections-required', dueOn: '2026-12-09' });
const STOPPED = () => signed(caseWith({ 'transfer.kind': 'none-backfed' }), { kind: 'stop-work', order: ORDER });

test('what is approved has all papers but a notice and an order; what is not has neither certificate nor card', () => {
  const there = (source: PaperSource) => NAMES.filter((one) => typeof paperOf(one, source) !== 'string');
  expect(there(GOOD_SOURCE)).toEqual(['report', 'certificate', 'card', 'labels', 'diagram']);
  expect(there(sourceFrom(FIFTY()))).toEqual(['report', 'notice', 'labels', 'diagram']);
  expect(there(sourceFrom(STOPPED()))).toEqual(['report', 'notice', 'order', 'labels', 'diagram']);
  expect(there(CORD_ONLY)).toEqual(['report', 'certificate', 'card', 'diagram']);
});

test('a certificate waits for the seal, and everything printed before says that it is provisional', () => {
  const unsealed = { ...GOOD_SOURCE, sealed: undefined };
  expect(paperOf('certificate', unsealed)).toContain('has not sealed it yet');
  const report = paper('report', unsealed);
  expect([report.provisional, report.checkAt]).toEqual([true, undefined]);
  expect(textOf(report)).toContain('PROVISIONAL: not sealed');
  expect(JSON.stringify(printedPaper(report, 'LETTER'))).toContain('"PROVISIONAL"');
  expect(JSON.stringify(printedPaper(paper('report', GOOD_SOURCE), 'LETTER'))).not.toContain('PROVISIONAL');
});

test('a paper of what is void, suspended or revoked says so first, since when and why; of what stands it says nothing', () => {
  const one = signed();
  const said = (now: Inspection) => plainText(paper('certificate', { ...sourceFrom(now), sealed: GOOD_SOURCE.sealed }));
  expect(said(one)).not.toMatch(/VOID|SUSPENDED/);
  const words = 'The address on it is another house.';
  const step = { type: 'paper', inspection: one.id, decision: one.decisions[0]!.id, words } as const;
  expect(said(after(one, { ...step, to: 'void' }))).toMatch(
    /VOID\nSince November 25, 2026, said by .*: The address on it/,
  );
  const suspended = after(one, { ...step, to: 'suspended' });
  expect(said(suspended)).toContain('SUSPENDED');
  expect(said(after(suspended, { ...step, to: 'issued' }))).not.toContain('SUSPENDED');
});

describe('by the clock of the office', () => {
  const late = () => {
    const one = signed();
    const decisions = one.decisions.map((each) => ({ ...each, at: '2026-12-01T02:10:00Z' }));
    return { ...one, decisions };
  };
  test.each([
    ['America/New_York', 'November 30, 2026, 9:10 PM EST', 'November 30, 2026'],
    ['Pacific/Honolulu', 'November 30, 2026, 4:10 PM HST', 'November 30, 2026'],
    ['America/Phoenix', 'November 30, 2026, 7:10 PM MST', 'November 30, 2026'],
    ['UTC', 'December 1, 2026, 2:10 AM UTC', 'December 1, 2026'],
  ])('what is signed on an evening in %s bears that day', (zone, moment, day) => {
    const source = { ...sourceFrom(late()), zone };
    expect(Object.fromEntries(paper('report', source).head).Signed).toBe(`${moment}, ${LEAD.name}`);
    expect(Object.fromEntries(paper('card', source).head).Signed).toBe(day);
  });
});

describe('an order', () => {
  const stopped = STOPPED();
  const of = (now: Inspection) => sourceFrom(now);
  const moved = (to: 'limited' | 'lifted', words: string): Inspection => {
    const step = { to, at: '2026-12-03T15:00:00Z', by: 'Ilse O’Harrow', words };
    const orders = stopped.docket.orders.map((one) => ({ ...one, state: to, steps: [...one.steps, step] }));
    return { ...stopped, docket: { ...stopped.docket, orders } };
  };
  const words = (name: PaperName, now: Inspection) => plainText(paper(name, of(now)));

  test('in force says so, and is not lifted', () => {
    expect(words('order', stopped)).toContain('DO NOT REMOVE');
    expect(paperOf('lifting', of(stopped))).toBe('No order of this decision is lifted.');
    expect(isCurrent(stopped, stopped.decisions[0]!.id)).toBe(true);
  });

  test('limited says what is allowed, by whom and since when, and stays up', () => {
    const now = moved('limited', 'An electrician may take the outlet apart.');
    expect(words('order', now)).toMatch(
      /CORRECTIVE WORK IS ALLOWED\nAn electrician may take the outlet apart\. Said by Ilse O’Harrow, December 3, 2026, 10:00 AM EST/,
    );
    expect(words('order', now)).toContain('DO NOT REMOVE');
    expect(isCurrent(now, now.decisions[0]!.id)).toBe(true);
  });

  test('lifted is no order any more: its lifting is a paper that may take its place, and it is not current', () => {
    const now = moved('lifted', 'The outlet is gone; seen so.');
    expect(paperOf('order', of(now))).toContain('lifted');
    expect(words('lifting', now)).toMatch(
      /LIFTED[^]*December 3, 2026, 10:00 AM EST, by Ilse O’Harrow[^]*The outlet is gone; seen so\.[^]*approves nothing/,
    );
    expect(words('lifting', now)).not.toContain('DO NOT REMOVE');
    expect(isCurrent(now, now.decisions[0]!.id)).toBe(false);
  });
});

test('a finding that is joined to a violation keeps its sentence, remedy and sections, on the notice too; a hazard makes it one', () => {
  const begun = inspection({ case: caseWith({ 'breaker.ratingA': 50, 'breaker.heldDown': 'no' }) });
  const found = foundIn(evaluate(begun.case));
  const [first, ...rest] = found;
  expect(rest.length).toBeGreaterThan(1);
  const join = (one: Found) =>
    ({ type: 'violation', inspection: begun.id, violation: uuidOf(1), ...violationOf([one]) }) as const;
  const now = after(begun, takenUp(first!, uuidOf(1)), ...rest.map(join), decided({ kind: 'corrections-required', dueOn: '2026-12-09' })); // prettier-ignore
  const [one] = now.docket.violations;
  const notice = plainText(paper('notice', sourceFrom(now)));
  for (const each of found) {
    expect(one!.words.split(each.reason)).toHaveLength(2);
    for (const words of [each.reason, ...each.cites]) expect(notice).toContain(words);
  }
  expect(one!.severity).toBe('hazard');
  const alone = { ...join(rest[0]!), findings: [] };
  expect(refusal(after(begun, takenUp(first!, uuidOf(1))), alone)).toContain('what is wrong is said when it is made');
});

test('the report names who began the visit, whoever was put down for it', () => {
  const begun = inspection({ case: GOOD });
  const visit = { type: 'visit', inspection: begun.id, visit: uuidOf(77) } as const;
  const now = after(
    begun,
    { ...visit, to: 'scheduled', words: '', day: '2026-12-01', inspector: 'Joss Linnaker' },
    { ...visit, to: 'under-way', words: 'The owner' },
    decided(),
  );
  expect(plainText(paper('report', sourceFrom(now)))).toContain(`${LEAD.name} for the office; let in by: The owner.`);
});

test('every reading stands in the report with how it was got', () => {
  const path = 'grounding.frameToPanelOhm';
  const read = (how: 'meter' | 'touched', said?: string) =>
    withRecorded(caseWith({ [path]: 0.2 }), path, { how, at: '2026-12-01T10:00:00Z', by: 'Joss Linnaker', ...(said && { said }) }); // prettier-ignore
  const report = (site: typeof GOOD) => plainText(paper('report', sourceFrom(signed(site))));
  expect(report(read('meter', 'Meter 4'))).toMatch(/: 0\.2 Ω, from the meter \(Meter 4\), by Joss Linnaker/);
  expect(report(read('touched'))).toMatch(/: 0\.2 Ω, read off and entered, by Joss Linnaker/);
  expect(report(caseWith({ [path]: 0.2 }))).toMatch(/: 0\.2 Ω, nobody has said how it was got/);
});

test('of an owner whose name was destroyed a filed paper says so, and no hash', () => {
  const source = sourceFrom(signed());
  const ownerOn = (owner: string) =>
    Object.fromEntries(paper('report', { ...source, header: { ...source.header, owner } }).head).Owner;
  expect(ownerOn('Anouk O’Dell-Varr')).toBe('Anouk O’Dell-Varr');
  expect(ownerOn(`sha256:${'ab'.repeat(32)}`)).toMatch(/^destroyed/);
  expect(ownerOn('sha256: a name')).toBe('sha256: a name');
});

test('a filed paper names the permit with its end, and who does the work', () => {
  const one = after(
    inspection({ header: { ...inspection().header, permit: 'E-2026-118' } }),
    { type: 'permit', inspection: inspection().id, to: 'there', until: '2027-03-01', words: '' },
    {
      type: 'installer',
      inspection: inspection().id,
      kind: 'contractor',
      name: 'Reed Wiring',
      license: 'E-11',
      words: '',
    },
    decided(),
  );
  const head = Object.fromEntries(paper('report', sourceFrom(one)).head);
  expect(head).toMatchObject({
    Permit: 'E-2026-118, holds until March 1, 2027',
    'Work by': 'Reed Wiring, license E-11',
  });
  expect(Object.keys(Object.fromEntries(paper('card', sourceFrom(one)).head))).not.toContain('Work by');
});

test('no paper says that anything is safe; none that hangs at a door or in a panel names the owner', () => {
  const owned = [GOOD_SOURCE, sourceFrom(FIFTY()), sourceFrom(STOPPED())];
  for (const source of owned)
    for (const name of NAMES) {
      const words = textOf(paperOf(name, source));
      expect(words.replace(/make it safe/g, '')).not.toMatch(/\bsafe(ly|ty)?\b/i);
      if (['order', 'card', 'labels', 'diagram'].includes(name)) expect(words).not.toContain('Anouk');
    }
  expect(textOf(paper('report', owned[1]!))).toContain('Anouk O’Dell-Varr');
});

test('the order’s largest words say what is ordered, and that it stays up', () => {
  const big = blocksOf('order', sourceFrom(STOPPED()), 'big').map(({ text }) => text);
  expect(big).toEqual(['STOP WORK', 'DO NOT REMOVE']);
  const doNot = signed(caseWith({ 'transfer.kind': 'none-backfed' }), { kind: 'stop-work', order: { ...ORDER, kind: 'do-not-use' } }); // prettier-ignore
  expect(blocksOf('order', sourceFrom(doNot), 'big')[0]).toMatchObject({ text: 'DO NOT USE' });
});

test('the notice names each open violation with its section, one way to correct it, and its day; what is corrected is not on it', () => {
  const house = FIFTY();
  const words = textOf(paper('notice', sourceFrom(house)));
  for (const one of house.docket.violations) {
    expect(words).toContain(one.words);
    expect(words).toContain(one.cites.join(', '));
  }
  expect(words).toContain('December 9, 2026');
  const corrected = house.docket.violations.map((one) => ({ ...one, state: 'verified' as const }));
  expect(paperOf('notice', sourceFrom({ ...house, docket: { ...house.docket, violations: corrected } }))).toBe('No violation is open.'); // prettier-ignore
});

test.each(EDITIONS)('sections are those of the %s edition', (edition) => {
  const begun = inspection({ case: { ...caseWith({ 'breaker.ratingA': 50 }), edition } });
  for (const one of foundIn(evaluate(begun.case)))
    expect(one.cites).toEqual(RULES.find(({ id }) => id === one.rule)!.cites[edition]);
});

test('a rating that is not proved is on no label, and no source is permitted by it', () => {
  const unproved = sourceFrom(signed(caseWith({ 'inlet.ratingA': undefined }), { kind: 'corrections-required', dueOn: '2026-12-09' })); // prettier-ignore
  expect(permittedSource(unproved.case)).toBeUndefined();
  expect(textOf(paper('labels', unproved))).not.toMatch(/\d+ A AT/);
  expect(permittedSource(GOOD)).toEqual({ volts: '120/240 V', mostA: 30, neutral: 'floating' });
  expect(textOf(paper('labels', GOOD_SOURCE))).toContain('30 A AT MOST');
  expect(textOf(paper('certificate', GOOD_SOURCE))).toContain('"Most","30 A"');
});

test('what somebody needs for their health stands on no card', () => {
  const medical = caseWith({ 'loads.circuits[0].use': 'medical', 'loads.circuits[0].plan': 'run' });
  const card = textOf(paper('card', { ...GOOD_SOURCE, case: medical }));
  expect(card).not.toMatch(/medical/i);
  expect(card).toContain(': Device');
});

test('a report says what was not inspected and why, and what was carried over', () => {
  const left = 'Rough-in; the rest is not built.';
  const part = signed(GOOD, { kind: 'passed-stations', scope: ['labels', 'panel'], leftOut: left });
  const words = textOf(paper('report', sourceFrom(part)));
  expect(words).toContain('These stations: Labels, Panel.');
  expect(words.split(left)).toHaveLength(STATIONS.length - 2 + 1);
  const visit = { id: uuidOf(5), number: 1, state: 'under-way', day: '2027-01-01', inspector: LEAD.name, steps: [{ to: 'under-way', at: '2027-01-01T10:00:00Z', by: LEAD.name, words: 'The owner' }] } as const; // prettier-ignore
  const before = { how: 'touched', at: '2026-11-25T10:00:00Z', by: LEAD.name } as const;
  const seen = { ...GOOD, recorded: { 'labels.durable': before, 'panel.busA': { ...before, at: '2027-01-01T11:00:00Z' } } }; // prettier-ignore
  const again = { ...part, case: seen, docket: { ...part.docket, visits: [visit] } };
  const report = textOf(paper('report', sourceFrom(again)));
  expect(report).toContain('not looked at again"},{"kind":"text","text":"Labels."}');
  expect(report).toContain('let in by: The owner.');
});

test('the one-line diagram dashes what was not seen, and frames the weakest link', () => {
  const [found] = blocksOf('diagram', GOOD_SOURCE, 'drawing');
  expect(found!.says).toContain('Inlet: 30 A');
  expect(found!.svg).not.toContain('stroke-width="4"'); // all bear 30 A: none of them is weak
  const weak = { ...GOOD_SOURCE, case: caseWith({ 'inlet.ratingA': 20 }) };
  const [framed] = blocksOf('diagram', weak, 'drawing');
  expect(framed!.svg.match(/stroke-width="4"/g)).toHaveLength(1);
  expect(framed!.svg).toContain('Inlet: the weakest');
  expect(found!.svg).not.toContain('the weakest');
  expect(found!.svg).not.toContain('stroke-dasharray');
  const unseen = { ...GOOD_SOURCE, case: caseWith({ 'inlet.ratingA': 'not-seen' }) };
  const [dashed] = blocksOf('diagram', unseen, 'drawing');
  expect(dashed!.svg.match(/stroke-dasharray/g)).toHaveLength(1);
  expect(dashed!.says).toContain('Inlet: not seen');
});

test('a photo is printed with its caption and marks, and one that is not here says so', () => {
  const photo = { sha256: 'ab'.repeat(32), bytes: 9, widthPx: 1600, heightPx: 1200, marks: [{ kind: 'ring', x: 0.5, y: 0.5, turnDeg: 0 }] } as const; // prettier-ignore
  const shown = { id: uuidOf(9), about: 'breaker.ratingA', text: 'the handle', photo: { ...photo, marks: [...photo.marks] }, at: '', by: '' }; // prettier-ignore
  const report = paper('report', { ...GOOD_SOURCE, evidence: [shown] });
  const printed = JSON.stringify(printedPaper(report, 'A4', { [photo.sha256]: 'data:image/jpeg;base64,AA' }));
  expect(printed).toContain('data:image/jpeg;base64,AA');
  expect(printed).toContain('circle');
  expect(JSON.stringify(printedPaper(report, 'A4'))).toContain('not on this device');
});

test('as plain text a report still says what was found, with its sections and days', () => {
  const text = plainText(paper('report', sourceFrom(FIFTY())));
  expect(text).toMatch(/^INSPECTION REPORT\nOffice: Windfall/);
  expect(text).toContain('\nVIOLATIONS\nNo.: 1; What was seen: Inlet. 30 A allowed by the inlet, 50 A found.');
  expect(text).not.toContain('undefined');
});
