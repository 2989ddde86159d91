import Papa from 'papaparse';
import { after, decided, inspection, takenUp, uuidOf } from '../test/inspection';
import { caseWith } from '../test/rule-table';
import { evaluate } from '../verdict';
import { foundIn } from '../record';
import { inspectionsCsv, violationsCsv } from './lists';

const begun = inspection({ case: caseWith({ 'panel.directoryTrue': 'no' }), header: { ...inspection().header, owner: "=cmd|' /C calc'!A0", address: '3 "Windfall", Lane' } }); // prettier-ignore
const house = after(begun, ...foundIn(evaluate(begun.case)).map((one) => takenUp(one, uuidOf(1))), decided({ kind: 'corrections-required', dueOn: '2026-12-09' })); // prettier-ignore
const read = (text: string) => Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), { header: true, skipEmptyLines: true }).data; // prettier-ignore

test('a list reads back as it was, and no text of it is a formula', () => {
  const text = inspectionsCsv([house, inspection()]);
  expect(text.startsWith('\uFEFFAddress,')).toBe(true);
  const [first, second] = read(text);
  expect(first).toMatchObject({ Address: '3 "Windfall", Lane', State: 'Corrections required', Due: '2026-12-09', 'Open violations': '1' }); // prettier-ignore
  expect(first!.Owner).toBe("'=cmd|' /C calc'!A0");
  expect(second).toMatchObject({ State: 'Draft', Due: '' });
});

test('each violation has its line, with sections, rules and days', () => {
  expect(read(violationsCsv([house, inspection()]))).toMatchObject([
    { Number: '1', State: 'Open', Station: 'Panel', Rules: 'panel/directory-true', By: '2026-12-09', 'Last step by': 'Ilse O’Harrow' }, // prettier-ignore
  ]);
});
