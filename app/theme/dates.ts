/** Days and times as the device’s language writes them; US English where it says none. */
const language = (): string => (typeof navigator === 'undefined' ? undefined : navigator.language) || 'en-US';

/** An ISO day, or the day of an instant, without shifting it by the time zone. */
const dateOf = (iso: string): Date => (iso.length === 10 ? new Date(`${iso}T00:00:00`) : new Date(iso));

/** Never a line of a list that ends between month and day. */
const unbroken = (text: string): string => text.replaceAll(' ', '\u00a0');

/** Making a format takes longer than a row of a list may: each is made once. */
const formats = new Map<string, Intl.DateTimeFormat>();
function written(iso: string, style: Intl.DateTimeFormatOptions): string {
  const key = `${language()} ${JSON.stringify(style)}`;
  const format = formats.get(key) ?? new Intl.DateTimeFormat(language(), style);
  formats.set(key, format);
  return format.format(dateOf(iso));
}

/** Nov 26, 2026 */
export const dayText = (iso: string): string => unbroken(written(iso, { dateStyle: 'medium' }));

/** Nov 26 */
export const shortDayText = (iso: string): string => unbroken(written(iso, { month: 'short', day: 'numeric' }));

/** November 26, 2026 at 3:05 PM */
export const momentText = (iso: string): string => written(iso, { dateStyle: 'long', timeStyle: 'short' });

/** Thursday */
export const weekdayText = (iso: string): string => written(iso, { weekday: 'long' });

/** November 2026, of 2026-11 */
export const monthText = (month: string): string => written(`${month}-01`, { month: 'long', year: 'numeric' });

/** 3:05 PM */
export const timeText = (iso: string): string => written(iso, { timeStyle: 'short' });
