/** Days and times as the device’s language writes them; US English where it says none. */
const language = (): string => (typeof navigator === 'undefined' ? undefined : navigator.language) || 'en-US';

/** An ISO day, or the day of an instant, without shifting it by the time zone. */
const dateOf = (iso: string): Date => (iso.length === 10 ? new Date(`${iso}T00:00:00`) : new Date(iso));

/** Never a line of a list that ends between month and day. */
const unbroken = (text: string): string => text.replaceAll(' ', '\u00a0');

/** Nov 26, 2026 */
export const dayText = (iso: string): string =>
  unbroken(dateOf(iso).toLocaleDateString(language(), { dateStyle: 'medium' }));

/** Nov 26 */
export const shortDayText = (iso: string): string =>
  unbroken(dateOf(iso).toLocaleDateString(language(), { month: 'short', day: 'numeric' }));

/** November 26, 2026 at 3:05 PM */
export const momentText = (iso: string): string =>
  dateOf(iso).toLocaleString(language(), { dateStyle: 'long', timeStyle: 'short' });

/** Thursday */
export const weekdayText = (iso: string): string => dateOf(iso).toLocaleDateString(language(), { weekday: 'long' });

/** November 2026, of 2026-11 */
export const monthText = (month: string): string =>
  dateOf(`${month}-01`).toLocaleDateString(language(), { month: 'long', year: 'numeric' });

/** 3:05 PM */
export const timeText = (iso: string): string => dateOf(iso).toLocaleTimeString(language(), { timeStyle: 'short' });
