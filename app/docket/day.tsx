import dayjs from 'dayjs';
import { View } from 'react-native';
import { Plate, Plates } from '../plates/plate';
import { officeDay, shortDayText, weekdayText } from '../theme/dates';
import { READING_FONT, TARGET, usePalette } from '../theme/theme';
import { Quiet } from '../theme/words';

const DAYS = [7, 14, 30] as const;
export const inDays = (days: number) => dayjs(officeDay()).add(days, 'day').format('YYYY-MM-DD');

/** A day by plates, or by the calendar that the device has of its own, in its own way of writing days. What is not a day yet is none. */
export function Day({
  label,
  day,
  days = DAYS,
  onChoose,
}: {
  label: string;
  day: string;
  /** So many days from now are offered. */
  days?: readonly number[];
  onChoose: (day: string) => void;
}) {
  const palette = usePalette();
  return (
    <View style={{ gap: 8 }}>
      <Plates label={label}>
        {days.map((one) => (
          <Plate
            key={one}
            label={`in ${one} ${one === 1 ? 'day' : 'days'}, ${weekdayText(inDays(one)).slice(0, 3)} ${shortDayText(inDays(one))}`}
            selected={day === inDays(one)}
            onPress={() => onChoose(day === inDays(one) ? '' : inDays(one))}
          />
        ))}
      </Plates>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 10, flexWrap: 'wrap' }}>
        <input
          type="date"
          aria-label={`${label}, another day`}
          value={day}
          onChange={(event) => onChoose(event.target.value)}
          style={{
            minHeight: TARGET,
            padding: '0 10px',
            fontFamily: READING_FONT,
            fontSize: 17,
            color: palette.ink,
            background: palette.sheet,
            border: `1px solid ${palette.hairline}`,
            borderRadius: 0,
          }}
        />
        {day !== '' && (
          <Quiet>{dayjs(day).day() === 0 ? `${weekdayText(day)}: the office is closed` : weekdayText(day)}</Quiet>
        )}
      </View>
    </View>
  );
}
