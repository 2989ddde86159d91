/** Making a format takes longer than a row of a list may: each is made once. */
const days = new Map<string, Intl.DateTimeFormat>();

/** Whether something is the name of a time zone as the IANA has it, like America/Chicago. */
export function isZone(zone: unknown): zone is string {
  try {
    // Abbreviations say nothing of daylight saving; UTC is what a machine without a place has.
    const isName = typeof zone === 'string' && (zone.includes('/') || zone === 'UTC');
    return isName && Boolean(new Intl.DateTimeFormat('en-US', { timeZone: zone }));
  } catch {
    return false;
  }
}

/** The ISO day on which an instant falls in a time zone. */
export function dayIn(zone: string, at: string | Date): string {
  const known = days.get(zone);
  // In Canada days are written as ISO 8601 has them.
  const format = known ?? new Intl.DateTimeFormat('en-CA', { timeZone: zone, year: 'numeric', month: '2-digit', day: '2-digit' }); // prettier-ignore
  if (!known) days.set(zone, format);
  return format.format(new Date(at));
}

/** Where offices of the trade are; whoever is elsewhere keeps what their browser says. */
export const ZONES = {
  'America/New_York': 'Eastern',
  'America/Chicago': 'Central',
  'America/Denver': 'Mountain',
  'America/Phoenix': 'Mountain, without daylight saving',
  'America/Los_Angeles': 'Pacific',
  'America/Anchorage': 'Alaska',
  'Pacific/Honolulu': 'Hawaii',
  'America/Puerto_Rico': 'Atlantic',
} as const;
