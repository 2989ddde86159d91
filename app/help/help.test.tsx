import { render, screen } from '@testing-library/react';
import { emptyCase, withFact } from '@careful-latch/core/case';
import { PARTS, partsAt } from '@careful-latch/core/walk';
import { HELP } from './drawings';
import { Help } from './help';

test('every part of the wall has its drawing, and no other', () => {
  expect(Object.keys(HELP).toSorted()).toEqual(PARTS.map((one) => one.id as string).toSorted());
});

test('it says in sentences what is asked, and what hangs on it', () => {
  const c = withFact(emptyCase('2023'), 'transfer.kind', 'retrofit-interlock');
  render(<Help site={c} here={partsAt(c, 'breaker').find((one) => one.part.id === 'breaker/fastener')!} />);
  const help = screen.getByTestId('help').textContent;
  expect(help).toMatch(
    /Held down by a fastener: look for the hold-down screw.*\.What hangs on it: A fastener holds.*\.$/,
  );
});
