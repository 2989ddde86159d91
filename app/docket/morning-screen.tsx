import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { inspects, morningOf, type Concern, type Inspection } from '@careful-latch/core/record';
import { Sign } from '../drawn/signs';
import { screenOf } from '../inspections/screen-of';
import { Plate, Plates } from '../plates/plate';
import { useInspections } from '../stores/inspections';
import { useSession } from '../stores/session';
import { LinkArea } from '../theme/link-area';
import { Back } from '../theme/back';
import { officeDay, shortDayText } from '../theme/dates';
import { Columns, Screen, useWide } from '../theme/screen';
import { TARGET, usePalette } from '../theme/theme';
import { Heading, Quiet, Title, Words } from '../theme/words';
import { HeldList } from './held-list';
import { keepCalendar, keepList, keepViolations } from './keep';
import { PermitPosts } from './permit-posts';
import { Trouble } from '../theme/trouble';

const GRAVE: readonly Concern['id'][] = ['orders', 'hazards'];

type Keep = (all: readonly Inspection[]) => Promise<void>;
const FILES: readonly (readonly [label: string, keep: Keep])[] = [
  ['Due days, for a calendar', keepCalendar],
  ['Violations, as CSV', keepViolations],
  ['The list, as CSV', keepList],
];

/** What the office has to look at today, the gravest first; each line leads to its house. */
export function MorningScreen() {
  const palette = usePalette();
  const account = useSession((one) => one.account);
  const byId = useInspections((one) => one.byId);
  const wide = useWide();
  const today = officeDay();
  const [mine, setMine] = useState(false);
  const [trouble, setTrouble] = useState<string>();
  const all = useMemo(() => Object.values(byId), [byId]);
  const concerns = useMemo(() => morningOf(all, today), [all, today]);
  const isMine = ({ docket }: Inspection) =>
    docket.visits.some(({ state, inspector }) => state === 'scheduled' && inspector === account?.name);
  const shown = concerns
    .map((one) => ({ ...one, waiting: one.waiting.filter(({ inspection }) => !mine || isMine(inspection)) }))
    .filter(({ waiting }) => waiting.length > 0);
  const save = (keep: Keep) =>
    keep(all).then(
      () => setTrouble(undefined),
      () => setTrouble('That part of the application is not on this device yet; try again with signal.'),
    );
  return (
    <Screen narrow={!wide} head={<Back to="/" label="Inspections" />}>
      <View style={{ gap: 14 }}>
        <Title>{`Morning of ${shortDayText(today)}`}</Title>
        {account && inspects(account.role) && (
          <Plates label="Whose">
            <Plate label="The whole office" selected={!mine} onPress={() => setMine(false)} />
            <Plate label="My visits" selected={mine} onPress={() => setMine(true)} />
          </Plates>
        )}
        <HeldList />
        {account && inspects(account.role) && <PermitPosts />}
        {shown.length === 0 && <Quiet>Nothing waits.</Quiet>}
        <Columns gap={14}>
          {shown.map(({ id, title, waiting }) => (
            <View key={id} testID={`concern-${id}`}>
              <Heading style={GRAVE.includes(id) ? { color: palette.violation } : undefined}>
                {`${title}: ${waiting.length}`}
              </Heading>
              {waiting.map(({ inspection, day, words }, i) => (
                <LinkArea
                  key={`${inspection.id} ${i}`}
                  to={screenOf(inspection)}
                  style={{
                    minHeight: TARGET,
                    flexDirection: 'row',
                    gap: 10,
                    paddingVertical: 8,
                    borderTopWidth: 1,
                    borderColor: palette.hairline,
                  }}
                >
                  <Sign kind={GRAVE.includes(id) ? 'violation' : 'unproven'} hazard={GRAVE.includes(id)} size={20} />
                  <View style={{ flex: 1 }}>
                    <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: 8 }}>
                      <Words style={{ flex: 1, fontWeight: '700', fontSize: 17 }}>{inspection.header.address}</Words>
                      <Quiet>{shortDayText(day)}</Quiet>
                    </View>
                    <Words numberOfLines={2} style={{ fontSize: 16, lineHeight: 22 }}>
                      {words}
                    </Words>
                  </View>
                </LinkArea>
              ))}
            </View>
          ))}
        </Columns>
        <Heading>Files</Heading>
        <Trouble>{trouble}</Trouble>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          {FILES.map(([label, keep]) => (
            <Plate key={label} role="button" label={label} onPress={() => void save(keep)} />
          ))}
        </View>
      </View>
    </Screen>
  );
}
