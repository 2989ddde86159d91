import Svg, { Circle, G, Path, Rect } from 'react-native-svg';
import type { ConfigurationName, WireSize } from '@careful-latch/core/codebook';
import { AREA_CMIL } from '@careful-latch/core/codebook';

/** A curved slot on a circle around the face's middle, from one angle to another (degrees, 0 up, clockwise). */
function arc(radius: number, from: number, to: number): string {
  const at = (degrees: number) => {
    const turn = ((degrees - 90) * Math.PI) / 180;
    return `${(20 + radius * Math.cos(turn)).toFixed(2)} ${(20 + radius * Math.sin(turn)).toFixed(2)}`;
  };
  return `M${at(from)} A${radius} ${radius} 0 0 1 ${at(to)}`;
}

const locking = (count: 3 | 4, radius: number, span: number): string[] =>
  Array.from({ length: count }, (_, i) => {
    const middle = (360 / count) * i;
    const slot = arc(radius, middle - span / 2, middle + span / 2);
    return i === 0 ? `${slot} l-1.5 4` : slot; // the grounding slot is hooked
  });

/** Slots of each face as line strokes; a dot is a round grounding hole. */
const FACES: Readonly<Record<ConfigurationName, { slots: string[]; dot?: [number, number] }>> = {
  'L14-30': { slots: locking(4, 10.5, 44) },
  'pin-sleeve-100': { slots: ['M20 7.5 V10.5', 'M12 17 V20', 'M28 17 V20', 'M20 27 V30', arc(16, 0, 359.9)] },
  'L14-20': { slots: locking(4, 8, 44) },
  'SS2-50': { slots: locking(4, 12, 30).concat(arc(5, 0, 359.9)) },
  'L5-30': { slots: locking(3, 10.5, 56) },
  'L5-20': { slots: locking(3, 8, 56) },
  '14-50': { slots: ['M11 14 V24', 'M29 14 V24', 'M20 24 V32'], dot: [20, 11] },
  '14-30': { slots: ['M11 14 V24', 'M29 14 V24', 'M17 26 V31 H23'], dot: [20, 11] },
  'TT-30': { slots: ['M12 13 L16 21', 'M28 13 L24 21'], dot: [20, 29] },
  '5-20': { slots: ['M13 13 V20 M13 16.5 H9', 'M27 13 V20'], dot: [20, 28] },
  '5-15': { slots: ['M13 12 V21', 'M27 13 V20'], dot: [20, 28] },
};

/** The drawn face of a receptacle. */
export function Face({ name, color, size = 44 }: { name: ConfigurationName; color: string; size?: number }) {
  const { slots, dot } = FACES[name];
  return (
    <Svg width={size} height={size} viewBox="0 0 40 40" aria-hidden>
      <Circle cx={20} cy={20} r={17.5} fill="none" stroke={color} strokeWidth={1.5} />
      <G fill="none" stroke={color} strokeWidth={3}>
        {slots.map((slot) => (
          <Path key={slot} d={slot} />
        ))}
      </G>
      {dot && <Circle cx={dot[0]} cy={dot[1]} r={2.6} fill={color} />}
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
  const radius = Math.max(1.6, Math.sqrt((AREA_CMIL.rows[awg] ?? 4110) / 211_600) * 14);
  return (
    <Svg width={size} height={size} viewBox="0 0 30 30" aria-hidden>
      <Circle cx={15} cy={15} r={Math.min(14, radius + 1.6)} fill="none" stroke={color} strokeWidth={1} />
      <Circle cx={15} cy={15} r={radius - 0.4} fill={color} />
    </Svg>
  );
}
