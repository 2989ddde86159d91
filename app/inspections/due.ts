import dayjs from 'dayjs';
import { stateOf, type Inspection } from '@careful-latch/core/record';
import { shortDayText } from '../theme/dates';

/** When something is to be done next: the day of a reinspection, or undefined. */
export function dueOn(inspection: Inspection): string | undefined {
  const state = stateOf(inspection);
  const open = state === 'corrections-required' || state === 'stop-work' || state === 'reinspection';
  return open ? (inspection.decisions.at(-1)?.dueOn ?? undefined) : undefined;
}

export function dueWords(day: string, today: string): string {
  const days = dayjs(day).diff(dayjs(today), 'day');
  const when = shortDayText(day);
  if (days < 0) return `reinspection was due ${when}`;
  return days === 0 ? 'reinspection due today' : `reinspection due ${when}`;
}
