import type { ConfigurationName } from '@careful-latch/core/codebook';
import { box, cutBox, dot, line, type Look, type Pen, type Place } from './list';
import { slotsOf } from './slots';

/** The head of a screw; its slot stands as it was left. */
export function screw(pen: Pen, x: number, y: number, r = 4.5, turn = 35): void {
  const [dx, dy] = [r * 0.7 * Math.cos(turn / 57.3), r * 0.7 * Math.sin(turn / 57.3)];
  pen.draw('fitting', dot(x, y, r), { fill: 'steel', stroke: 'ink', width: 1.5 });
  pen.stroke('stamp', line([x - dx, y - dy], [x + dx, y + dy]), 1.5);
}

/** Where a handle stands in its throw. */
export type Position = 'on' | 'off' | 'tripped';
/** A handle closes toward its bus, a vertical one upward. */
export type Side = 'left' | 'right' | 'up';

interface HandleOf {
  readonly look: Look;
  readonly stamp?: string | number | undefined;
  readonly side?: Side;
  readonly position?: Position;
  readonly size?: number;
}

/** A handle in its throw, with the number on it; what it uncovers is copper where it is closed. */
export function handle(pen: Pen, at: Place, { look, stamp, side = 'up', position = 'on', size = 18 }: HandleOf): void {
  const [x, y, width, height] = at;
  const up = side === 'up';
  const long = (up ? height : width) * 0.6;
  const travel = (up ? height : width) - long;
  const share = position === 'on' ? 0 : position === 'off' ? 1 : 0.5;
  const off = (side === 'right' ? 1 - share : share) * travel;
  const own: Place = up ? [x, y + off, width, long] : [x + off, y, long, height];
  if (look === 'bare') return pen.bare('body', at);
  if (look === 'none') return;
  if (look !== 'solid') {
    pen.ghost('recess', box(at) + cutBox(own, 5));
    if (look === 'crossed') pen.cross('fitting', at);
    return;
  }
  pen.draw('recess', box(at), { fill: 'dark', stroke: 'ink', width: 1.5 });
  if (position === 'on') {
    const open: Place = up ? [x + 3, y + long + 2, width - 6, travel - 4] : [x + (side === 'right' ? 2 : long + 2), y + 3, travel - 4, height - 6]; // prettier-ignore
    pen.draw('metal', box(open), { fill: 'copper' });
  }
  pen.draw('handle', cutBox(own, 5), { fill: 'light', stroke: 'onLight', width: 1.5 });
  if (stamp !== undefined)
    pen.stamp(own[0] + own[2] / 2, own[1] + own[3] / 2 + size * 0.36, stamp, {
      size: Math.min(size, own[2] / (0.7 * String(stamp).length)),
      anchor: 'middle',
      ink: 'onLight',
    });
}

/** A face in its true configuration: slots dark in a light face, or blades light in a dark recess. */
export function face(
  pen: Pen,
  [x, y, r]: readonly [x: number, y: number, r: number],
  { look, name, blades = false, inUse = false }: { look: Look; name?: ConfigurationName | undefined; blades?: boolean; inUse?: boolean }, // prettier-ignore
): void {
  const at: Place = [x - r, y - r, 2 * r, 2 * r];
  if (look === 'bare') return pen.bare('body', at);
  if (look === 'none') return;
  if (inUse && look === 'solid') pen.stroke('body', dot(x, y, r + 6), 4, 'copper');
  if (look !== 'solid' || name === undefined) {
    pen.ghost('recess', dot(x, y, r) + dot(x, y, r * 0.62));
    if (look === 'crossed') pen.cross('fitting', at);
    return;
  }
  const { d, hole } = slotsOf(name, x, y, r, blades ? -1 : 1);
  pen.draw('recess', dot(x, y, r), { fill: blades ? 'dark' : 'light', stroke: blades ? 'quiet' : 'onLight', width: 2 });
  pen.stroke('metal', d, Math.max(3, r * 0.145), blades ? 'light' : 'onLight');
  if (hole) pen.draw('metal', hole, { fill: blades ? 'light' : 'onLight' });
}

/** Two 120 V slots one above the other, with test and reset between them, or plain. */
export function duplex(pen: Pen, at: Place, look: Look, tested: boolean): void {
  const [x, y, width, height] = at;
  if (!pen.form('body', look, cutBox(at, 7), 'light', at)) return;
  for (const middle of [y + height * 0.24, y + height * 0.76]) {
    const { d, hole } = slotsOf('5-20', x + width / 2, middle, width * 0.36, 1);
    pen.stroke('metal', d, 3, 'onLight');
    pen.draw('metal', hole, { fill: 'onLight' });
  }
  if (!tested) return;
  for (const [i, word] of ['TEST', 'RESET'].entries()) {
    pen.draw('metal', box([x + width * 0.2, y + height / 2 - 13 + i * 14, width * 0.6, 12]), { stroke: 'onLight', width: 1.5 }); // prettier-ignore
    pen.stamp(x + width / 2, y + height / 2 - 3.5 + i * 14, word, { size: 9.5, anchor: 'middle', bold: true, face: 'text', ink: 'onLight' }); // prettier-ignore
  }
}

