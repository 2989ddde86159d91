import { act, fireEvent, render, screen } from '@testing-library/react';
import { Appearance } from '../theme/theme';
import { SaidTogether } from './said-together';

const LINES = [
  { path: 'inlet.listed', words: 'Bears a listing mark', right: 'yes' },
  { path: 'inlet.lockable', words: 'Lid can be locked', right: 'yes' },
];

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

function show(lines = LINES, begun = false) {
  const onLine = jest.fn();
  const onAllSo = jest.fn();
  const list = (shown: typeof LINES) => (
    <Appearance>
      <SaidTogether lines={shown} begun={begun} onLine={onLine} onAllSo={onAllSo} />
    </Appearance>
  );
  const { rerender } = render(list(lines));
  return { onLine, onAllSo, now: (shown: typeof LINES) => rerender(list(shown)) };
}
const wait = (ms: number) => act(() => jest.advanceTimersByTime(ms));

test('the plate says how many, and is dead until they have been on the screen', () => {
  const { onAllSo } = show();
  fireEvent.click(screen.getByText('All 2 are so'));
  expect(onAllSo).not.toHaveBeenCalled();
  wait(700);
  fireEvent.click(screen.getByText('All 2 are so'));
  expect(onAllSo).not.toHaveBeenCalled();
  wait(150);
  fireEvent.click(screen.getByText('All 2 are so'));
  expect(onAllSo).toHaveBeenCalledTimes(1);
});

test('other lines have to be seen again', () => {
  const { onAllSo, now } = show();
  wait(900);
  now([...LINES, { path: 'inlet.entrySealed', words: 'Entry sealed', right: 'yes' }]);
  fireEvent.click(screen.getByText('All 3 are so'));
  expect(onAllSo).not.toHaveBeenCalled();
});

test('a line that is not so is touched by itself; then the rest is said', () => {
  const { onLine } = show(LINES, true);
  fireEvent.click(screen.getByText('Lid can be locked'));
  expect(onLine).toHaveBeenCalledWith('inlet.lockable');
  expect(screen.getByText('The rest is so (2)')).toBeTruthy();
});

test('one line alone is said as one', () => {
  show([LINES[0]!]);
  expect(screen.getByText('It is so')).toBeTruthy();
});
