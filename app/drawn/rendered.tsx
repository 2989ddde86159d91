import { memo } from 'react';
import { Path, Text as SvgText } from 'react-native-svg';
import { READING_FONT, TEXT_FONT, usePalette } from '../theme/theme';
import { inksOf } from './inks';
import { DEPTH, type DisplayList } from './list';

/** A display list in a drawing: one path a style, then what is written, depth by depth. */
export const Rendered = memo(function Rendered({ list: { areas, letterings } }: { list: DisplayList }) {
  const inks = inksOf(usePalette());
  const lettered = letterings.map(({ depth, x, y, words, size, ink, anchor, face, bold }, i) => ({
    depth: DEPTH[depth],
    drawn: (
      <SvgText
        key={`w${i}`}
        x={x}
        y={y}
        fontFamily={face === 'mono' ? READING_FONT : TEXT_FONT}
        fontWeight={bold ? '700' : face === 'mono' ? '500' : '400'}
        fontSize={size}
        fill={inks[ink]}
        textAnchor={anchor}
      >
        {words}
      </SvgText>
    ),
  }));
  const drawn = areas.map(({ depth, d, fill, stroke, width, dash }, i) => ({
    depth: DEPTH[depth],
    drawn: (
      <Path
        key={`a${i}`}
        d={d}
        fill={fill ? inks[fill] : 'none'}
        {...(stroke && { stroke: inks[stroke], strokeWidth: width ?? 1 })}
        {...(dash !== undefined && { strokeDasharray: dash })}
      />
    ),
  }));
  return <>{[...drawn, ...lettered].toSorted((a, b) => a.depth - b.depth).map((one) => one.drawn)}</>;
});
