import { View } from 'react-native';
import Svg, { Circle, Path, Text as SvgText } from 'react-native-svg';
import { catalogueKey, metaOf, type Case } from '@careful-latch/core/case';
import { RULES } from '@careful-latch/core/rules';
import { factsOf, type PartHere } from '@careful-latch/core/walk';
import { TEXT_FONT, usePalette } from '../theme/theme';
import { Quiet, Words } from '../theme/words';
import { HELP } from './drawings';

/** For the apprentice: where to look at a part, what is asked there in whole sentences, and what it is asked for. */
export function Help({ site, here }: { site: Case; here: PartHere }) {
  const palette = usePalette();
  const drawing = HELP[here.part.id];
  const keys = [...new Set(factsOf(site, here).map(catalogueKey))];
  const rules = RULES.filter((rule) => rule.station === here.station && rule.facts.some((fact) => keys.includes(fact)));
  return (
    <View testID="help" style={{ gap: 8 }}>
      {drawing && (
        <Svg width="100%" height={150} viewBox="0 0 240 116" aria-hidden>
          <Path d={drawing.ink} fill="none" stroke={palette.ink} strokeWidth={1.6} />
          {drawing.copper !== undefined && (
            <Path d={drawing.copper} fill="none" stroke={palette.copper} strokeWidth={3.5} />
          )}
          {drawing.act !== undefined && <Path d={drawing.act} fill="none" stroke={palette.quiet} strokeWidth={2} />}
          {drawing.ring && (
            <Circle
              cx={drawing.ring[0]}
              cy={drawing.ring[1]}
              r={drawing.ring[2]}
              fill="none"
              stroke={palette.copper}
              strokeWidth={1.5}
              strokeDasharray="5 4"
            />
          )}
          {drawing.words?.map(([x, y, text]) => (
            <SvgText key={text} x={x} y={y} fontFamily={TEXT_FONT} fontSize={11} fill={palette.ink}>
              {text}
            </SvgText>
          ))}
        </Svg>
      )}
      {keys.map((key) => (
        <Words key={key} style={{ fontSize: 16, lineHeight: 21 }}>
          <Words style={{ fontSize: 16, lineHeight: 21, fontWeight: '700' }}>{`${metaOf(key).label}: `}</Words>
          {`${metaOf(key).ask}.`}
        </Words>
      ))}
      {rules.length > 0 && (
        <Quiet>{`What hangs on it: ${rules.map((rule) => rule.holds.replace(/\.$/, '')).join('; ')}.`}</Quiet>
      )}
    </View>
  );
}
