import { render, screen } from '@testing-library/react';
import { withFact } from '@careful-latch/core/case';
import { example } from '../../core/test/examples';
import { PutAside } from './put-aside';

const sound = example('walk-interlock-four-circuits');

test('an answer by which facts apply no more says so after it; the next that puts nothing aside says nothing', async () => {
  const cords = withFact(sound, 'transfer.kind', 'none-cords');
  const { rerender, container } = render(<PutAside step={undefined} />);
  rerender(<PutAside step={[sound, cords]} />);
  expect(await screen.findByText(/^\d+ facts that were recorded apply no more\./)).toBeTruthy();
  rerender(<PutAside step={[cords, withFact(cords, 'source.kind', 'engine')]} />);
  expect(container.textContent).toBe('');
});
