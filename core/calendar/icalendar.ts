import { dayTitle, type OnDay } from './calendar';

const DAY_MS = 86_400_000;
/** RFC 5545, 3.1: a line has at most 75 octets, and goes on in the next behind a space. */
const MOST_OCTETS = 75;
const octets = (text: string) => new TextEncoder().encode(text).length;

function folded(line: string): string {
  if (octets(line) <= MOST_OCTETS) return line;
  const lines: string[] = [];
  let now = '';
  for (const character of line) {
    if (octets(now + character) > MOST_OCTETS) {
      lines.push(now);
      now = ' ';
    }
    now += character;
  }
  return [...lines, now].join('\r\n');
}

/** RFC 5545, 3.3.11: what a text may not have as it is. */
const escaped = (text: string) => text.replace(/[\\;,]/g, '\\$&').replace(/\r\n|\r|\n/g, '\\n');
const compact = (day: string) => day.replaceAll('-', '');

/** Days as a calendar that other programs read (iCalendar, RFC 5545): a whole day each, with an id that stays. `at` is when it was made. */
export function iCalendar(days: readonly OnDay[], at: string): string {
  const stamp = `${at.slice(0, 19).replace(/[-:]/g, '')}Z`;
  const entries = days.flatMap((one) => [
    'BEGIN:VEVENT',
    `UID:${one.id}`,
    `DTSTAMP:${stamp}`,
    `DTSTART;VALUE=DATE:${compact(one.day)}`,
    `DTEND;VALUE=DATE:${compact(new Date(Date.parse(one.day) + DAY_MS).toISOString().slice(0, 10))}`,
    `SUMMARY:${escaped(dayTitle(one))}`,
    'END:VEVENT',
  ]);
  const lines = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:careful-latch',
    'METHOD:PUBLISH',
    ...entries,
    'END:VCALENDAR',
  ];
  return `${lines.map(folded).join('\r\n')}\r\n`;
}
