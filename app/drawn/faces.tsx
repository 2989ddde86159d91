import Svg, { Circle, Path, Rect } from 'react-native-svg';
import type { ConfigurationName, WireSize } from '@careful-latch/core/codebook';
import { radiusOf, slotsOf } from './slots';

/** The drawn face of a receptacle. */
export function Face({ name, color, size = 44 }: { name: ConfigurationName; color: string; size?: number }) {
  const { d, hole } = slotsOf(name, 20, 20, 17.5, 1);
  return (
    <Svg width={size} height={size} viewBox="0 0 40 40" aria-hidden>
      <Circle cx={20} cy={20} r={17.5} fill="none" stroke={color} strokeWidth={1.5} />
      <Path d={d} fill="none" stroke={color} strokeWidth={3} />
      {hole !== '' && <Path d={hole} fill={color} />}
    </Svg>
  );
}

/** Blades that stand out, or sockets that take them. */
export function Pins({ out, color, size = 44 }: { out: boolean; color: string; size?: number }) {
  return (
    <Svg width={size} height={size} viewBox="0 0 40 40" aria-hidden>
      <Path d="M3 8 H18 V32 H3 Z" fill="none" stroke={color} strokeWidth={2} />
      {[13, 20, 27].map((y) =>
        out ? (
          <Rect key={y} x={18} y={y - 1.5} width={17} height={3} fill={color} />
        ) : (
          <Rect key={y} x={8} y={y - 1.5} width={10} height={3} fill={color} />
        ),
      )}
    </Svg>
  );
}

/** Cross-sections side by side, drawn in proportion. */
export function WireEnd({ awg, color, size = 30 }: { awg: WireSize; color: string; size?: number }) {
  const radius = radiusOf(awg, 14);
  return (
    <Svg width={size} height={size} viewBox="0 0 30 30" aria-hidden>
      <Circle cx={15} cy={15} r={Math.min(14, radius + 1.6)} fill="none" stroke={color} strokeWidth={1} />
      <Circle cx={15} cy={15} r={radius - 0.4} fill={color} />
    </Svg>
  );
}
