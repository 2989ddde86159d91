import { ARROW_STEP_DEG, type Mark } from '../record';
import type { Block, Paper } from './paper';

/** A document of pdfmake, as plain data: it is made the same on a device and at the office. */
type Printed = Readonly<Record<string, unknown>>;

export const SIZES = ['LETTER', 'A4'] as const;
export type Size = (typeof SIZES)[number];

const IN = 72;
const MARGIN = 48;
const PHOTO_WIDTH = 250;
/** A drawing leaves room for the head of its page. */
const TALLEST = 440;
const WIDEST = 400;

/** The rings and arrows of a photo as a picture to lie over it, in the size of the photo on paper. */
function marksSvg(marks: readonly Mark[], width: number, height: number): string {
  const drawn = marks.map(({ kind, x, y, turnDeg }) => {
    const at = { x: x * width, y: y * height };
    if (kind === 'ring') return `<circle cx="${at.x}" cy="${at.y}" r="22" fill="none" stroke="#000" stroke-width="3"/>`;
    const turn = ((Math.round(turnDeg / ARROW_STEP_DEG) * ARROW_STEP_DEG) / 180) * Math.PI;
    const tail = { x: at.x + 44 * Math.cos(turn), y: at.y + 44 * Math.sin(turn) };
    return `<path d="M${tail.x} ${tail.y}L${at.x} ${at.y}" stroke="#000" stroke-width="3"/><circle cx="${at.x}" cy="${at.y}" r="4" fill="#000"/>`;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">${drawn.join('')}</svg>`;
}

/** The photos that are there, by their SHA-256, as data URLs. */
export type Photos = Readonly<Record<string, string>>;

function printed(block: Block, photos: Photos, across: number): Printed {
  switch (block.kind) {
    case 'big':
      return { text: block.text, fontSize: 52, bold: true, lineHeight: 1, margin: [0, 10, 0, 10] };
    case 'heading':
      return { text: block.text, fontSize: 13, bold: true, margin: [0, 7, 0, 2] };
    case 'bold':
      return { text: block.text, fontSize: 14, bold: true, margin: [0, 4, 0, 4] };
    case 'text':
      return { text: block.text, margin: [0, 1, 0, 3] };
    case 'small':
      return { text: block.text, fontSize: 9, margin: [0, 4, 0, 2] };
    case 'list':
      return { ul: [...block.items], margin: [0, 0, 0, 2] };
    case 'steps':
      return { ol: [...block.items], margin: [0, 0, 0, 2] };
    case 'pairs':
      return { table: { widths: [110, '*'], body: block.rows.map(([name, value]) => [{ text: name, bold: true }, value]) }, layout: 'noBorders' }; // prettier-ignore
    case 'table':
      return {
        table: {
          headerRows: 1,
          dontBreakRows: true,
          widths: block.head.length === 5 ? [24, '*', 84, 70, 78] : block.head.map(() => '*'),
          body: [block.head.map((one) => ({ text: one, bold: true })), ...block.rows.map((row) => [...row])],
        },
        layout: 'lightHorizontalLines',
        fontSize: 10,
      };
    case 'drawing':
      return { svg: block.svg, fit: [Math.min(across, WIDEST), TALLEST], margin: [0, 4, 0, 4] };
    case 'photo': {
      const { sha256, widthPx, heightPx, marks } = block.photo;
      const url = photos[sha256];
      const caption = { text: block.caption, fontSize: 9, margin: [0, 2, 0, 8] };
      if (url === undefined) return { stack: [{ text: 'This photo is not on this device.', fontSize: 9 }, caption] };
      const height = (PHOTO_WIDTH * heightPx) / widthPx;
      const image = { image: url, width: PHOTO_WIDTH };
      const over = { svg: marksSvg(marks, PHOTO_WIDTH, height), relativePosition: { x: 0, y: -height } };
      return { unbreakable: true, stack: [image, ...(marks.length > 0 ? [over] : []), caption] };
    }
    case 'label': {
      const [width, height] = block.sizeIn;
      const [first, ...rest] = block.words;
      const cell = {
        stack: [
          { text: first, fontSize: 22, bold: true, alignment: 'center' },
          ...rest.map((text) => ({ text, fontSize: 13, bold: true, alignment: 'center' })),
        ],
      };
      return {
        unbreakable: true,
        margin: [0, 6, 0, 6],
        stack: [
          { text: `${block.place}: ${width} × ${height} in`, fontSize: 9, margin: [0, 0, 0, 2] },
          { table: { widths: [width * IN - 12], heights: [height * IN - 8], body: [[cell]] } },
        ],
      };
    }
    case 'ruler': {
      const ticks = Array.from({ length: block.lengthIn + 1 }, (_, i) => ({ type: 'line', x1: i * IN, y1: 0, x2: i * IN, y2: 10, lineWidth: 1 })); // prettier-ignore
      const bar = { type: 'line', x1: 0, y1: 5, x2: block.lengthIn * IN, y2: 5, lineWidth: 2 };
      return {
        unbreakable: true,
        stack: [
          { canvas: [bar, ...ticks] },
          { text: `Measure this bar: ${block.lengthIn} in if it was printed at 100 %.`, fontSize: 9 },
        ],
      };
    }
  }
}

/** Blocks in the groups that stay together: a heading with what it heads, where that is short. */
function kept(blocks: readonly Block[]): Block[][] {
  const groups: Block[][] = [];
  for (const block of blocks) {
    const last = groups.at(-1);
    if (last?.length === 1 && last[0]!.kind === 'heading' && block.kind !== 'table') last.push(block);
    else groups.push([block]);
  }
  return groups;
}

/** What pdfmake prints: black on white, its text to be selected, the head on the first page, foot and page on each. */
export function printedPaper(paper: Paper, size: Size, photos: Photos = {}): Printed {
  const across = (size === 'LETTER' ? 612 : 595) - 2 * MARGIN;
  const head = {
    columns: [
      {
        width: '*',
        stack: [
          { text: paper.title, fontSize: 22, bold: true, margin: [0, 0, 0, 4] },
          ...(paper.provisional ? [{ text: 'PROVISIONAL', fontSize: 16, bold: true }] : []),
          printed({ kind: 'pairs', rows: paper.head }, photos, across),
        ],
      },
      ...(paper.checkAt === undefined ? [] : [{ width: 84, stack: [{ qr: paper.checkAt, fit: 84 }, { text: 'current or void', fontSize: 8, margin: [0, 3, 0, 0] }] }]), // prettier-ignore
    ],
  };
  const line = { canvas: [{ type: 'line', x1: 0, y1: 4, x2: across, y2: 4, lineWidth: 1 }], margin: [0, 2, 0, 6] };
  return {
    pageSize: size,
    pageMargins: [MARGIN, MARGIN, MARGIN, 64],
    info: { title: paper.title },
    defaultStyle: { font: 'Text', fontSize: 11, lineHeight: 1.15 },
    content: [
      head,
      line,
      ...kept(paper.blocks).map((some) => ({
        unbreakable: some.length > 1,
        stack: some.map((one) => printed(one, photos, across)),
      })),
    ],
    foot: paper.foot,
  };
}
