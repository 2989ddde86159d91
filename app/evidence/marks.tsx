import Svg, { Circle, G, Path } from 'react-native-svg';
import { ARROW_STEP_DEG, type Mark, type Photo } from '@careful-latch/core/record';
import { usePalette } from '../theme/theme';

/** Radius of a ring and length of an arrow, as fractions of the picture’s longer side. */
const RING = 0.07;
const ARROW = 0.14;
/** A touch this near to an arrow’s tip turns it rather than placing another. */
const NEAR = 0.06;

/** The marks after a touch at a place: an arrow that is touched turns by an eighth; anywhere else a mark is placed. */
export function marked(marks: readonly Mark[], kind: Mark['kind'], x: number, y: number): Mark[] {
  const touched = marks.find((one) => one.kind === 'arrow' && Math.hypot(one.x - x, one.y - y) < NEAR);
  return touched
    ? marks.map((one) => (one === touched ? { ...one, turnDeg: (one.turnDeg + ARROW_STEP_DEG) % 360 } : one))
    : [...marks, { kind, x, y, turnDeg: 0 }];
}

/** The marks of a photo, drawn over it with an edge of paper, so that they stand out of light and dark alike. */
export function Marks({ photo }: { photo: Pick<Photo, 'widthPx' | 'heightPx' | 'marks'> }) {
  const palette = usePalette();
  const { widthPx, heightPx, marks } = photo;
  const side = Math.max(widthPx, heightPx);
  const [radius, length, line] = [RING * side, ARROW * side, side / 110];
  return (
    <Svg viewBox={`0 0 ${widthPx} ${heightPx}`} width="100%" height="100%" aria-hidden>
      {marks.map(({ kind, x, y, turnDeg }, i) => (
        <G key={i} transform={`translate(${x * widthPx} ${y * heightPx}) rotate(${turnDeg})`}>
          {[palette.paper, palette.violation].map((color, top) => {
            const stroke = { stroke: color, strokeWidth: line * (top ? 1 : 2.4), fill: 'none' };
            return kind === 'ring' ? (
              <Circle key={top} r={radius} {...stroke} />
            ) : (
              <Path
                key={top}
                d={`M${length} 0H${line}M${length * 0.32} ${-length * 0.22}L${line} 0L${length * 0.32} ${length * 0.22}`}
                {...stroke}
              />
            );
          })}
        </G>
      ))}
    </Svg>
  );
}
