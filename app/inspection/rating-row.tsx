import { memo } from 'react';
import { View } from 'react-native';
import Svg, { Line, Path, Text as SvgText } from 'react-native-svg';
import type { Case } from '@careful-latch/core/case';
import { ratingRow, weakest, weakestOfUnlike } from '@careful-latch/core/electrical';
import { READING_FONT, TEXT_FONT, usePalette } from '../theme/theme';
import { Heading, Quiet, Words } from '../theme/words';

const ROW = 46;
const BAR = 14;

/** The numbers of five places in one row: bars in the order of the current, the weakest marked, its limit drawn through all, past their names. */
export const RatingRow = memo(function RatingRow({ site }: { site: Case }) {
  const palette = usePalette();
  const links = ratingRow(site);
  const ahead = links.filter((link) => link.station !== 'breaker');
  const weak = weakest(ahead);
  const named = weakestOfUnlike(ahead);
  const breaker = links.find((link) => link.station === 'breaker');
  const most = Math.max(30, ...links.map((link) => link.ratingA ?? 0));
  const width = 340;
  const scale = (amps: number) => (amps / most) * (width - 70);
  const over = weak && breaker?.ratingA !== undefined && breaker.ratingA > weak.ratingA;
  const summary = weak
    ? `${named ? `Weakest: ${named.part}, ${named.ratingA} A.` : `All bear ${weak.ratingA} A.`}${breaker?.ratingA === undefined ? '' : ` Backfed breaker: ${breaker.ratingA} A${over ? ', too large.' : '.'}`}`
    : 'No rating is recorded yet.';
  return (
    <View role="img" aria-label={`Rating row. ${summary}`} style={{ gap: 4 }}>
      <Heading>Weakest link</Heading>
      <Svg
        width="100%"
        height={links.length * ROW + 4}
        viewBox={`0 0 ${width} ${links.length * ROW + 4}`}
        preserveAspectRatio="xMinYMin meet"
      >
        {links.map((link, i) => {
          const y = i * ROW;
          const isWeak = weak && link.ratingA === weak.ratingA && link.station !== 'breaker';
          const tooLarge = link.station === 'breaker' && over;
          const color = tooLarge ? palette.violation : isWeak ? palette.copper : palette.quiet;
          return [
            <SvgText
              key={`n${i}`}
              x={0}
              y={y + 17}
              fontFamily={TEXT_FONT}
              fontSize={16}
              fontWeight={isWeak || tooLarge ? '700' : '400'}
              fill={tooLarge ? palette.violation : palette.ink}
            >
              {`${link.part}${named?.part === link.part ? ', weakest' : tooLarge ? ', too large' : ''}`}
            </SvgText>,
            link.ratingA === undefined ? (
              <Line
                key={`b${i}`}
                x1={0}
                y1={y + 29}
                x2={scale(most)}
                y2={y + 29}
                stroke={palette.unproven}
                strokeWidth={2}
                strokeDasharray="7 7"
              />
            ) : (
              <Path
                key={`b${i}`}
                d={`M0 ${y + 22} H${Math.max(4, scale(link.ratingA) - 5)} l5 5 V${y + 22 + BAR} H0 Z`}
                fill={color}
              />
            ),
            <SvgText
              key={`a${i}`}
              x={width}
              y={y + 34}
              textAnchor="end"
              fontFamily={READING_FONT}
              fontSize={18}
              fontWeight="500"
              fill={link.ratingA === undefined ? palette.unproven : palette.ink}
            >
              {link.ratingA === undefined ? '? A' : `${link.ratingA} A`}
            </SvgText>,
          ];
        })}
        {weak && (
          <Path
            d={links.map((_, i) => `M${scale(weak.ratingA)} ${i * ROW + 20} v${BAR + 6}`).join('')}
            stroke={palette.copper}
            strokeWidth={2}
          />
        )}
      </Svg>
      {weak ? <Words style={{ fontSize: 17 }}>{summary}</Words> : <Quiet>{summary}</Quiet>}
    </View>
  );
});
