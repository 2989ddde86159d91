import { memo } from 'react';
import { View } from 'react-native';
import { dueAt, stateOf, stateWords, type Inspection, type State } from '@careful-latch/core/record';
import { VERDICT_WORDS } from '@careful-latch/core/verdict';
import { PATH_STRIP_HEIGHT, PathStrip } from '../drawn/path-line';
import { Sign } from '../drawn/signs';
import { useWalkInList, type Walk } from '../inspection/walk';
import { dueWords } from './due';
import { screenOf } from './screen-of';
import { LinkArea } from '../theme/link-area';
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

/** A draft that must not be energized is no plain draft. */
const isDangerous = (state: State, walk: Walk | undefined): boolean =>
  SIGN[state] === 'unproven' && walk?.evaluation.verdict === 'do-not-energize';

/** The sign of an inspection in a list. */
export function ListSign({ inspection, size = 24 }: { inspection: Inspection; size?: number }) {
  const state = stateOf(inspection);
  const dangerous = isDangerous(state, useWalkInList(inspection));
  return <Sign kind={dangerous ? 'violation' : SIGN[state]} hazard={dangerous || state === 'stop-work'} size={size} />;
}

/** One inspection in the list: where it is, how it stands, what is due, and its path in small. */
export const InspectionRow = memo(function InspectionRow({
  inspection,
  today,
}: {
  inspection: Inspection;
  today: string;
}) {
  const palette = usePalette();
  const state = stateOf(inspection);
  const walk = useWalkInList(inspection);
  const due = dueAt(inspection);
  const dangerous = isDangerous(state, walk);
  const late = due !== undefined && due.day < today;
  const claimed = inspection.docket.violations.filter((one) => one.state === 'claimed').length;
  const color = { holds: palette.holds, violation: palette.violation, unproven: palette.unproven }[
    dangerous ? 'violation' : SIGN[state]
  ];
  const next = due
    ? dueWords(due, today)
    : state === 'draft' || state === 'reinspection'
      ? walk && VERDICT_WORDS[walk.evaluation.verdict].toLowerCase()
      : `signed ${dayText(inspection.decisions.at(-1)!.at)}`;
  const said = [next, late && 'late', claimed > 0 && `${claimed} said to be corrected`].filter(Boolean);
  return (
    <LinkArea
      to={screenOf(inspection)}
      testID={`row-${inspection.header.address}`}
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
          <ListSign inspection={inspection} />
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
            {said.map((one) => `, ${one}`).join('')}
          </Words>
        </View>
      </View>
      <View style={{ height: PATH_STRIP_HEIGHT }}>{walk && <PathStrip states={walk.states} here={-1} />}</View>
    </LinkArea>
  );
});
