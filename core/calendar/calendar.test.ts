import fc from 'fast-check';
import { ID, after, decided, inspection, takenUp, uuidOf } from '../test/inspection';
import { caseWith } from '../test/rule-table';
import { evaluate } from '../verdict';
import { foundIn, type ChangeBody, type Inspection } from '../record';
import { dayTitle, daysOf, earlier, iCalendar, inTurn } from '.';

const visit: ChangeBody = { type: 'visit', inspection: ID, visit: uuidOf(3), to: 'scheduled', words: '', day: '2026-12-15', inspector: 'Joss Linnaker' }; // prettier-ignore
const at = (address: string, n: number, turn: number | null = null): Inspection => {
  const one = after(inspection({ id: ID, header: { ...inspection().header, address } }), visit);
  const visits = one.docket.visits.map((each) => ({ ...each, id: uuidOf(n), turn }));
  return { ...one, docket: { ...one.docket, visits } };
};

test('every day of a house stands there once, with who goes, and none of what is settled', () => {
  const begun = inspection({ case: caseWith({ 'panel.directoryTrue': 'no' }) });
  const sent = after(
    begun,
    ...foundIn(evaluate(begun.case)).map((one, i) => takenUp(one, uuidOf(i + 1), '2026-12-20')),
    { type: 'permit', inspection: ID, to: 'there', until: '2027-02-01', words: '' },
    decided({ kind: 'corrections-required', dueOn: '2026-12-20' }),
    visit,
  );
  expect(daysOf(sent).map(({ day, what }) => [day, what])).toEqual([
    ['2026-12-15', 'visit'],
    ['2026-12-20', 'correction'],
    ['2027-02-01', 'permit'],
  ]);
  expect(dayTitle(daysOf(sent)[0]!)).toBe('Visit: 3 Windfall Lane (Joss Linnaker)');
  expect(dayTitle(daysOf(sent)[1]!)).toBe('Correction due: 3 Windfall Lane');
  const settled: ChangeBody = { type: 'violation', inspection: ID, violation: uuidOf(1), to: 'withdrawn', words: 'The other house.' }; // prettier-ignore
  expect(daysOf(after(sent, settled)).map(({ what }) => what)).toEqual(['visit', 'permit']);
});

test('a correction that was made a condition of an approval stands there as that alone; a variance has its end', () => {
  const begun = inspection({ case: caseWith({ 'panel.directoryTrue': 'no' }) });
  const taken = after(
    begun,
    ...foundIn(evaluate(begun.case)).map((one, i) => takenUp(one, uuidOf(i + 1), '2026-12-20')),
  );
  const condition = { id: uuidOf(7), text: 'A true directory.', dueOn: '2026-12-22', of: uuidOf(1) };
  const approved = after(taken, decided({ kind: 'approved-with-conditions', conditions: [condition] }));
  expect(daysOf(approved).map(({ what, day }) => [what, day])).toEqual([['condition', '2026-12-22']]);
  const variance = { authority: 'The board', section: '408.4', extent: 'This panel', until: '2027-05-01' };
  const varied = after(taken, { type: 'violation', inspection: ID, violation: uuidOf(1), to: 'varied', words: 'Its letter.', variance }); // prettier-ignore
  expect(daysOf(varied).map(({ what, day }) => [what, day])).toEqual([['variance', '2027-05-01']]);
});

describe('the order of a day', () => {
  const streets = (all: readonly Inspection[]) => inTurn(all.flatMap(daysOf)).map(({ address }) => address);
  const A = at('12 Orchard Loop', 11);
  const B = at('9 Orchard Loop', 12);
  const C = at('3 Alder Lane', 13);

  test('is street by street, by number, until somebody orders it', () => {
    expect(streets([A, B, C])).toEqual(['3 Alder Lane', '9 Orchard Loop', '12 Orchard Loop']);
    expect(streets([at('12 Orchard Loop', 11, 1), B, C])).toEqual([
      '12 Orchard Loop',
      '3 Alder Lane',
      '9 Orchard Loop',
    ]);
  });

  test('one goes before the one before it; the first stays; only what has another place is said', () => {
    const day = inTurn([A, B, C].flatMap(daysOf));
    const turns = (id: string) => earlier(day, id).map(({ of, turn }) => [of.address, turn]);
    expect(turns(day[2]!.id)).toEqual([['3 Alder Lane', 1], ['12 Orchard Loop', 2], ['9 Orchard Loop', 3]]); // prettier-ignore
    expect(turns(day[0]!.id)).toEqual([['3 Alder Lane', 1], ['9 Orchard Loop', 2], ['12 Orchard Loop', 3]]); // prettier-ignore
    const ordered = inTurn(
      [at('12 Orchard Loop', 11, 2), at('9 Orchard Loop', 12, 3), at('3 Alder Lane', 13, 1)].flatMap(daysOf),
    );
    expect(earlier(ordered, ordered[2]!.id).map(({ of, turn }) => [of.address, turn])).toEqual([['9 Orchard Loop', 2], ['12 Orchard Loop', 3]]); // prettier-ignore
  });
});

describe('as iCalendar', () => {
  const text = (address: string) => iCalendar(daysOf(at(address, 11)), '2026-11-26T15:04:05.123Z');
  const lines = (address: string) => text(address).replace(/\r\n /g, '').split('\r\n');

  test('a day is a whole day, with an id that stays', () => {
    expect(lines('12 Orchard Loop')).toEqual([
      'BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:careful-latch', 'METHOD:PUBLISH', 'BEGIN:VEVENT',
      `UID:${ID}-${uuidOf(11)}`, 'DTSTAMP:20261126T150405Z', 'DTSTART;VALUE=DATE:20261215', 'DTEND;VALUE=DATE:20261216',
      'SUMMARY:Visit: 12 Orchard Loop (Joss Linnaker)', 'END:VEVENT', 'END:VCALENDAR', '',
    ]); // prettier-ignore
    expect(iCalendar([], '2026-11-26T15:04:05Z')).toBe('BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:careful-latch\r\nMETHOD:PUBLISH\r\nEND:VCALENDAR\r\n'); // prettier-ignore
  });

  test('no address breaks out of its line, and no line has more than 75 octets', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', minLength: 1, maxLength: 200 }), (address) => {
        const made = text(address);
        for (const line of made.split('\r\n')) expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75);
        const summary = lines(address).filter((line) => line.startsWith('SUMMARY:'));
        expect(lines(address)).toHaveLength(13);
        const read = summary[0]!.slice('SUMMARY:'.length).replace(/\\(.)/g, (_, one: string) => (one === 'n' ? '\n' : one)); // prettier-ignore
        expect(read).toBe(`Visit: ${address} (Joss Linnaker)`.replace(/\r?\n/g, '\n'));
      }),
    );
  });
});

test.each(['\r\n', '\n', '\r'])('a line that an address breaks with %j stays one line of the calendar', (broken) => {
  const text = iCalendar(daysOf(at(`1 A${broken}DTSTART:19990101`, 1)), '2026-12-01T10:00:00.000Z');
  expect(text).toContain('1 A\\nDTSTART:19990101');
  expect(text.replaceAll('\r\n', '')).not.toMatch(/[\r\n]/);
});