/** A cord or cable by its jacket, with an outline: black on a dark wall at night. */
export function lead(pen: Pen, d: string, width: number): void {
  pen.stroke('wire', d, width + 3, 'ink');
  pen.stroke('wireCore', d, width, 'jacket');
}

type Conductor = 'way' | 'hot' | 'neutral' | 'ground';

/** A conductor by its form: on the source’s way its metal shows, another hot is dark, neutral pale, ground pale with ticks. */
export function wire(
  pen: Pen,
  d: string,
  kind: Conductor,
  { width = 8, look = 'solid', metal = 'copper' }: { width?: number; look?: Look; metal?: 'copper' | 'aluminum' } = {},
): void {
  if (look === 'none' || look === 'bare') return;
  if (look !== 'solid') return pen.stroke('wire', d, 1.25, 'quiet', '6 4');
  switch (kind) {
    case 'way':
      pen.stroke('wire', d, width, 'dark');
      return pen.stroke('wireCore', d, width * 0.46, metal);
    case 'hot':
      return pen.stroke('wire', d, width * 0.62, 'dark');
    case 'neutral':
      pen.stroke('wire', d, width * 0.82, 'ink');
      return pen.stroke('wireCore', d, width * 0.82 - 3, 'light');
    case 'ground':
      pen.stroke('wire', d, width * 0.82, 'ink');
      pen.stroke('wireCore', d, width * 0.82 - 3, 'light');
      return pen.stroke('wireMark', d, width * 0.82 - 2.6, 'onLight', '2.5 4');
  }
}

/** The cut end of a conductor: its metal in its insulation, by its form. */
export function cutEnd(
  pen: Pen,
  [x, y]: readonly [number, number],
  kind: 'hot' | 'neutral' | 'ground',
  { metal, radius, look }: { metal: 'copper' | 'aluminum' | undefined; radius: number; look: Look },
): void {
  const at: Place = [x - radius - 4, y - radius - 4, 2 * radius + 8, 2 * radius + 8];
  if (look === 'none') return;
  if (look === 'bare') return pen.bare('fitting', at);
  if (look !== 'solid') {
    pen.ghost('fitting', dot(x, y, radius + 4));
    if (look === 'crossed') pen.cross('stamp', at);
    return;
  }
  pen.draw('fitting', dot(x, y, radius + 4), { fill: kind === 'hot' ? 'dark' : 'light', stroke: kind === 'hot' ? 'light' : 'onLight', width: 1.5 }); // prettier-ignore
  if (kind === 'ground') pen.stroke('stamp', line([x - radius - 3, y + 1], [x + 1, y - radius - 3]) + line([x - 2, y + radius + 3], [x + radius + 3, y - 2]), 1.5, 'onLight'); // prettier-ignore
  if (metal) pen.draw('stamp', dot(x, y, radius), { fill: metal });
  else pen.ghost('stamp', dot(x, y, radius));
}

/** A sign that hangs somewhere, in its words; worn, it is pale and scratched. */
export function sign(
  pen: Pen,
  at: Place,
  look: Look,
  head: string | undefined,
  lines: readonly string[],
  worn = false,
  size = 13,
): void {
  // prettier-ignore
  const [x, y, width, height] = at;
  if (!pen.form('over', look, cutBox(at, 8), 'sheet', at)) return;
  if (head !== undefined) {
    pen.draw('overLine', `M${x + 1} ${y + 1}H${x + width - 8}L${x + width - 1} ${y + 8}V${y + 24}H${x + 1}Z`, { fill: worn ? 'hairline' : 'ink' }); // prettier-ignore
    pen.stamp(x + 8, y + 19, head, { depth: 'overStamp', face: 'text', size: 15, bold: true, ink: 'paper' });
  }
  const from = y + (head === undefined ? 0 : 24);
  const step = (y + height - from) / lines.length;
  for (const [i, words] of lines.entries())
    pen.stamp(x + 8, from + step * (i + 0.5) + size * 0.36, words, { depth: 'overStamp', face: 'text', size, bold: true, ink: worn ? 'hairline' : 'ink' }); // prettier-ignore
  if (worn) pen.stroke('frame', line([x + width * 0.3, y + 2], [x + width * 0.22, y + height - 2]) + line([x + width * 0.7, y + 2], [x + width * 0.78, y + height - 2]), 4, 'paper'); // prettier-ignore
}

/** The ground on which something stands: a line with its strokes. */
export function earthLine(pen: Pen, y: number, width: number): void {
  pen.stroke('ground', `M0 ${y}H${width}`, 2);
  pen.stroke('ground', Array.from({ length: Math.ceil(width / 26) }, (_, i) => `M${6 + i * 26} ${y}l-8 10`).join(''), 1, 'quiet'); // prettier-ignore
}
