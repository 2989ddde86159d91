import { act, render, screen } from '@testing-library/react';
import { useSoon } from './use-soon';

const Follows = ({ value }: { value: string }) => <p>{`${value}, ${useSoon(value)}`}</p>;
const afterFrame = () =>
  act(() => new Promise<void>((done) => requestAnimationFrame(() => setTimeout(() => setTimeout(done)))));

test('the value is there at once the first time, and a frame later when it changes', async () => {
  const { rerender } = render(<Follows value="30 A" />);
  expect(screen.getByText('30 A, 30 A')).toBeTruthy();
  rerender(<Follows value="50 A" />);
  expect(screen.getByText('50 A, 30 A')).toBeTruthy();
  await afterFrame();
  expect(screen.getByText('50 A, 50 A')).toBeTruthy();
});

test('of several changes within a frame only the last is followed', async () => {
  const { rerender } = render(<Follows value="30 A" />);
  rerender(<Follows value="40 A" />);
  rerender(<Follows value="50 A" />);
  await afterFrame();
  expect(screen.getByText('50 A, 50 A')).toBeTruthy();
});
