import Svg, { Path, Rect } from 'react-native-svg';
import { usePalette } from '../theme/theme';

/** Our mark: a latch bar through two lugs, on the copper line. */
export function Mark({ size = 64 }: { size?: number }) {
  const palette = usePalette();
  return (
    <Svg width={size} height={size} viewBox="0 0 64 64" aria-hidden>
      <Path d="M0 0 H52 L64 12 V64 H0 Z" fill={palette.ink} />
      <Rect x={29} y={0} width={6} height={64} fill={palette.copper} />
      <Path d="M14 18 V46 H22 V18 Z M42 18 V46 H50 V18 Z" fill={palette.ink} stroke={palette.paper} strokeWidth={3} />
      <Rect x={6} y={27} width={52} height={10} fill={palette.paper} />
    </Svg>
  );
}
