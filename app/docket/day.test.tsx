import { useState } from 'react';
import { fireEvent, render, screen } from '@testing-library/react';
import { writeInZone } from '../theme/dates';
import { Day, inDays } from './day';

const chosen: string[] = [];
function Asked() {
  const [day, setDay] = useState('');
  return (
    <Day
      label="To be met"
      day={day}
      onChoose={(one) => {
        chosen.push(one);
        setDay(one);
      }}
    />
  );
}

beforeAll(() => {
  jest.useFakeTimers({ now: new Date('2026-12-01T02:10:00Z') });
  writeInZone('America/New_York');
});
afterAll(() => {
  writeInZone(undefined);
  jest.useRealTimers();
});

test('days are counted from that of the office, with their weekdays; one that is not whole is none, and a Sunday is said', () => {
  expect(inDays(7)).toBe('2026-12-07'); // it is the evening of November 30 there
  render(<Asked />);
  fireEvent.click(screen.getByRole('radio', { name: /^in 7 days, Mon Dec\s7$/ }));
  expect(chosen.at(-1)).toBe('2026-12-07');
  const typed = screen.getByLabelText('To be met, another day');
  for (const [text, day] of [
    ['2026-12-', ''],
    ['nonsense', ''],
    ['2026-02-30', ''],
    ['2026-12-13', '2026-12-13'],
  ] as const) {
    fireEvent.change(typed, { target: { value: text } });
    expect([text, (typed as HTMLInputElement).value]).toEqual([text, day]);
  }
  expect(screen.getByText('Sunday: the office is closed')).toBeTruthy();
});
