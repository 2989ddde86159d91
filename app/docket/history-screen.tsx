import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Line, Rect } from 'react-native-svg';
import { streetOf } from '@careful-latch/core/record';
import { HISTORY_KINDS, historyOf, type Happened } from '@careful-latch/core/history';
import { BackHome } from '../inspection/back-home';
import type { Walk } from '../inspection/walk';
import { Plate } from '../plates/plate';
import { useInspections } from '../stores/inspections';
import { dayOf, dayText, timeText } from '../theme/dates';
import { Screen, useWide } from '../theme/screen';
import { usePalette } from '../theme/theme';
import { Heading, Quiet, Title, Words } from '../theme/words';

const LANE_PX = 28;
/** What weighs on the house stands as a square on the line, what somebody only noted as a ring. */
const SQUARE: readonly Happened['what'][] = ['decision', 'order', 'paper', 'appeal'];
const RING: readonly Happened['what'][] = ['opened', 'evidence', 'requested', 'installer', 'permit'];

function Mark({ what }: { what: Happened['what'] }) {
  const palette = usePalette();
  const [x, y] = [LANE_PX / 2, 14];
  const color = what === 'order' ? palette.violation : what === 'decision' ? palette.ink : palette.copper;
  return (
    <Svg width={LANE_PX} height="100%" aria-hidden style={{ position: 'absolute', left: 0, top: 0, bottom: 0 }}>
      <Line x1={x} y1="0" x2={x} y2="100%" stroke={palette.hairline} strokeWidth={2} />
      {SQUARE.includes(what) ? (
        <Rect x={x - 7} y={y - 7} width={14} height={14} fill={color} />
      ) : (
        <Circle cx={x} cy={y} r={6} fill={RING.includes(what) ? palette.paper : color} stroke={color} strokeWidth={2} />
      )}
    </Svg>
  );
}

/** Everything that happened at a property, on one line in time, through all its inspections that this device holds. */
export function HistoryScreen({ walk: { inspection } }: { walk: Walk }) {
  const router = useRouter();
  const wide = useWide();
  const byId = useInspections((one) => one.byId);
  const same = useMemo(() => {
    const street = streetOf(inspection.header.address);
    return Object.values(byId).filter((one) => streetOf(one.header.address) === street);
  }, [byId, inspection]);
  const told = useMemo(() => historyOf(same), [same]);
  const days = [...new Set(told.map(({ at }) => dayOf(at)))];
  return (
    <Screen narrow head={wide ? undefined : <BackHome inspection={inspection} />}>
      <View style={{ gap: 10 }}>
        <Title>History</Title>
        <Words style={{ fontSize: 20, fontWeight: '700' }}>{inspection.header.address}</Words>
        {same.length > 1 && <Quiet>{`${same.length} inspections on this device.`}</Quiet>}
        <View style={{ flexDirection: 'row' }}>
          <Plate
            role="button"
            quiet
            label="Others of this address at the office"
            onPress={() => router.navigate(`/all?words=${encodeURIComponent(inspection.header.address)}` as never)}
          />
        </View>
        <View>
          {days.map((day) => (
            <View key={day}>
              <Heading>{dayText(day)}</Heading>
              {told
                .filter(({ at }) => dayOf(at) === day)
                .map((one, i) => (
                  <View
                    key={`${one.at} ${i}`}
                    testID="happened"
                    style={{ paddingLeft: LANE_PX + 8, paddingBottom: 10 }}
                  >
                    <Mark what={one.what} />
                    <Words style={{ fontSize: 17, lineHeight: 23 }}>{one.words}</Words>
                    <Quiet>{[HISTORY_KINDS[one.what], timeText(one.at), one.by].filter(Boolean).join(' · ')}</Quiet>
                  </View>
                ))}
            </View>
          ))}
        </View>
      </View>
    </Screen>
  );
}
