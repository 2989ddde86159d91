import { Pressable } from 'react-native';
import { Circle, G, Path, Rect, Text as SvgText } from 'react-native-svg';
import { valueText, type Case } from '@careful-latch/core/case';
import { READING_FONT, TEXT_FONT, usePalette } from '../theme/theme';
import { OPENING, ZONES, besideSource, type SitingPlan, type ZoneName } from './siting-plan';
import type { Place } from './list';
import { placed } from './spot';

/** The house with its places and its nearest opening, the rings of office and maker, the source at its distance, the exhaust as it points; broken rules of the siting in their color. */
export function SitingDrawn({ plan, against }: { plan: SitingPlan; against: ReadonlySet<string> }) {
  const palette = usePalette();
  const [ox, oy] = OPENING;
  const { place, openingFt, rings, source } = plan;
  const color = (...rules: string[]) => (rules.some((one) => against.has(one)) ? palette.violation : palette.ink);
  const edge = color('siting/clear-of-openings', 'siting/outdoors');
  const outdoors = place === undefined || place === 'outdoors';
  return (
    <G>
      {rings.map(({ feet, radius, at }) => {
        const line =
          feet === openingFt
            ? { stroke: color('siting/clear-of-openings'), strokeWidth: 2.5 }
            : { stroke: palette.quiet, strokeWidth: 1 };
        return (
          <G key={feet}>
            <Path
              d={`M${ox - radius} ${oy}A${radius} ${radius} 0 0 0 ${ox + radius} ${oy}`}
              fill="none"
              strokeDasharray="3 4"
              {...line}
            />
            {at && (
              <>
                <Path d={`M${at[0] + 1} ${at[1] + 11}h41l7 7v21h-48z`} fill={palette.sheet} {...line} />
                <SvgText
                  x={at[0] + at[2] / 2}
                  y={at[1] + 31}
                  fontFamily={READING_FONT}
                  fontWeight="500"
                  fontSize={14}
                  fill={palette.ink}
                  textAnchor="middle"
                >
                  {`${feet} ft`}
                </SvgText>
              </>
            )}
          </G>
        );
      })}
      {ZONES.map(({ place: zone, name, at: [x, y, width, height] }) => {
        const here = zone === place;
        const indoor = zone === 'garage' || zone === 'indoors';
        return (
          <G key={zone}>
            <Path
              d={`M${x} ${y}H${x + width}V${y + height}H${x}Z`}
              fill={palette.sheet}
              stroke={here ? edge : indoor ? palette.ink : palette.quiet}
              strokeWidth={here ? 3 : indoor ? 2 : 1.5}
              strokeDasharray={indoor ? undefined : '7 4'}
            />
            <SvgText x={x + 8} y={y + 30} fontFamily={TEXT_FONT} fontSize={14} fill={palette.ink}>
              {name}
            </SvgText>
          </G>
        );
      })}
      <Path d={`M${ox - 14} ${oy}H${ox + 14}`} stroke={palette.copper} strokeWidth={5} />
      {outdoors && source.known && <Path d={`M${ox} ${oy}L${source.x} ${source.y}`} stroke={edge} strokeWidth={1.5} />}
      <Source plan={plan} edge={edge} arrow={color('siting/exhaust-away')} />
    </G>
  );
}

/** The source, its muffler's arrow turned as it is recorded. */
function Source({ plan: { source, exhaust }, edge, arrow }: { plan: SitingPlan; edge: string; arrow: string }) {
  const palette = usePalette();
  const { x, y, known } = source;
  return (
    <G>
      <Circle
        cx={x}
        cy={y}
        r={24}
        fill="none"
        stroke={exhaust === undefined ? palette.unproven : palette.hairline}
        strokeWidth={exhaust === undefined ? 2 : 1}
        strokeDasharray={exhaust === undefined ? '4 4' : undefined}
      />
      <Rect
        x={x - 12}
        y={y - 9}
        width={24}
        height={18}
        fill={palette.sheet}
        stroke={edge}
        strokeWidth={2.5}
        strokeDasharray={known ? undefined : '4 3'}
      />
      {exhaust !== undefined && (
        <Path
          transform={`rotate(${exhaust} ${x} ${y})`}
          d={`M${x} ${y}V${y + 26}M${x - 6} ${y + 19}L${x} ${y + 27}L${x + 6} ${y + 19}`}
          fill="none"
          stroke={arrow}
          strokeWidth={3}
        />
      )}
    </G>
  );
}

/** What is touched in the plan: each records what it shows. */
export function SitingTargets({
  site,
  plan,
  height,
  onPlace,
  onRing,
  onExhaust,
}: {
  site: Case;
  plan: SitingPlan;
  height: number;
  onPlace: (place: ZoneName) => void;
  onRing: (feet: number) => void;
  onExhaust: () => void;
}) {
  const target = (id: string, at: Place, label: string, pressed: boolean | undefined, onPress: () => void) => (
    <Pressable
      key={id}
      role="button"
      testID={`siting-${id}`}
      aria-label={label}
      aria-pressed={pressed}
      onPress={onPress}
      style={placed(at, height)}
    />
  );
  const { place, openingFt, rings, source } = plan;
  const points = site.siting?.exhaustAway;
  return (
    <>
      {ZONES.map((one) =>
        target(
          one.place,
          one.place === place && place !== 'outdoors' ? besideSource(one.at) : one.at,
          `Runs here: ${valueText('siting.place', one.place)}`,
          one.place === place,
          () => onPlace(one.place),
        ),
      )}
      {rings.map(
        ({ feet, stands, at }) =>
          at &&
          target(`ring-${feet}`, at, `${feet} ft to the nearest opening, ${stands}`, feet === openingFt, () =>
            onRing(feet),
          ),
      )}
      {target(
        'exhaust',
        source.at,
        plan.exhaust === undefined
          ? 'Exhaust: say where it points'
          : `Exhaust, ${valueText('siting.exhaustAway', points)}: turn it`,
        undefined,
        onExhaust,
      )}
    </>
  );
}
