import { memo } from 'react';
import { View } from 'react-native';
import { STATIONS, STATION_NAMES, stationOf, valueText, type Station } from '@careful-latch/core/case';
import type { Severity } from '@careful-latch/core/rules';
import type { Outcome } from '@careful-latch/core/verdict';
import { violationsAt } from '@careful-latch/core/walk';
import { PathPiece } from '../drawn/path-line';
import { SignWithWord } from '../drawn/signs';
import { LinkArea } from '../theme/link-area';
import { useWide } from '../theme/screen';
import { usePalette } from '../theme/theme';
import { Words } from '../theme/words';
import { useStation } from './use-inspection';
import type { Walk } from './walk';

const ROW = 66;

/** What a station is, in a few readings, for whoever looks down the path. */
export function summary({ inspection: { case: c, rules }, evaluation, states }: Walk, station: Station): string {
  const state = states[STATIONS.indexOf(station)];
  if (state === 'absent') return 'doesn’t apply';
  const violations = violationsAt(c, evaluation, station, rules?.profile);
  const open = new Set(evaluation.outcomes.flatMap((one) => one.needs).filter((path) => stationOf(path) === station))
    .size;
  const readings: Readonly<Record<Station, (string | false)[]>> = {
    source: [text('source.runningW'), text('source.outlet'), text('source.outletBreakerA')],
    siting: [text('siting.place'), text('siting.openingFt')],
    cord: [text('cord[0].sizeAwg'), text('cord[0].lengthFt'), (c.cord?.length ?? 0) > 1 && `${c.cord!.length} cords`],
    inlet: [text('inlet.configuration'), text('inlet.ratingA')],
    feeder: [
      text('feeder.stretches[0].sizeAwg'),
      text('feeder.stretches[0].method'),
      (c.feeder?.stretches?.length ?? 0) > 1 && `${c.feeder!.stretches!.length} runs`,
    ],
    breaker: [text('breaker.ratingA')],
    transfer: [text('transfer.kind')],
    neutral: [text('source.neutralBond'), text('neutral.switched')],
    grounding: [text('grounding.frameToPanelOhm'), text('grounding.rod')],
    panel: [text('panel.kind'), text('panel.busA')],
    labels: [],
    function: [text('function.legsV'), text('function.hertz')],
    loads: [(c.loads?.circuits?.length ?? 0) > 0 && `${c.loads!.circuits!.length} circuits`],
  };
  function text(path: string): string | false {
    const value = path
      .split(/[.[\]]+/)
      .filter(Boolean)
      .reduce<unknown>((here, key) => (here as Record<string, unknown> | undefined)?.[key], c);
    return value !== undefined && value !== 'not-seen' && valueText(path, value);
  }
  const parts = readings[station].filter((one): one is string => one !== false);
  if (violations.length > 0)
    return `${violations.length} ${violations.length === 1 ? 'violation' : 'violations'}${open > 0 ? `, ${open} open` : ''}`;
  if (open > 0) return [...parts.slice(0, 2), `${open} to find out`].join(' · ');
  return parts.join(' · ') || (state === 'open' ? 'waits for another station' : 'all proved');
}

const worst = (violations: readonly Outcome[]): Severity =>
  (['hazard', 'correction'] as const).find((severity) => violations.some((one) => one.severity === severity)) ??
  'advisory';

/** The current's path down the screen, a station a row; the line is the progress bar. Without a walk only the stations' names stand there. */
export const PathOverview = memo(function PathOverview({ walk }: { walk?: Walk | undefined }) {
  const palette = usePalette();
  const here = useStation();
  const wide = useWide();
  return (
    <View role="list" aria-label="The current’s path">
      {STATIONS.map((station, i) => {
        const state = walk?.states[i] ?? 'absent';
        const color = {
          proved: palette.holds,
          open: palette.unproven,
          violated: palette.violation,
          absent: palette.quiet,
        }[state];
        const sign = ({ proved: 'holds', open: 'unproven', violated: 'violation', absent: 'not-applicable' } as const)[
          state
        ];
        const violations = walk
          ? violationsAt(walk.inspection.case, walk.evaluation, station, walk.inspection.rules?.profile)
          : [];
        return (
          <View role="listitem" key={station}>
            <LinkArea
              to={walk && `/inspection/${walk.inspection.id}/${station}`}
              style={({ pressed, hovered }: { pressed: boolean; hovered?: boolean }) => ({
                flexDirection: 'row',
                alignItems: 'center',
                height: ROW,
                backgroundColor: pressed || hovered || station === here ? palette.sheet : undefined,
              })}
            >
              <PathPiece
                state={state}
                height={ROW}
                first={i === 0}
                last={i === STATIONS.length - 1}
                here={station === here}
              />
              <View
                style={{
                  flex: 1,
                  justifyContent: 'center',
                  height: ROW,
                  borderBottomWidth: i === STATIONS.length - 1 ? 0 : 1,
                  borderColor: palette.hairline,
                  paddingRight: 12,
                }}
              >
                <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: 8 }}>
                  <Words
                    numberOfLines={1}
                    style={{ flexShrink: 1, fontSize: wide ? 18 : 20, lineHeight: 26, fontWeight: '700' }}
                  >
                    {STATION_NAMES[station]}
                  </Words>
                  {walk && <SignWithWord kind={sign} severity={worst(violations)} />}
                </View>
                <Words numberOfLines={1} color={color} style={{ fontSize: 16, lineHeight: 22 }}>
                  {walk ? summary(walk, station) : '…'}
                </Words>
              </View>
            </LinkArea>
          </View>
        );
      })}
    </View>
  );
});
