/** Where something is, in the units of its drawing. */
export type Place = readonly [x: number, y: number, width: number, height: number];

/** A number as it stands in a path. */
export const n = (one: number) => Math.round(one * 100) / 100;

/** A rectangle. */
export const box = ([x, y, width, height]: Place) => `M${n(x)} ${n(y)}h${n(width)}v${n(height)}h${n(-width)}Z`;
/** Squared, one edge cut: ours. */
export const cutBox = ([x, y, width, height]: Place, cut = 8) =>
  `M${n(x)} ${n(y)}H${n(x + width - cut)}L${n(x + width)} ${n(y + cut)}V${n(y + height)}H${n(x)}Z`;
export const dot = (x: number, y: number, r: number) =>
  `M${n(x - r)} ${n(y)}a${n(r)} ${n(r)} 0 1 0 ${n(2 * r)} 0a${n(r)} ${n(r)} 0 1 0 ${n(-2 * r)} 0Z`;
export const line = (...points: readonly (readonly [number, number])[]) =>
  points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${n(x)} ${n(y)}`).join('');
/** A curve on a circle from one angle to another (degrees, 0 up, clockwise). */
export function arc(x: number, y: number, r: number, from: number, to: number): string {
  const at = (degrees: number) => {
    const turn = ((degrees - 90) * Math.PI) / 180;
    return `${n(x + r * Math.cos(turn))} ${n(y + r * Math.sin(turn))}`;
  };
  return `M${at(from)}A${n(r)} ${n(r)} 0 0 1 ${at(to)}`;
}
