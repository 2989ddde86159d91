import { memo } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import type { Case } from '@careful-latch/core/case';
import { TEXT_FONT, usePalette } from '../theme/theme';
import { Heading, Quiet } from '../theme/words';

/** Source and service with their neutral and ground, and the bonds that are there. */
export const NeutralDrawing = memo(function NeutralDrawing({ site }: { site: Case }) {
  const palette = usePalette();
  const bond = site.source?.neutralBond;
  const switched = site.neutral?.switched;
  const words =
    bond === undefined || bond === 'not-seen' || switched === undefined || switched === 'not-seen'
      ? 'Dashed: not proved yet.'
      : bond === 'bonded' && switched === 'no'
        ? 'Two bonds: the neutral current divides between neutral and ground.'
        : bond === 'floating' && switched === 'yes'
          ? 'No bond on the source’s side once the switch opens: a ground fault has no way back.'
          : bond === 'bonded'
            ? 'One bond, at the source; the switch opens the other.'
            : 'One bond, at the service.';
  const wrong = (bond === 'bonded' && switched === 'no') || (bond === 'floating' && switched === 'yes');
  const color = wrong ? palette.violation : palette.ink;
  const label = (x: number, y: number, text: string, anchor: 'start' | 'middle' | 'end' = 'middle') => (
    <SvgText x={x} y={y} fontFamily={TEXT_FONT} fontSize={14} fill={palette.ink} textAnchor={anchor}>
      {text}
    </SvgText>
  );
  return (
    <View role="img" aria-label={`Neutral drawing. ${words}`} style={{ marginTop: 18, gap: 6 }}>
      <Heading>Where neutral meets ground</Heading>
      <Svg width="100%" height={190} viewBox="0 0 340 190" preserveAspectRatio="xMinYMin meet">
        <Rect x={4} y={28} width={84} height={140} fill="none" stroke={palette.quiet} strokeWidth={1.5} />
        <Rect x={252} y={28} width={84} height={140} fill="none" stroke={palette.quiet} strokeWidth={1.5} />
        {label(46, 20, 'source')}
        {label(294, 20, 'service')}
        {label(170, 50, 'neutral')}
        {label(170, 158, 'equipment ground')}
        <G stroke={palette.copper} strokeWidth={5}>
          <Line x1={46} y1={64} x2={150} y2={64} />
          <Line x1={190} y1={64} x2={294} y2={64} />
          {switched === 'no' && <Line x1={148} y1={64} x2={192} y2={64} />}
          {switched === 'yes' && <Line x1={150} y1={64} x2={186} y2={46} stroke={color} />}
          {(switched === undefined || switched === 'not-seen') && (
            <Line x1={152} y1={64} x2={190} y2={64} strokeDasharray="5 5" />
          )}
        </G>
        <Line x1={46} y1={136} x2={294} y2={136} stroke={palette.quiet} strokeWidth={5} />
        <G strokeWidth={5}>
          {bond === 'bonded' && <Line x1={46} y1={64} x2={46} y2={136} stroke={color} />}
          {(bond === undefined || bond === 'not-seen') && (
            <Line x1={46} y1={64} x2={46} y2={136} stroke={palette.unproven} strokeDasharray="5 6" />
          )}
          {bond === 'floating' && <Path d="M46 64 V84 M46 116 V136" stroke={color} />}
          <Line x1={294} y1={64} x2={294} y2={136} stroke={wrong && bond === 'bonded' ? color : palette.copper} />
        </G>
        {[
          [46, 64],
          [46, 136],
          [294, 64],
          [294, 136],
        ].map(([x, y]) => (
          <Circle key={`${x} ${y}`} cx={x} cy={y} r={5} fill={palette.ink} />
        ))}
        <Path d="M294 168 V178 M282 178 H306 M286 183 H302 M290 188 H298" stroke={palette.ink} strokeWidth={2} />
      </Svg>
      <Quiet color={wrong ? palette.violation : undefined}>{words}</Quiet>
    </View>
  );
});
