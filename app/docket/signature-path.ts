/** Box in which a signature's path is kept, whatever the size of the screen it was drawn on. */
export const SIGNATURE_BOX = { width: 320, height: 120 } as const;

/** Drawn lines as an SVG path in the signature box. */
export function pathOf(
  lines: readonly { points: readonly { x: number; y: number }[] }[],
  drawn: { width: number; height: number },
): string {
  const scale = Math.min(SIGNATURE_BOX.width / drawn.width, SIGNATURE_BOX.height / drawn.height);
  const at = ({ x, y }: { x: number; y: number }) => `${(x * scale).toFixed(1)} ${(y * scale).toFixed(1)}`;
  return lines
    .filter((line) => line.points.length > 0)
    .map(
      ({ points: [first, ...rest] }) =>
        `M${at(first!)}${(rest.length > 0 ? rest : [first!]).map((point) => `L${at(point)}`).join('')}`,
    )
    .join('');
}
