import { factAt, isKnown, valueText, type Case } from '../case';
import { ratingRow, weakestOfUnlike } from '../electrical';

interface Box {
  readonly name: string;
  readonly lines: readonly string[];
  readonly seen: boolean;
  readonly weakest: boolean;
}

const NAMES = { source: 'Source', cord: 'Cord', inlet: 'Inlet', feeder: 'Feeder', breaker: 'Backfed breaker' } as const;

const words = (c: Case, path: string): string | undefined => {
  const value = factAt(c, path);
  return isKnown(value) ? valueText(path, value) : undefined;
};
const joined = (...parts: readonly (string | undefined)[]) => parts.filter((one) => one !== undefined).join(', ');

/** The current's way from the source to the panel, a box for each part that is there. */
function boxesOf(c: Case): Box[] {
  const row = ratingRow(c);
  const least = weakestOfUnlike(row.filter(({ station }) => station !== 'breaker'));
  const boxes = row.map((link): Box => {
    const index = Number(/\d+$/.exec(link.part)?.[0] ?? 1) - 1;
    const details = {
      source: [joined(words(c, 'source.voltage'), words(c, 'source.outlet')), words(c, 'source.neutralBond')],
      cord: [
        joined(words(c, `cord[${index}].sizeAwg`), words(c, `cord[${index}].type`)),
        words(c, `cord[${index}].wires`),
      ],
      inlet: [words(c, 'inlet.configuration')],
      feeder: [
        joined(words(c, `feeder.stretches[${index}].sizeAwg`), words(c, `feeder.stretches[${index}].metal`)),
        words(c, `feeder.stretches[${index}].place`),
      ],
      breaker: [words(c, 'breaker.construction')],
    }[link.station];
    const number = /\d+$/.exec(link.part)?.[0];
    return {
      name: `${NAMES[link.station]}${number === undefined ? '' : ` ${number}`}`,
      lines: [
        link.ratingA === undefined ? 'not seen' : `${link.ratingA} A`,
        ...details.filter((one): one is string => one !== undefined && one !== ''),
      ],
      seen: link.ratingA !== undefined,
      weakest: link.part === least?.part,
    };
  });
  const kind = factAt(c, 'transfer.kind');
  const transfer: Box = {
    name: 'Transfer equipment',
    lines: [
      words(c, 'transfer.kind') ?? 'not seen',
      `Neutral: ${words(c, 'neutral.switched')?.toLowerCase() ?? 'not seen'}`,
    ],
    seen: isKnown(kind),
    weakest: false,
  };
  const panel: Box = {
    name: 'Panel',
    lines: [
      joined(words(c, 'panel.kind'), words(c, 'panel.busA')) || 'not seen',
      `Main: ${words(c, 'panel.mainA') ?? 'not seen'}`,
    ],
    seen: isKnown(factAt(c, 'panel.kind')),
    weakest: false,
  };
  return kind === 'none-cords' ? boxes : [...boxes, transfer, panel];
}

const escaped = (text: string) => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('"', '&quot;');
const WIDTH = 368;
const BOX = { width: 360, line: 15, pad: 8, gap: 16 } as const;

/** The one-line diagram as an SVG picture, black on white; what was not seen is dashed, the weakest link has a heavy frame. */
export function oneLineSvg(c: Case): string {
  const parts: string[] = [];
  const x = (WIDTH - BOX.width) / 2;
  let y = 4;
  for (const [i, box] of boxesOf(c).entries()) {
    const height = BOX.pad * 2 + BOX.line * (box.lines.length + 1) - 2;
    if (i > 0) parts.push(`<path d="M${WIDTH / 2} ${y - BOX.gap}V${y}" stroke="#000" stroke-width="2"/>`);
    const dash = box.seen ? '' : ' stroke-dasharray="6 5"';
    const frame = `fill="#fff" stroke="#000" stroke-width="${box.weakest ? 4 : 1.5}"${dash}`;
    parts.push(`<path d="M${x} ${y}H${x + BOX.width - 12}L${x + BOX.width} ${y + 12}V${y + height}H${x}Z" ${frame}/>`);
    const line = (text: string, at: number, weight = 400) =>
      `<text x="${x + 12}" y="${y + BOX.pad + 11 + at * BOX.line}" font-size="12" font-weight="${weight}" font-family="Text">${escaped(text)}</text>`;
    parts.push(line(box.weakest ? `${box.name}: the weakest` : box.name, 0, 700));
    box.lines.forEach((text, at) => parts.push(line(text, at + 1)));
    y += height + BOX.gap;
  }
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} ${y}" width="${WIDTH}" height="${y}">${parts.join('')}</svg>`;
}

/** The same for whoever cannot see it. */
export const oneLineWords = (c: Case): string =>
  boxesOf(c)
    .map(({ name, lines }) => `${name}: ${lines.join(', ')}`)
    .join('. ');
