import dayjs from 'dayjs';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import Calendar from 'react-native-calendars/src/calendar';
import { inspects } from '@careful-latch/core/record';
import { DAY_KINDS, daysOf, earlier, inTurn, type OnDay } from '@careful-latch/core/calendar';
import { Sign } from '../drawn/signs';
import { Plate, Plates } from '../plates/plate';
import { record, useInspections } from '../stores/inspections';
import { useSession } from '../stores/session';
import { LinkArea } from '../theme/link-area';
import { Back } from '../theme/back';
import { monthText, officeDay, shortDayText, weekdayText } from '../theme/dates';
import { Columns, Screen, useWide } from '../theme/screen';
import { TARGET, usePalette } from '../theme/theme';
import { Trouble } from '../theme/trouble';
import { Heading, Quiet, Title, Words } from '../theme/words';
import { Feed } from './feed';

const WAYS = { month: 'Month', week: 'Week', list: 'List' } as const;
const ISO = 'YYYY-MM-DD';

/** One thing of a day: its kind, its house, and the way there. */
function Entry({ one, nth, onEarlier }: { one: OnDay; nth: number | undefined; onEarlier: (() => void) | undefined }) {
  const palette = usePalette();
  return (
    <View
      testID="on-day"
      style={{ flexDirection: 'row', gap: 8, alignItems: 'center', borderTopWidth: 1, borderColor: palette.hairline }}
    >
      <LinkArea
        to={`/inspection/${one.inspection}${one.what === 'permit' ? '/record' : '/visit'}`}
        style={{ flex: 1, minHeight: TARGET, flexDirection: 'row', gap: 10, paddingVertical: 8 }}
      >
        <Sign kind={one.what === 'visit' ? 'advice' : 'unproven'} size={20} />
        <View style={{ flex: 1 }}>
          <Words style={{ fontWeight: '700', fontSize: 17 }}>
            {nth === undefined ? one.address : `${nth}. ${one.address}`}
          </Words>
          <Words numberOfLines={2} style={{ fontSize: 16, lineHeight: 22 }}>
            {[one.what === 'visit' ? one.words : `${DAY_KINDS[one.what]}. ${one.words}`, one.inspector]
              .filter(Boolean)
              .join(' · ')}
          </Words>
        </View>
      </LinkArea>
      {onEarlier && <Plate role="button" quiet label="Earlier" onPress={onEarlier} />}
    </View>
  );
}

