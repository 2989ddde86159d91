import dayjs from 'dayjs';
import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import Svg, { Rect } from 'react-native-svg';
import { STATION_NAMES, TRANSFER_KINDS, type Station, type TransferKind } from '@careful-latch/core/case';
import { APPEAL_STATES, DECISIONS, PAPER_STATES, VISIT_STATES } from '@careful-latch/core/record';
import { Plate } from '../plates/plate';
import { office, type Counted, type Month } from '../stores/office';
import { Back } from '../theme/back';
import { monthText, officeDay } from '../theme/dates';
import { Columns, Screen, useWide } from '../theme/screen';
import { usePalette } from '../theme/theme';
import { Trouble } from '../theme/trouble';
import { Heading, Quiet, Title, Words } from '../theme/words';

interface Bar {
  readonly name: string;
  readonly n: number;
  /** So many of them; drawn full, the others hollow. */
  readonly part?: number;
  /** Where its houses are listed. */
  readonly to?: string;
}

const BAR_PX = 14;

/** Counts as lines whose length is their number, longest first; each leads to its list where there is one. */
function Bars({ title, bars, empty }: { title: string; bars: readonly Bar[]; empty: string }) {
  const palette = usePalette();
  const router = useRouter();
  const most = Math.max(1, ...bars.map(({ n }) => n));
  return (
    <View style={{ gap: 6 }} testID={`month-${title}`}>
      <Heading>{title}</Heading>
      {bars.length === 0 && <Quiet>{empty}</Quiet>}
      {bars.map(({ name, n, part, to }) => (
        <View key={name} style={{ gap: 2 }}>
          <View style={{ flexDirection: 'row', justifyContent: 'space-between', alignItems: 'center', gap: 8 }}>
            {to ? (
              <Plate role="button" quiet label={name} onPress={() => router.navigate(to as never)} />
            ) : (
              <Words style={{ flex: 1, fontSize: 17 }}>{name}</Words>
            )}
            <Words style={{ fontSize: 17, fontWeight: '700' }}>{part === undefined ? n : `${part} of ${n}`}</Words>
          </View>
          <Svg width="100%" height={BAR_PX} viewBox={`0 0 100 ${BAR_PX}`} preserveAspectRatio="none" aria-hidden>
            <Rect
              x={0.5}
              y={1}
              width={Math.max(0.5, (n / most) * 99)}
              height={BAR_PX - 2}
              fill={part === undefined ? palette.copper : 'none'}
              stroke={palette.copper}
              strokeWidth={1}
              vectorEffect="non-scaling-stroke"
            />
            {part !== undefined && part > 0 && (
              <Rect x={0.5} y={1} width={(part / most) * 99} height={BAR_PX - 2} fill={palette.holds} />
            )}
          </Svg>
        </View>
      ))}
    </View>
  );
}

const named = (counted: Counted, words: Readonly<Record<string, string>>, to?: (of: string) => string): Bar[] =>
  counted.map(({ of, n }) => ({ name: words[of] ?? of, n, ...(to && { to: to(of) }) }));
const byRule = (of: string) => `/all?rule=${encodeURIComponent(of)}`;
const ruleBars = (counted: Counted): Bar[] =>
  counted.map(({ of, n }) => ({ name: of.split('/').at(-1)!.replaceAll('-', ' '), n, to: byRule(of) }));

/** What the office did in a month, drawn. What has happened fewer than five times is left out where it would say something of a person or a firm. */
export function MonthScreen() {
  const wide = useWide();
  const [month, setMonth] = useState(officeDay().slice(0, 7));
  const [shown, setShown] = useState<Month>();
  const [trouble, setTrouble] = useState<string>();
  useEffect(() => {
    let gone = false;
    office.month(month).then(
      (found) => {
        if (gone) return;
        setShown(found);
        setTrouble(undefined);
      },
      (error: Error) => !gone && setTrouble(error.message),
    );
    return () => {
      gone = true;
    };
  }, [month]);
  const turn = (by: number) => setMonth(dayjs(`${month}-01`).add(by, 'month').format('YYYY-MM'));
  const visits = shown?.visits ?? [];
  const all = visits.reduce((sum, { n }) => sum + n, 0);
  const nobody = visits.find(({ of }) => of === 'nobody-there')?.n ?? 0;
  return (
    <Screen narrow={!wide} head={<Back to="/" label="Inspections" />}>
      <View style={{ gap: 16 }}>
        <Title>{monthText(month)}</Title>
        <View style={{ flexDirection: 'row', gap: 8 }}>
          <Plate role="button" label="The month before" onPress={() => turn(-1)} />
          <Plate role="button" label="The month after" onPress={() => turn(1)} />
        </View>
        <Trouble>{trouble}</Trouble>
        {shown?.month === month && (
          <>
            <Words>
              {`${shown.taken.n} cited, ${shown.taken.hazards} of them hazards. ${shown.corrected.n} corrected${shown.corrected.median === null ? '' : `, half of them within ${Math.round(shown.corrected.median)} days`}.`}
            </Words>
            <Columns gap={16}>
              <Bars
                title="Decisions"
                bars={named(shown.decisions, DECISIONS, (of) => `/all?state=${of}`)}
                empty="None was signed."
              />
              <View style={{ gap: 6 }}>
                <Bars title="Visits" bars={named(visits, VISIT_STATES)} empty="There was none." />
                {nobody > 0 && <Quiet>{`Nobody there at ${Math.round((100 * nobody) / all)} % of them.`}</Quiet>}
              </View>
              <Bars
                title="Passed at the first visit"
                bars={shown.firstByTransfer.map(({ of, n, passed }) => ({ name: TRANSFER_KINDS[of as TransferKind] ?? of, n, part: passed }))} // prettier-ignore
                empty={`No kind of transfer equipment was seen ${shown.fewest} times.`}
              />
              <Bars
                title="By who does the work"
                bars={shown.firstByFirm.map(({ of, n, passed }) => ({ name: of, n, part: passed }))}
                empty={`Nobody had ${shown.fewest} first visits.`}
              />
              <Bars title="Cited, by rule" bars={ruleBars(shown.byRule)} empty="Nothing was cited." />
              <Bars title="Withdrawn" bars={ruleBars(shown.withdrawn)} empty="Nothing was withdrawn." />
              <Bars title="Dismissed" bars={named(shown.notTakenUp, {})} empty="Every finding was cited." />
              <Bars
                title="Left out, by station"
                bars={shown.leftOut.map(({ of, n }) => ({ name: STATION_NAMES[of as Station] ?? of, n }))}
                empty="Every decision answers for the whole path."
              />
              <Bars title="Void, suspended, revoked" bars={named(shown.papers, PAPER_STATES)} empty="None." />
              <Bars title="Appeals" bars={named(shown.appeals, APPEAL_STATES)} empty="None." />
            </Columns>
          </>
        )}
      </View>
    </Screen>
  );
}
