import { AREA_CMIL, type ConfigurationName, type WireSize } from '@careful-latch/core/codebook';
import { arc, dot, line } from './geometry';

const locking = (x: number, y: number, r: number, count: number, span: number, way: number): string =>
  Array.from({ length: count }, (_, i) => {
    const middle = (360 / count) * i;
    if (i > 0) return arc(x, y, r, middle - span / 2, middle + span / 2);
    // The grounding one is hooked; blades are the mirror of slots.
    const turn = ((way * span) / 2 - 90) / 57.2958;
    const [hx, hy] = [x + r * Math.cos(turn), y + r * Math.sin(turn)];
    return arc(x, y, r, -span / 2, span / 2) + line([hx, hy], [hx - way * r * 0.1, hy + r * 0.45]);
  }).join('');

/** Slots of a face as lines, and its round grounding hole; for plates too. `way` −1: blades, the mirror. */
export function slotsOf(
  name: ConfigurationName,
  x: number,
  y: number,
  r: number,
  way: 1 | -1,
): { d: string; hole: string } {
  const up = (dx: number, from: number, to: number) => line([x + way * dx * r, y + from * r], [x + way * dx * r, y + to * r]); // prettier-ignore
  const across = (from: number, to: number, at: number) => line([x + way * from * r, y + at * r], [x + way * to * r, y + at * r]); // prettier-ignore
  const round = (at: number) => dot(x, y + at * r, r * 0.15);
  switch (name) {
    case 'L14-30':
      return { d: locking(x, y, r * 0.62, 4, 44, way), hole: '' };
    case 'L14-20':
      return { d: locking(x, y, r * 0.46, 4, 44, way), hole: '' };
    case 'L5-30':
      return { d: locking(x, y, r * 0.62, 3, 56, way), hole: '' };
    case 'L5-20':
      return { d: locking(x, y, r * 0.46, 3, 56, way), hole: '' };
    case 'SS2-50':
      return { d: locking(x, y, r * 0.68, 4, 30, way) + arc(x, y, r * 0.3, 0, 359.9), hole: '' };
    case 'pin-sleeve-100':
      return { d: up(0, -0.7, -0.52) + across(-0.58, -0.4, 0) + across(0.4, 0.58, 0) + up(0, 0.46, 0.64) + arc(x, y, r * 0.84, 0, 359.9), hole: '' }; // prettier-ignore
    case '14-50':
      return { d: up(-0.5, -0.24, 0.26) + up(0.5, -0.24, 0.26) + up(0, 0.2, 0.66), hole: round(-0.46) };
    case '14-30':
      return { d: up(-0.5, -0.24, 0.26) + up(0.5, -0.24, 0.26) + up(-0.14, 0.24, 0.58) + across(-0.14, 0.2, 0.58), hole: round(-0.46) }; // prettier-ignore
    case 'TT-30':
      return { d: line([x - way * 0.5 * r, y - 0.4 * r], [x - way * 0.22 * r, y + 0.06 * r]) + line([x + way * 0.5 * r, y - 0.4 * r], [x + way * 0.22 * r, y + 0.06 * r]), hole: round(0.46) }; // prettier-ignore
    case '5-20':
      return { d: up(-0.36, -0.5, 0) + across(-0.36, -0.64, -0.25) + up(0.36, -0.46, -0.04), hole: round(0.42) };
    case '5-15':
      return { d: up(-0.36, -0.5, 0) + up(0.36, -0.46, -0.04), hole: round(0.42) };
  }
}

/** The radius of a conductor’s metal in a cut end, in proportion, at `scale` for 4/0 AWG. */
export const radiusOf = (size: string, scale: number): number =>
  Math.max(1.8, Math.sqrt((AREA_CMIL.rows[size as WireSize] ?? 4110) / 211_600) * scale);
