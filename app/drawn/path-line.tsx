import { memo } from 'react';
import Svg, { G, Line, Path, Rect } from 'react-native-svg';
import type { StationState } from '@careful-latch/core/walk';
import { usePalette } from '../theme/theme';

const WIDTH = 44;
const AT = 22;

/** One station's piece of the current's path: solid where proved, dashed where open, broken with the ends offset where violated, thin where absent. */
export function PathPiece({
  state,
  height,
  first = false,
  last = false,
  here = false,
}: {
  state: StationState;
  height: number;
  first?: boolean;
  last?: boolean;
  here?: boolean;
}) {
  const palette = usePalette();
  const middle = height / 2;
  const top = first ? middle : 0;
  const bottom = last ? middle : height;
  const line = { stroke: palette.copper, strokeWidth: 7 };
  return (
    <Svg width={WIDTH} height={height} aria-hidden>
      {state === 'proved' && <Line x1={AT} y1={top} x2={AT} y2={bottom} {...line} />}
      {state === 'open' && (
        <Line x1={AT} y1={top} x2={AT} y2={bottom} {...line} strokeDasharray="9 7" strokeDashoffset={first ? 0 : 4} />
      )}
      {state === 'absent' && <Line x1={AT} y1={top} x2={AT} y2={bottom} stroke={palette.copper} strokeWidth={1.5} />}
      {state === 'violated' && (
        <G {...line} fill="none">
          <Path d={`M${AT} ${top} V${middle - 16} L${AT - 9} ${middle - 5}`} />
          <Path d={`M${AT} ${bottom} V${middle + 16} L${AT + 9} ${middle + 5}`} />
        </G>
      )}
      {state !== 'violated' && (
        <Rect
          x={AT - 7}
          y={middle - 7}
          width={14}
          height={14}
          fill={state === 'proved' ? palette.copper : palette.paper}
          stroke={palette.copper}
          strokeWidth={state === 'absent' ? 1.5 : 3}
        />
      )}
      {here && <Path d={`M2 ${middle - 9} L10 ${middle} L2 ${middle + 9} Z`} fill={palette.ink} />}
    </Svg>
  );
}

export const PATH_STRIP_HEIGHT = 14;

/** The whole path as a thin strip across a sheet's head. */
export const PathStrip = memo(
  function PathStrip({ states, here }: { states: readonly StationState[]; here: number }) {
    const palette = usePalette();
    const step = 100 / states.length;
    return (
      <Svg width="100%" height={PATH_STRIP_HEIGHT} viewBox="0 0 100 14" preserveAspectRatio="none" aria-hidden>
        {states.map((state, i) => {
          const [from, to] = [i * step + 0.6, (i + 1) * step - 0.6];
          const middle = (from + to) / 2;
          const line = { stroke: palette.copper, strokeWidth: 4, vectorEffect: 'non-scaling-stroke' as const };
          return (
            <G key={i}>
              {i === here && <Rect x={from} y={12} width={to - from} height={2} fill={palette.ink} />}
              {state === 'violated' ? (
                <>
                  <Line x1={from} y1={4} x2={middle - 0.8} y2={4} {...line} />
                  <Line x1={middle + 0.8} y1={8} x2={to} y2={8} {...line} />
                </>
              ) : (
                <Line
                  x1={from}
                  y1={6}
                  x2={to}
                  y2={6}
                  {...line}
                  strokeWidth={state === 'absent' ? 1 : 4}
                  strokeDasharray={state === 'open' ? '4 3' : undefined}
                />
              )}
            </G>
          );
        })}
      </Svg>
    );
  },
  (a, b) => a.here === b.here && a.states.join() === b.states.join(),
);
