import { useRouter } from 'expo-router';
import { memo } from 'react';
import { Pressable, View } from 'react-native';
import { STATIONS } from '@careful-latch/core/case';
import { dueAt, judged, stateOf, stateWords, type Inspection, type State } from '@careful-latch/core/record';
import { VERDICT_WORDS, stationState } from '@careful-latch/core/verdict';
import { PathStrip } from '../drawn/path-line';
import { Sign } from '../drawn/signs';
import { dueWords } from './due';
import { screenOf } from './screen-of';
import { dayText } from '../theme/dates';
import { usePalette } from '../theme/theme';
import { Quiet, Words } from '../theme/words';

/** The sign of each state. */
export const SIGN: Readonly<Record<State, 'holds' | 'violation' | 'unproven'>> = {
  draft: 'unproven',
  reinspection: 'unproven',
  approved: 'holds',
  'passed-stations': 'unproven',
  'approved-with-conditions': 'holds',
  'corrections-required': 'violation',
  'stop-work': 'violation',
  suspended: 'violation',
  revoked: 'violation',
};

/** One inspection in the list: where it is, how it stands, what is due, and its path in small. */
export const InspectionRow = memo(function InspectionRow({
  inspection,
  today,
}: {
  inspection: Inspection;
  today: string;
}) {
  const palette = usePalette();
  const router = useRouter();
  const state = stateOf(inspection);
  const evaluation = judged(inspection);
  const due = dueAt(inspection);
  const late = due !== undefined && due.day < today;
  const claimed = inspection.docket.violations.filter((one) => one.state === 'claimed').length;
  const color = { holds: palette.holds, violation: palette.violation, unproven: palette.unproven }[SIGN[state]];
  const next = due
    ? dueWords(due, today)
    : state === 'draft' || state === 'reinspection'
      ? VERDICT_WORDS[evaluation.verdict].toLowerCase()
      : `signed ${dayText(inspection.decisions.at(-1)!.at)}`;
  return (
    <Pressable
      role="link"
      testID={`row-${inspection.header.address}`}
      onPress={() => router.navigate(screenOf(inspection) as never)}
      style={({ pressed, hovered }: { pressed: boolean; hovered?: boolean }) => ({
        paddingVertical: 12,
        gap: 6,
        borderBottomWidth: 1,
        borderColor: palette.hairline,
        backgroundColor: pressed || hovered ? palette.sheet : undefined,
      })}
    >
      <View style={{ flexDirection: 'row', gap: 12, alignItems: 'flex-start' }}>
        <View style={{ paddingTop: 3 }}>
          <Sign kind={SIGN[state]} hazard={state === 'stop-work'} />
        </View>
        <View style={{ flex: 1 }}>
          <Words style={{ fontSize: 20, lineHeight: 26, fontWeight: '700' }}>{inspection.header.address}</Words>
          <Quiet numberOfLines={1}>
            {[inspection.header.owner, inspection.header.permit].filter(Boolean).join(' · ')}
          </Quiet>
          <Words color={color} style={{ fontSize: 16, lineHeight: 22 }}>
            <Words color={color} style={{ fontSize: 16, fontWeight: '700' }}>
              {stateWords(inspection)}
            </Words>
            {`, ${next}${late ? ', late' : ''}${claimed > 0 ? `, ${claimed} said to be corrected` : ''}`}
          </Words>
        </View>
      </View>
      <PathStrip states={STATIONS.map((station) => stationState(inspection.case, evaluation, station))} here={-1} />
    </Pressable>
  );
});
