import { inspection, after, decided } from '../test/inspection';
import { GOOD_SOURCE, sourceFrom } from '../test/papers';
import { PAPERS, paperOf, placesOf, printedPaper, redactedCopy, usualRemovals, type Paper, type PaperName } from '.';

const owned = sourceFrom(
  after(inspection({ header: { ...inspection().header, owner: 'Anouk O’Dell-Varr' } }), decided()),
);
const whole = (name: PaperName) => paperOf(name, owned) as Paper;

test('whatever is taken out is nowhere in the copy, on the screen or in print, and everything else is', () => {
  for (const name of ['report', 'certificate', 'card'] as const) {
    const made = paperOf(name, { ...GOOD_SOURCE, ...owned, sealed: GOOD_SOURCE.sealed });
    if (typeof made === 'string') throw new Error(made);
    const places = placesOf(made);
    expect(places.length).toBeGreaterThan(5);
    // Only what is said once: what stands in two places has to be taken out of both.
    const text = (paper: Paper) =>
      JSON.stringify([paper.head, paper.blocks, printedPaper({ ...paper, title: '', foot: '' }, 'LETTER')]);
    for (const { id, says } of places) {
      const value = says.slice(says.indexOf(': ') + 1).trim();
      if (value.length < 12 || places.filter((one) => one.says.includes(value)).length > 1) continue;
      const copy = redactedCopy(made, { [id]: 'personal' });
      const quoted = JSON.stringify(value).slice(1, -1);
      if (!text(made).includes(quoted)) continue; // a row of a table is said cell by cell
      expect([name, id, text(copy).includes(quoted)]).toEqual([name, id, false]);
      const others = placesOf(copy).filter((one) => !one.says.includes('[removed]')).length;
      expect(others).toBe(places.length); // one less, and the line that says so
    }
  }
});

test('a copy says how much was taken out, and why; the original is as it was', () => {
  const report = whole('report');
  const before = JSON.stringify(report);
  const copy = redactedCopy(report, { 'head.0': 'ordered', 'head.1': 'personal', 'head.2': 'personal' });
  expect(copy.title).toBe('Inspection report, redacted copy');
  expect(JSON.stringify(copy.blocks.at(-1))).toContain('By order of a court or the office: 1; Personal data: 2');
  expect(JSON.stringify(report)).toBe(before);
});

test('the usual copy for anybody has neither the owner nor a photo', () => {
  const photo = { sha256: 'cd'.repeat(32), bytes: 10, widthPx: 4, heightPx: 3, marks: [] };
  const report = {
    ...whole('report'),
    blocks: [...whole('report').blocks, { kind: 'photo' as const, photo, caption: 'the hall' }],
  };
  const copy = redactedCopy(report, usualRemovals(report));
  expect(JSON.stringify(copy)).not.toMatch(/Anouk|the hall|cdcd/);
  expect(JSON.stringify(report)).toMatch(/Anouk/);
  expect(Object.keys(PAPERS)).toContain('report');
});
