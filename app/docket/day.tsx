import dayjs from 'dayjs';
import { View } from 'react-native';
import { Plate, Plates } from '../plates/plate';
import { officeDay, shortDayText } from '../theme/dates';
import { Input } from '../theme/elements';

const DAYS = [7, 14, 30] as const;
export const inDays = (days: number) => dayjs(officeDay()).add(days, 'day').format('YYYY-MM-DD');

/** A day by plates, or typed. */
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
  return (
    <View style={{ gap: 8 }}>
      <Plates label={label}>
        {days.map((one) => (
          <Plate
            key={one}
            label={`in ${one} ${one === 1 ? 'day' : 'days'}, ${shortDayText(inDays(one))}`}
            selected={day === inDays(one)}
            onPress={() => onChoose(day === inDays(one) ? '' : inDays(one))}
          />
        ))}
      </Plates>
      <Input
        label="or the day"
        aria-label={`${label}, typed`}
        placeholder={inDays(10)}
        value={days.some((one) => day === inDays(one)) ? '' : day}
        onChangeText={onChoose}
        renderErrorMessage={false}
        containerStyle={{ paddingHorizontal: 0 }}
      />
    </View>
  );
}
