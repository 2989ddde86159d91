import { memo, useMemo } from 'react';
import { View } from 'react-native';
import Svg, { G, Path, Rect, Text as SvgText } from 'react-native-svg';
import type { Case } from '@careful-latch/core/case';
import { Look, currentsOf, rounded, type Currents as Answers } from '@careful-latch/core/electrical';
import { READING_FONT, TEXT_FONT, usePalette } from '../theme/theme';
import { Quiet, Words } from '../theme/words';

/** A load on leg A alone, W: what a kettle or a heater draws. */
const LOAD_W = 1440;
/** Turns of a usual line transformer: 7,200 V on the line for 240 V at the house. */
const TURNS = 30;

function useAnswers(site: Case): Answers | undefined {
  return useMemo(() => new Look(site).attempt((look) => currentsOf(look, LOAD_W)).value, [site]);
}
const amps = (value: number) => `${rounded(Math.round(value * 10) / 10)} A`;

/** What flows in neutral and ground by the circuit model, as thick as it is strong; and what a fault does. */
export const Currents = memo(function Currents({ site }: { site: Case }) {
  const palette = usePalette();
  const found = useAnswers(site);
  if (!found) return <Quiet>Currents are drawn once source, cord and feeder are known.</Quiet>;
  const { legA, neutralA, groundA, faultA, breakerOpens, frameFaultV } = found;
  const thick = (ampere: number) => Math.max(1.5, Math.min(16, ampere));
  const wrong = groundA > 0.1;
  const line = (y: number, name: string, ampere: number, color: string) => (
    <G key={name}>
      <Path
        d={`M96 ${y}H250`}
        stroke={color}
        strokeWidth={thick(ampere)}
        strokeDasharray={ampere < 0.05 ? '3 4' : undefined}
      />
      <SvgText x={0} y={y + 5} fontFamily={TEXT_FONT} fontSize={14} fill={palette.ink}>
        {name}
      </SvgText>
      <SvgText
        x={262}
        y={y + 5}
        fontFamily={READING_FONT}
        fontWeight="500"
        fontSize={15}
        fill={color === palette.violation ? color : palette.ink}
      >
        {amps(ampere)}
      </SvgText>
    </G>
  );
  const words = `A load of ${LOAD_W} W on leg A: out ${amps(legA)}, back ${amps(neutralA)} on the neutral, ${amps(groundA)} on the ground.`;
  return (
    <View role="img" aria-label={words} style={{ gap: 4 }}>
      <Svg width="100%" height={76} viewBox="0 0 358 76" preserveAspectRatio="xMinYMin meet" aria-hidden>
        {line(12, 'leg A, out', legA, palette.copper)}
        {line(38, 'neutral, back', neutralA, palette.copper)}
        {line(64, 'ground, back', groundA, wrong ? palette.violation : palette.quiet)}
      </Svg>
      <Quiet>{`By the circuit model, ${LOAD_W} W on leg A alone.`}</Quiet>
      <Words style={{ fontSize: 16, lineHeight: 22 }} {...(!breakerOpens && { color: palette.violation })}>
        {`A dead fault to ground: ${amps(faultA)}; ${breakerOpens ? 'the source’s breaker opens' : 'nothing opens'}. Whoever stands at the frame meanwhile: ${Math.round(frameFaultV)}\u00a0V.`}
      </Words>
    </View>
  );
});

/** A house that feeds the line: as far as the pole, and what stands there. */
export const Pole = memo(function Pole({ site }: { site: Case }) {
  const palette = usePalette();
  const found = useAnswers(site);
  if (site.transfer?.kind !== 'none-backfed') return null;
  const volts = found && Math.round(found.serviceV);
  const line = volts === undefined ? undefined : volts * TURNS;
  const words =
    line === undefined
      ? 'With the main closed this house feeds the line.'
      : `With the main closed this house puts ${volts} V on its service, and the transformer makes about ${line.toLocaleString('en-US')} V of them on the line.`;
  return (
    <View role="img" aria-label={words} style={{ gap: 4 }}>
      <Svg width="100%" height={130} viewBox="0 0 358 130" aria-hidden>
        <Path d="M10 70L50 44L90 70V120H10Z" fill="none" stroke={palette.ink} strokeWidth={2} />
        <Path d="M300 10V124" stroke={palette.ink} strokeWidth={6} />
        <Rect x={276} y={44} width={26} height={36} fill={palette.sheet} stroke={palette.ink} strokeWidth={2} />
        <Path d="M262 16H338" stroke={palette.ink} strokeWidth={4} />
        <Path d="M50 44C140 84 220 70 276 62" fill="none" stroke={palette.violation} strokeWidth={4} />
        <Path d="M288 44V16M268 14H358" fill="none" stroke={palette.violation} strokeWidth={4} />
        <SvgText x={120} y={98} fontFamily={READING_FONT} fontWeight="500" fontSize={15} fill={palette.violation}>
          {volts === undefined ? '? V' : `${volts} V`}
        </SvgText>
        <SvgText
          x={354}
          y={40}
          textAnchor="end"
          fontFamily={READING_FONT}
          fontWeight="500"
          fontSize={14}
          fill={palette.violation}
        >
          {line === undefined ? '' : `${line.toLocaleString('en-US')} V`}
        </SvgText>
      </Svg>
      <Words color={palette.violation} style={{ fontSize: 17, lineHeight: 23, fontWeight: '700' }}>
        {words}
      </Words>
      <Quiet>Assumed: a transformer of {TURNS} to 1. Whoever works on that line cannot know of it.</Quiet>
    </View>
  );
});
