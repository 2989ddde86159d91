import dayjs from 'dayjs';
import { stateOf, type Inspection } from '@careful-latch/core/record';

/** When something is to be done next: the day of a second visit, or undefined. */
export function dueOn(inspection: Inspection): string | undefined {
  const state = stateOf(inspection);
  const open = state === 'corrections-required' || state === 'stop-work' || state === 'second-visit';
  return open ? (inspection.decisions.at(-1)?.dueOn ?? undefined) : undefined;
}

export function dueWords(day: string, today: string): string {
  const days = dayjs(day).diff(dayjs(today), 'day');
  const when = dayjs(day).format('D MMM');
  if (days < 0) return `second visit was due ${when}`;
  return days === 0 ? 'second visit due today' : `second visit due ${when}`;
}
