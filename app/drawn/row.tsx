import { memo } from 'react';
import Svg, { G, Path, Text as SvgText } from 'react-native-svg';
import type { Case } from '@careful-latch/core/case';
import { ratingRow, weakest, weakestOfUnlike } from '@careful-latch/core/electrical';
import { READING_FONT, TEXT_FONT, usePalette } from '../theme/theme';
import { WIDTH } from './spot';

/** Names that would not fit over their piece. */
const SHORT: Readonly<Record<string, string>> = { 'source outlet': 'outlet', 'backfed breaker': 'breaker' };
const MIDDLE = 34;
/** Half the thickness of the conductor at the largest rating of the row, and at none. */
const THICK = 15;
const THIN = 3;

/** The row from the source to the breaker as one conductor, as thick as each part may bear; the weakest is a neck, and named. */
export const Row = memo(function Row({ site, here }: { site: Case; here: string }) {
  const palette = usePalette();
  const links = ratingRow(site);
  const ahead = links.filter((one) => one.station !== 'breaker');
  const [weak, named] = [weakest(ahead), weakestOfUnlike(ahead)];
  const most = Math.max(1, ...links.map((one) => one.ratingA ?? 0));
  const step = WIDTH / links.length;
  const half = (amps: number | undefined) => (amps === undefined ? THIN : THIN + (amps / most) * (THICK - THIN));
  const words = links
    .map((one) => `${one.part} ${one.ratingA === undefined ? 'not known' : `${one.ratingA} A`}`)
    .join(', ');
  return (
    <Svg
      role="img"
      aria-label={`The row: ${words}.${named ? ` Weakest: ${named.part}, ${named.ratingA} A.` : ''}`}
      width="100%"
      height={84}
      viewBox={`0 0 ${WIDTH} 84`}
    >
      {links.map((link, i) => {
        const x = i * step;
        const tall = half(link.ratingA);
        const isWeak = weak !== undefined && link.ratingA === weak.ratingA && link.station !== 'breaker';
        const tooLarge = link.station === 'breaker' && weak !== undefined && (link.ratingA ?? 0) > weak.ratingA;
        const color = tooLarge ? palette.violation : palette.copper;
        return (
          <G key={link.part}>
            {link.ratingA === undefined ? (
              <Path d={`M${x} ${MIDDLE}H${x + step}`} stroke={palette.copper} strokeWidth={2} strokeDasharray="5 5" />
            ) : (
              <Path
                d={`M${x} ${MIDDLE - tall}L${x + 6} ${MIDDLE - tall}H${x + step}V${MIDDLE + tall}H${x}Z`}
                fill={color}
                fillOpacity={(named !== undefined && isWeak) || tooLarge ? 1 : 0.45}
              />
            )}
            <SvgText
              x={x + step / 2}
              y={13}
              textAnchor="middle"
              fontFamily={TEXT_FONT}
              fontSize={14}
              fontWeight={link.station === here ? '700' : '400'}
              fill={palette.ink}
            >
              {SHORT[link.part] ?? link.part}
            </SvgText>
            <SvgText
              x={x + step / 2}
              y={66}
              textAnchor="middle"
              fontFamily={READING_FONT}
              fontWeight="500"
              fontSize={14}
              fill={tooLarge ? palette.violation : palette.ink}
            >
              {link.ratingA === undefined ? '?' : `${Math.round(link.ratingA * 10) / 10} A`}
            </SvgText>
            {(link.part === named?.part || tooLarge) && (
              <SvgText
                x={x + step / 2}
                y={81}
                textAnchor="middle"
                fontFamily={TEXT_FONT}
                fontSize={14}
                fill={tooLarge ? palette.violation : palette.copperText}
              >
                {tooLarge ? 'too large' : 'weakest'}
              </SvgText>
            )}
          </G>
        );
      })}
    </Svg>
  );
});
