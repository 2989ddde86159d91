import dayjs from 'dayjs';
import type { Due } from '@careful-latch/core/record';
import { shortDayText } from '../theme/dates';

const WHAT: Readonly<Record<Due['what'], string>> = {
  visit: 'visit',
  violation: 'correction due',
  condition: 'condition due',
  reinspection: 'reinspection due',
};

/** What is due, and when: as it is said in a list. */
export function dueWords({ day, what }: Due, today: string): string {
  const days = dayjs(day).diff(dayjs(today), 'day');
  const when = shortDayText(day);
  if (days < 0) return `${WHAT[what].replace(/ due$/, '')} was due ${when}`;
  return `${WHAT[what]} ${days === 0 ? 'today' : when}`;
}
