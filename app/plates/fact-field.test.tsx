import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { NOT_SEEN, emptyCase, factAt, withFact } from '@careful-latch/core/case';
import { functionTestAt } from '@careful-latch/core/interlock';
import { evaluate } from '@careful-latch/core/verdict';
import { Appearance } from '../theme/theme';
import { outcomesBeside } from '../inspection/answers';
import { FactField } from './fact-field';

const CASE = withFact(withFact(emptyCase('2020'), 'transfer.kind', 'retrofit-interlock'), 'inlet.ratingA', 30);

function show(path: string, value?: unknown, at = CASE) {
  const onRecord = jest.fn();
  const site = value === undefined ? at : withFact(at, path, value);
  render(
    <Appearance>
      <FactField
        path={path}
        value={factAt(site, path)}
        outcomes={outcomesBeside(evaluate(site), path)}
        onRecord={onRecord}
        trials={functionTestAt(site).filter((trial) => trial.fact === path)}
      />
    </Appearance>,
  );
  return onRecord;
}
const plate = (name: string) => screen.getByRole('radio', { name });

test('nothing is pre-answered, and a tap records', () => {
  const onRecord = show('breaker.ratingA');
  for (const one of screen.getAllByRole('radio')) expect(one.getAttribute('aria-checked')).toBe('false');
  fireEvent.click(plate('30'));
  expect(onRecord).toHaveBeenCalledWith('breaker.ratingA', 30);
});

test('the chosen plate touched again stays chosen; not seen is an answer', () => {
  const onRecord = show('breaker.construction', 'common-trip');
  fireEvent.click(plate('Two-pole, common trip'));
  expect(onRecord).not.toHaveBeenCalled();
  fireEvent.click(plate('Not seen'));
  expect(onRecord).toHaveBeenLastCalledWith('breaker.construction', NOT_SEEN);
});

test('the answer stands beside the fact, one tap from its working', () => {
  show('breaker.ratingA', 50);
  expect(screen.getAllByText(/30 A allowed by the inlet, 50 A found\./)).toHaveLength(2); // the inlet's own rule, and the weakest link
  expect(screen.queryByText(/Replace the breaker/)).toBeNull();
  fireEvent.click(screen.getAllByText('working')[0]!);
  expect(screen.getByText(/Replace the breaker with one of 30 A or less/)).toBeTruthy();
});

test('an answer of the function test lists the moves that it stands for, once the mechanism is known', () => {
  show('function.bothWithPartMoved');
  expect(screen.queryAllByRole('listitem')).toHaveLength(0);
  cleanup();
  show('function.bothWithPartMoved', undefined, withFact(CASE, 'transfer.mechanism', 'sliding-plate'));
  const moves = screen.getAllByRole('listitem').map((one) => one.textContent);
  expect(moves).toHaveLength(4);
  expect(moves).toContain('utility closed: lift the plate off its guides');
  expect(moves).toContain('generator closed: slide the plate half-way back');
});

test('a typed value is taken; a wrong one gets its sentence and stays', () => {
  const onRecord = show('breaker.ratingA');
  const typed = screen.getByLabelText('Breaker rating, typed');
  fireEvent.change(typed, { target: { value: 'many' } });
  fireEvent.blur(typed);
  expect(screen.getByText('“many” is no number; right would be 1 to 400 A')).toBeTruthy();
  expect(onRecord).not.toHaveBeenCalled();
  fireEvent.change(typed, { target: { value: '45' } });
  fireEvent.blur(typed);
  expect(onRecord).toHaveBeenCalledWith('breaker.ratingA', 45, undefined);
});

test('what was read in another unit is turned, and kept as it was read', () => {
  const onRecord = show('transfer.torqueLbIn');
  const typed = screen.getByLabelText('Torque found, typed');
  fireEvent.change(typed, { target: { value: '5 stone' } });
  fireEvent.blur(typed);
  expect(screen.getByText('“stone” cannot be turned into lb-in; right would be 1 to 1000 lb-in')).toBeTruthy();
  fireEvent.change(typed, { target: { value: '5 N·m' } });
  fireEvent.blur(typed);
  expect(onRecord).toHaveBeenCalledWith('transfer.torqueLbIn', 44.25, '5 N·m');
});
