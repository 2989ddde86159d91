import { render, screen } from '@testing-library/react';
import { Text } from 'react-native';
import { Fence } from './fence';

test('what cannot be drawn says so by itself, and its neighbors stay', () => {
  const quiet = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  const Broken = () => {
    throw new Error('no fact is recorded at breaker.colour');
  };
  render(
    <>
      <Fence instead={<Text>cannot be shown</Text>}>
        <Broken />
      </Fence>
      <Fence instead={<Text>never</Text>}>
        <Text>the next row</Text>
      </Fence>
    </>,
  );
  expect(screen.getByText('cannot be shown')).toBeTruthy();
  expect(screen.getByText('the next row')).toBeTruthy();
  expect(screen.queryByText('never')).toBeNull();
  quiet.mockRestore();
});
