import { dayText, momentText, shortDayText } from './dates';

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
