import { ZONES, dayIn, isZone } from '.';

test.each([
  ['America/New_York', '2026-12-01T02:10:00Z', '2026-11-30'],
  ['America/New_York', '2026-12-01T05:00:00Z', '2026-12-01'],
  ['America/New_York', '2026-07-01T04:00:00Z', '2026-07-01'], // daylight saving
  ['America/New_York', '2026-07-01T03:59:00Z', '2026-06-30'],
  ['Pacific/Honolulu', '2026-12-01T09:59:00Z', '2026-11-30'],
])('in %s %s is on %s', (zone, at, day) => expect(dayIn(zone, at)).toBe(day));

test('zones are those that the IANA names', () => {
  for (const zone of [...Object.keys(ZONES), 'UTC', 'Europe/Dublin'])
    expect([zone, isZone(zone)]).toEqual([zone, true]);
  for (const none of ['', 'EST', 'Eastern', 'America/Windfall', '../etc', 5, null])
    expect([none, isZone(none)]).toEqual([none, false]);
});
