import { spawnSync } from 'node:child_process';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { caseWith } from '../core/test/rule-table';
import { LEAD, after, decided, inspection, uuidOf } from '../core/test/inspection';
import { sourceFrom } from '../core/test/papers';
import { SIZES, paperOf, plainText, printedPaper, type PaperName, type Size } from '@careful-latch/core/papers';
import type { ChangeBody } from '@careful-latch/core/record';
import { FONTS, footer } from '../app/papers/printer';
import { debianProgram } from './database.mjs';

const pdfmake = createRequire(__filename)('pdfmake') as {
  addFonts: (fonts: object) => void;
  setUrlAccessPolicy: (allowed: () => boolean) => void;
  setLocalAccessPolicy: (allowed: (path: string) => boolean) => void;
  createPdf: (document: object) => { getBuffer: () => Promise<Buffer> };
};
const faces = join(__dirname, '..', 'node_modules', '@expo-google-fonts', 'atkinson-hyperlegible');
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((path) => path.startsWith(faces));
pdfmake.addFonts({
  Text: Object.fromEntries(
    Object.entries(FONTS('').Text).map(([style, face]) => [
      style,
      join(faces, face.includes('400') ? '400Regular' : '700Bold', face),
    ]),
  ),
});

/** One pixel, as JPEG. */
const PIXEL =
  'data:image/jpeg;base64,/9j/4AAQSkZJRgABAQEAYABgAAD/2wBDAAMCAgICAgMCAgIDAwMDBAYEBAQEBAgGBgUGCQgKCgkICQkKDA8MCgsOCwkJDRENDg8QEBEQCgwSExIQEw8QEBD/wAALCAABAAEBAREA/8QAFAABAAAAAAAAAAAAAAAAAAAACf/EABQQAQAAAAAAAAAAAAAAAAAAAAD/2gAIAQEAAD8AVN//2Q==';

async function print(name: PaperName, source: Parameters<typeof paperOf>[1], size: Size, photos = {}) {
  const paper = paperOf(name, source);
  if (typeof paper === 'string') throw new Error(paper);
  const { foot, ...document } = printedPaper(paper, size, photos) as { foot: string };
  const printed = await pdfmake.createPdf({ ...document, compress: false, footer: footer(foot) }).getBuffer();
  const text = printed.toString('latin1');
  return {
    text,
    printed,
    paper,
    pages: text.match(/\/Type \/Page\b/g)?.length ?? 0,
    box: /\/MediaBox \[([^\]]+)\]/.exec(text)?.[1],
    photos: text.match(/\/Subtype \/Image/g)?.length ?? 0,
  };
}

test('twelve violations and nine photos go over the pages, on Letter and on A4, with their text to be selected', async () => {
  const long = 'The conductors of the feeder run through the attic without protection, beside the chimney. '.repeat(4);
  const is = { words: long, remedy: long, cites: ['110.3(B)'], severity: 'correction', station: 'feeder' } as const;
  const own = Array.from({ length: 12 }, (_, i): ChangeBody => ({
    type: 'violation', inspection: inspection().id, violation: uuidOf(i + 1), to: 'open', words: '', findings: [], is: { ...is, cites: [...is.cites] },
  })); // prettier-ignore
  const photo = { sha256: 'ab'.repeat(32), bytes: 9, widthPx: 1600, heightPx: 1200, marks: [] };
  const taken = Array.from({ length: 9 }, (_, i) => ({ id: uuidOf(50 + i), about: 'breaker.ratingA', text: `photo ${i}`, photo, at: '', by: LEAD.name })); // prettier-ignore
  const house = after(inspection({ case: caseWith({}) }), ...own, decided({ kind: 'corrections-required', dueOn: '2026-12-09' })); // prettier-ignore
  const source = sourceFrom({ ...house, evidence: taken });
  for (const size of SIZES) {
    const { pages, box, photos, text } = await print('report', source, size, { [photo.sha256]: PIXEL });
    expect(box).toBe(size === 'LETTER' ? '0 0 612 792' : '0 0 595.28 841.89');
    expect(pages).toBeGreaterThan(4);
    expect(photos).toBeGreaterThan(0);
    expect(text).toContain('/ToUnicode'); // whoever copies the text out gets letters
  }
  expect((await print('notice', source, 'LETTER')).pages).toBeGreaterThan(2);
}, 30_000);

test('an order is one page, whatever its words', async () => {
  const order = { kind: 'do-not-use', ground: 'x'.repeat(20), covers: 'The house', mayDo: '', told: 'The owner' } as const; // prettier-ignore
  const is = { words: 'It is fed.', remedy: '', cites: [], severity: 'hazard', station: 'transfer' } as const;
  const one: ChangeBody = { type: 'violation', inspection: inspection().id, violation: uuidOf(1), to: 'open', words: '', findings: [], is: { ...is, cites: [] } }; // prettier-ignore
  const stopped = after(inspection(), one, decided({ kind: 'stop-work', order }));
  expect((await print('order', sourceFrom(stopped), 'LETTER')).pages).toBe(1);
});

describe('read back by another program', () => {
  let pdftotext: string;
  beforeAll(() => {
    pdftotext = debianProgram(['pdftotext'], 'poppler-utils', 'pdftotext');
  }, 180_000);

  /** The words of a paper as somebody would copy them out of it, lines joined. */
  function readBack(printed: Buffer): string {
    const { stdout, status } = spawnSync(pdftotext, ['-raw', '-', '-'], { input: printed, encoding: 'utf8' });
    expect(status).toBe(0);
    return stdout.replace(/\s+/g, ' ');
  }

  const wordsOf = (text: string) => text.toLowerCase().split(/[^\p{L}\p{N}]+/u).filter((one) => one.length > 2);
  const approved = () => after(inspection({ case: caseWith({}), header: { ...inspection().header, address: '12 O’Malley Row – “Pippin” court', owner: 'Zoë D’Arbois-Łukasik' } }), decided()); // prettier-ignore
  test.each(['report', 'certificate', 'card', 'labels', 'diagram'] as const)('%s: every word of it is there', async (name) => {
    const { printed, paper } = await print(name, sourceFrom(approved()), 'LETTER');
    const read = readBack(printed);
    const said = plainText({ ...paper, blocks: paper.blocks.filter(({ kind }) => kind !== 'drawing') });
    const there = new Set(wordsOf(read));
    expect(wordsOf(said).length).toBeGreaterThan(40);
    expect(wordsOf(said).filter((one) => !there.has(one))).toEqual([]);
    expect(read).toContain('O’Malley Row');
    // what hangs at a door or in a panel names no owner
    expect(read.includes('D’Arbois-Łukasik')).toBe(['report', 'certificate'].includes(name));
  });
}); // prettier-ignore
