import type { PartState } from '@careful-latch/core/walk';
import { cutBox, type Pen, type Place } from './list';
import { THING_WIDTH } from './things/thing';

/** How far the contour of a part stands off. */
const OFF = 4;
const GAP = 17;

/** Round a place, and within the drawing. */
function around([x, y, width, height]: Place, by: number): Place {
  const left = Math.max(3, x - by);
  return [left, y - by, Math.min(THING_WIDTH - 3, x + width + by) - left, height + 2 * by];
}

/** Where the sign of a violation sits: in the gap of the contour, on its upper edge. */
export function gapOf(at: Place): Place {
  const [x, y, width] = around(at, OFF);
  return [x + width - 38 - 11, Math.max(0, y - 11), 22, 22];
}

/** How a part stands, drawn round it; the thing itself stays whole. A tag says it by its own outline. */
export function drawState(
  pen: Pen,
  at: Place,
  { state, doubted, inHand, onTag }: { state: PartState; doubted: boolean; inHand: boolean; onTag: boolean },
): void {
  const [x, y, width, height] = around(at, OFF);
  if ((state === 'violated' || state === 'hazard') && !onTag) {
    const gap = x + width - 38;
    pen.stroke('frame', `M${gap - GAP} ${y - 3}H${x}V${y + height}H${x + width}V${y + 13}L${x + width - 10} ${y + 3}H${gap + GAP}`, 3, 'violation'); // prettier-ignore
  }
  if (doubted) {
    const [bx, by, bw, bh] = around(at, OFF + 3);
    const q = Math.min(bw * 0.36, 26);
    pen.stroke('frame', `M${bx + q} ${by}H${bx}V${by + bh}H${bx + q}M${bx + bw - q} ${by}H${bx + bw}V${by + bh}H${bx + bw - q}`, 3, 'unproven'); // prettier-ignore
  }
  if (!inHand) return;
  const d = cutBox(around(at, OFF), 12);
  pen.stroke('frame', d, 8, 'paper');
  pen.stroke('frameLine', d, 4, 'copper');
}
