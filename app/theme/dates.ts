import dayjs from 'dayjs';
import { dayIn } from '@careful-latch/core/record';

/** Days and times as the device’s language writes them; US English where it says none. */
const language = (): string => (typeof navigator === 'undefined' ? undefined : navigator.language) || 'en-US';

/** The office's time zone, once it is known: an instant is written by the clock of the office, wherever the device is. */
let zone: string | undefined;
export function writeInZone(ofOffice: string | undefined): void {
  zone = ofOffice;
}

/** The day that it is at the office. */
export const officeDay = (): string => dayOf(new Date().toISOString());

/** The ISO day of an instant at the office. */
export const dayOf = (at: string): string => (zone ? dayIn(zone, at) : dayjs(at).format('YYYY-MM-DD'));

const isDay = (iso: string) => iso.length === 10;

/** Never a line of a list that ends between month and day. */
const unbroken = (text: string): string => text.replaceAll(' ', '\u00a0');

/** Making a format takes longer than a row of a list may: each is made once. */
const formats = new Map<string, Intl.DateTimeFormat>();
function written(iso: string, style: Intl.DateTimeFormatOptions): string {
  // A day is no instant: it is not shifted by any zone.
  const timeZone = isDay(iso) ? 'UTC' : zone;
  const key = `${language()} ${timeZone} ${JSON.stringify(style)}`;
  const format = formats.get(key) ?? new Intl.DateTimeFormat(language(), { ...style, timeZone });
  formats.set(key, format);
  return format.format(new Date(isDay(iso) ? `${iso}T00:00:00Z` : iso));
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
