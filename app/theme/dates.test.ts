import { dayOf, dayText, momentText, shortDayText, timeText, writeInZone } from './dates';

const speaking = (language: string) => jest.spyOn(navigator, 'language', 'get').mockReturnValue(language);
afterEach(() => jest.restoreAllMocks());

test('days and times as the device’s language writes them, US English where it says none', () => {
  const at = new Date(2026, 10, 26, 15, 5).toISOString();
  speaking('');
  expect([dayText('2026-11-26'), shortDayText('2026-11-26')]).toEqual(['Nov\u00a026,\u00a02026', 'Nov\u00a026']);
  expect(momentText(at).replace(/\s/g, ' ')).toBe('November 26, 2026 at 3:05 PM');
  speaking('de-DE');
  expect([dayText('2026-11-26'), shortDayText('2026-11-26')]).toEqual(['26.11.2026', '26.\u00a0Nov.']);
  expect(momentText(at)).toContain('15:05');
});

test('an instant is written by the clock of the office, wherever the device is; a day is no instant', () => {
  speaking('en-US');
  const evening = '2026-12-01T02:10:00Z';
  for (const [zone, day, hour] of [
    ['America/New_York', '2026-11-30', '9:10 PM'],
    ['Pacific/Honolulu', '2026-11-30', '4:10 PM'],
    ['Asia/Tokyo', '2026-12-01', '11:10 AM'],
  ] as const) {
    writeInZone(zone);
    expect([dayOf(evening), timeText(evening).replace(/\s/g, ' ')]).toEqual([day, hour]);
    expect(dayText(evening)).toBe(dayText(day));
    expect(dayText('2026-11-26')).toBe('Nov\u00a026,\u00a02026');
  }
  writeInZone(undefined);
});
