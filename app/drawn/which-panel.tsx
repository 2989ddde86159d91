import type { ReactNode } from 'react';
import { View } from 'react-native';
import Svg, { Path, Text as SvgText } from 'react-native-svg';
import { traitOf, type Case } from '@careful-latch/core/case';
import { TEXT_FONT, usePalette } from '../theme/theme';

/** Where there are two panels: the house's, which is asked about, and the one that the source feeds. */
export function WhichPanel({ site }: { site: Case }): ReactNode {
  const palette = usePalette();
  if (!traitOf(site.transfer?.kind, 'ownPanel')) return null;
  const word = (x: number, y: number, text: string, heavy = false) => (
    <SvgText
      x={x}
      y={y}
      fontFamily={TEXT_FONT}
      fontSize={14}
      fontWeight={heavy ? '700' : '400'}
      fill={heavy ? palette.ink : palette.quiet}
      textAnchor="middle"
    >
      {text}
    </SvgText>
  );
  return (
    <View
      role="img"
      aria-label="Here it is the house’s panel. It feeds the transfer panel, which the source feeds too."
    >
      <Svg width="100%" height={56} viewBox="0 0 358 56" preserveAspectRatio="xMinYMin meet" aria-hidden>
        <Path d="M2 2H136V54H2Z" fill="none" stroke={palette.ink} strokeWidth={3} />
        <Path d="M136 28H176M176 8H286V48H176Z" fill="none" stroke={palette.quiet} strokeWidth={2} />
        <Path d="M286 28H304" stroke={palette.copper} strokeWidth={4} />
        {word(69, 24, 'house’s panel', true)}
        {word(69, 42, 'asked here')}
        {word(231, 33, 'transfer panel')}
        {word(331, 33, 'source')}
      </Svg>
    </View>
  );
}
