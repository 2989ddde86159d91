import { act, fireEvent, render, screen } from '@testing-library/react';
import { usePreferences } from '../stores/preferences';
import { Button, Input } from './elements';
import { DAY, NIGHT } from './palette';
import { Appearance } from './theme';
import { Words } from './words';

const rgb = (hex: string) => `rgb(${[1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16)).join(', ')})`;
const colorOf = (text: string) => getComputedStyle(screen.getByText(text)).color;

test('night falls while somebody types: every color changes, and nothing that was typed is lost', () => {
  render(
    <Appearance>
      <Input aria-label="Owner" />
      <Words>Feeder</Words>
      <Button title="Next" />
    </Appearance>,
  );
  const field = screen.getByLabelText<HTMLInputElement>('Owner');
  fireEvent.change(field, { target: { value: 'Anouk O’Dell' } });
  expect([colorOf('Feeder'), colorOf('Next')]).toEqual([rgb(DAY.ink), rgb(DAY.paper)]);
  act(() => usePreferences.getState().setAppearance('night'));
  expect([colorOf('Feeder'), colorOf('Next')]).toEqual([rgb(NIGHT.ink), rgb(NIGHT.paper)]);
  expect(screen.getByLabelText('Owner')).toBe(field);
  expect(field.value).toBe('Anouk O’Dell');
});
