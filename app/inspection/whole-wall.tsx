import { useRouter } from 'expo-router';
import { G, Path, Text as SvgText } from 'react-native-svg';
import { STATIONS, STATION_NAMES, type Station } from '@careful-latch/core/case';
import { violationsAt, type StationState } from '@careful-latch/core/walk';
import type { Place } from '../drawn/list';
import { Sheet } from '../drawn/spot';
import { TEXT_FONT, usePalette } from '../theme/theme';
import type { Palette } from '../theme/palette';
import { summary } from './path-overview';
import type { Walk } from './walk';

const WIDTH = 720;
const HEIGHT = 590;

/** Where each station hangs: outside to the left of the wall, inside to the right, what is in the panel within it. */
const PLACES: Readonly<Record<Station, Place>> = {
  source: [14, 372, 200, 62],
  siting: [14, 474, 216, 62],
  cord: [14, 262, 150, 62],
  inlet: [176, 136, 140, 62],
  feeder: [346, 136, 136, 62],
  function: [300, 54, 176, 56],
  transfer: [518, 60, 176, 62],
  breaker: [518, 136, 176, 62],
  panel: [518, 206, 176, 64],
  neutral: [518, 282, 176, 62],
  labels: [518, 358, 176, 56],
  grounding: [518, 498, 176, 56],
  loads: [300, 216, 176, 62],
};

/** The piece of the current's line that leads to a station: its last stretch is straight, and there it breaks. */
const LINES: Partial<Readonly<Record<Station, readonly [x: number, y: number, dx: number, dy: number]>>> = {
  cord: [89, 372, 0, -48],
  inlet: [89, 167, 87, 0],
  feeder: [316, 167, 30, 0],
  breaker: [482, 167, 36, 0],
  transfer: [606, 136, 0, -14],
  panel: [606, 198, 0, 8],
  neutral: [606, 270, 0, 12],
  loads: [518, 247, -42, 0],
  grounding: [606, 430, 0, 68],
};

/** Solid where proved, dashed where open, thin where it doesn't apply, broken with the ends aside where violated. */
function Piece({
  palette,
  state,
  at,
}: {
  palette: Palette;
  state: StationState;
  at: readonly [number, number, number, number];
}) {
  const [x, y, dx, dy] = at;
  const line = { stroke: palette.copper, strokeWidth: state === 'absent' ? 1.5 : 6, fill: 'none' };
  if (state !== 'violated')
    return <Path d={`M${x} ${y}l${dx} ${dy}`} {...line} strokeDasharray={state === 'open' ? '8 5' : undefined} />;
  const length = Math.hypot(dx, dy);
  const [ux, uy] = [dx / length, dy / length];
  const gap = Math.min(6, length / 3);
  const half = length / 2 - gap;
  const aside = (sign: number) => `${-uy * 7 * sign + ux * gap * 0.6} ${ux * 7 * sign + uy * gap * 0.6}`;
  const back = (sign: number) => `${-uy * 7 * sign - ux * gap * 0.6} ${ux * 7 * sign - uy * gap * 0.6}`;
  return (
    <Path
      d={`M${x} ${y}l${ux * half} ${uy * half}l${aside(1)}M${x + dx} ${y + dy}l${-ux * half} ${-uy * half}l${back(-1)}`}
      {...line}
    />
  );
}

const STATE = { proved: 'known', violated: 'violated', open: 'open', absent: 'untouched' } as const;

/** The house as it hangs together, from the source outside to the loads inside, each station a part that is touched. */
export function WholeWall({ walk }: { walk: Walk }) {
  const palette = usePalette();
  const router = useRouter();
  const stateOf = (station: Station) => walk.states[STATIONS.indexOf(station)]!;
  const { inspection, evaluation } = walk;
  const isHazardous = (station: Station) =>
    violationsAt(inspection.case, evaluation, station, inspection.rules?.profile).some(
      ({ severity }) => severity === 'hazard',
    );
  const parts = STATIONS.map((station) => ({
    id: station,
    name: STATION_NAMES[station],
    state: isHazardous(station) ? ('hazard' as const) : STATE[stateOf(station)],
    value: summary(walk, station),
    inHand: false,
  }));
  const quiet = { stroke: palette.quiet, fill: 'none' };
  const words = (x: number, y: number, text: string) => (
    <SvgText x={x} y={y} fontFamily={TEXT_FONT} fontSize={14} fill={palette.quiet}>
      {text}
    </SvgText>
  );
  return (
    <Sheet
      width={WIDTH}
      height={HEIGHT}
      parts={parts}
      places={PLACES}
      onTouch={(station) => router.navigate(`/inspection/${walk.inspection.id}/${station}` as never)}
    >
      <G>
        <Path d="M222 44L470 6L718 44" {...quiet} strokeWidth={2} />
        <Path d="M242 42V460H718M250 42V452H718" {...quiet} strokeWidth={1.5} />
        <Path
          d="M0 544H250M0 544L8 552M40 544L48 552M80 544L88 552M120 544L128 552M160 544L168 552M200 544L208 552"
          {...quiet}
          strokeWidth={2}
        />
        {words(14, 572, 'outside')}
        {words(262, 442, 'inside')}
        <Path d="M504 46H700L708 54V430H504Z" {...quiet} strokeWidth={3} />
        <Path d="M476 82H518" {...quiet} strokeWidth={1.5} strokeDasharray="4 4" />
        <Path d="M214 456H242M220 451L214 456L220 461M236 451L242 456L236 461" {...quiet} strokeWidth={1.5} />
        <Path d="M592 566H620M597 572H615M602 578H610M606 554V566" {...quiet} strokeWidth={2} />
        {/* the cord goes up the wall before it turns to the inlet */}
        <Path
          d="M89 262V164"
          stroke={palette.copper}
          strokeWidth={stateOf('inlet') === 'absent' ? 1.5 : 6}
          fill="none"
          strokeDasharray={stateOf('inlet') === 'open' ? '8 5' : undefined}
        />
        {STATIONS.map((station) => {
          const at = LINES[station];
          return at && <Piece key={station} palette={palette} state={stateOf(station)} at={at} />;
        })}
      </G>
    </Sheet>
  );
}