/** A day with what falls on it; its visits are gone through in their order, which anybody of the office sets by hand. */
function Day({ day, all, today }: { day: string; all: readonly OnDay[]; today: string }) {
  const account = useSession((one) => one.account);
  const [trouble, setTrouble] = useState<string>();
  const inOrder = inTurn(all);
  const visits = inOrder.filter(({ visit }) => visit);
  const orders = account !== null && inspects(account.role) && visits.length > 1;
  const say = (changes: readonly { readonly of: OnDay; readonly turn: number | null }[]) => {
    try {
      for (const { of, turn } of changes)
        record({ type: 'turn', inspection: of.inspection, visit: of.visit!.id, turn });
      setTrouble(undefined);
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  const byHand = visits.filter(({ visit }) => visit!.turn !== null);
  return (
    <View testID={`day-${day}`}>
      <View style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between' }}>
        <Heading>{`${weekdayText(day)}, ${shortDayText(day)}${day === today ? ': today' : ''}`}</Heading>
        {orders && byHand.length > 0 && (
          <Plate role="button" quiet label="By street" onPress={() => say(byHand.map((of) => ({ of, turn: null })))} />
        )}
      </View>
      <Trouble>{trouble}</Trouble>
      {inOrder.length === 0 && <Quiet>Nothing.</Quiet>}
      {inOrder.map((one) => {
        const nth = visits.indexOf(one);
        return (
          <Entry
            key={one.id}
            one={one}
            nth={orders && nth >= 0 ? nth + 1 : undefined}
            onEarlier={orders && nth > 0 ? () => say(earlier(visits, one.id)) : undefined}
          />
        );
      })}
    </View>
  );
}

/** The same place in a month before or after: today where that is this month, else its first day. */
const turned = (day: string, by: number, today: string): string => {
  const month = dayjs(day).startOf('month').add(by, 'month').format('YYYY-MM');
  return today.startsWith(month) ? today : `${month}-01`;
};

/** Name and days of a month, and the way to the ones beside it. */
function MonthHead({ day, onTurn }: { day: string; onTurn: (by: number) => void }) {
  const sunday = dayjs(day).startOf('week');
  return (
    <View style={{ gap: 4, paddingVertical: 6 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between' }}>
        <Plate role="button" quiet label="Before" onPress={() => onTurn(-1)} />
        <Heading>{monthText(day.slice(0, 7))}</Heading>
        <Plate role="button" quiet label="After" onPress={() => onTurn(1)} />
      </View>
      <View style={{ flexDirection: 'row' }}>
        {Array.from({ length: 7 }, (_, i) => (
          <Quiet key={i} style={{ flex: 1, textAlign: 'center' }}>
            {weekdayText(sunday.add(i, 'day').format(ISO)).slice(0, 3)}
          </Quiet>
        ))}
      </View>
    </View>
  );
}

/** What falls on which day: a month, a week, or all in a list, of the whole office or of one inspector. */
export function CalendarScreen() {
  const palette = usePalette();
  const wide = useWide();
  const byId = useInspections((one) => one.byId);
  const today = officeDay();
  const [way, setWay] = useState<keyof typeof WAYS>('month');
  const [day, setDay] = useState(today);
  const [who, setWho] = useState<string>();
  const everything = useMemo(() => Object.values(byId).flatMap(daysOf), [byId]);
  const people = useMemo(
    () => [...new Set(everything.map(({ inspector }) => inspector).filter((one) => one !== ''))].sort(),
    [everything],
  );
  const byDay = useMemo(() => {
    const days = new Map<string, OnDay[]>();
    for (const one of everything)
      if (who === undefined || one.inspector === who) days.set(one.day, [...(days.get(one.day) ?? []), one]);
    return days;
  }, [everything, who]);
  const sunday = dayjs(day).subtract(dayjs(day).day(), 'day');
  const shown =
    way === 'month'
      ? [day]
      : way === 'week'
        ? Array.from({ length: 7 }, (_, i) => sunday.add(i, 'day').format(ISO))
        : [...byDay.keys()].sort();
  const days =
    shown.length === 0 ? (
      <Quiet>Nothing is due.</Quiet>
    ) : (
      shown.map((one) => <Day key={one} day={one} all={byDay.get(one) ?? []} today={today} />)
    );
  const turnWeek = (by: number) => setDay(dayjs(day).add(by, 'week').format(ISO));
  return (
    <Screen narrow={!wide} head={<Back to="/" label="Inspections" />}>
      <View style={{ gap: 12 }}>
        <Title>Calendar</Title>
        <Plates label="Shown as">
          {(Object.keys(WAYS) as (keyof typeof WAYS)[]).map((one) => (
            <Plate key={one} label={WAYS[one]} selected={way === one} onPress={() => setWay(one)} />
          ))}
        </Plates>
        {people.length > 1 && (
          <Plates label="Whose">
            <Plate label="Everybody" selected={who === undefined} onPress={() => setWho(undefined)} />
            {people.map((one) => (
              <Plate key={one} label={one} selected={who === one} onPress={() => setWho(one)} />
            ))}
          </Plates>
        )}
        {way === 'week' && (
          <View style={{ flexDirection: 'row', gap: 8 }}>
            <Plate role="button" label="The week before" onPress={() => turnWeek(-1)} />
            <Plate role="button" label="The week after" onPress={() => turnWeek(1)} />
          </View>
        )}
        <View style={wide && way === 'month' ? { flexDirection: 'row', gap: 32 } : { gap: 12 }}>
          {way === 'month' && (
            <View
              style={wide && { flex: 3 }}
              role="radiogroup"
              aria-label="Days of the month, with how much falls on each"
            >
              <Calendar
                key={`${palette.paper} ${day.slice(0, 7)}`}
                current={day}
                firstDay={0}
                customHeader={() => <MonthHead day={day} onTurn={(by) => setDay(turned(day, by, today))} />}
                theme={{ calendarBackground: palette.sheet }}
                dayComponent={({ date, state }: { date?: { dateString: string; day: number }; state?: string }) =>
                  date ? (
                    <Pressable
                      role="radio"
                      aria-checked={date.dateString === day}
                      onPress={() => setDay(date.dateString)}
                      style={{
                        width: '100%',
                        minHeight: TARGET,
                        alignItems: 'center',
                        justifyContent: 'center',
                        backgroundColor: date.dateString === day ? palette.ink : undefined,
                      }}
                    >
                      <Words
                        color={
                          date.dateString === day ? palette.paper : state === 'disabled' ? palette.quiet : palette.ink
                        }
                        style={{ fontSize: 17, lineHeight: 20, fontWeight: date.dateString === today ? '700' : '400' }}
                      >
                        {date.day}
                      </Words>
                      <Words
                        color={
                          date.dateString === day
                            ? palette.paper
                            : date.dateString < today
                              ? palette.violation
                              : palette.quiet
                        }
                        style={{ fontSize: 15, lineHeight: 17, fontWeight: '700' }}
                      >
                        {byDay.get(date.dateString)?.length ?? ' '}
                      </Words>
                    </Pressable>
                  ) : (
                    <View />
                  )
                }
              />
            </View>
          )}
          {way === 'month' ? (
            <View style={[{ gap: 12 }, wide && { flex: 2 }]}>{days}</View>
          ) : (
            <Columns gap={12}>{days}</Columns>
          )}
        </View>
        <Feed />
      </View>
    </Screen>
  );
}
