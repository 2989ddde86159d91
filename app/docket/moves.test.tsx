import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { KINDS, houseOf, openMoves } from '@careful-latch/core/record';
import { CONTRACTOR, ID, LEAD, after, inspection } from '../../core/test/inspection';
import * as store from '../stores/inspections';
import { useSession } from '../stores/session';
import { Offers, type Offering } from './moves';

const V = '0dd0a7c4-1f5e-4b7a-9c02-000000000001';
const house = after(inspection(), {
  type: 'violation', inspection: ID, violation: V, to: 'open', words: '', dueOn: '2026-12-24', findings: [],
  is: { words: 'A cracked cover.', remedy: '', cites: ['110.12'], severity: 'correction', station: 'panel' },
}); // prettier-ignore

function offered(person: typeof LEAD, ...to: string[]): Offering[] {
  useSession.setState({ account: { id: 'x', login: 'x', ...person } });
  return openMoves(KINDS.violation, houseOf(house), house.docket.violations[0], person)
    .filter((one) => one.theirs && to.includes(one.to))
    .map((one) => ({ ...one, body: { type: 'violation', inspection: ID, violation: V, to: one.to, words: '' } }));
}

let record: jest.SpyInstance;
beforeEach(() => {
  record = jest.spyOn(store, 'record').mockImplementation(() => undefined);
});
afterEach(() => jest.restoreAllMocks());

const fill = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));

test('a move asks what its kind says; what is wrong stands beside its question, and nothing is made before', async () => {
  render(<Offers offerings={offered(LEAD, 'varied')} />);
  press('Vary');
  fill('Which section', '408.7');
  fill('How far, and on what conditions', 'This panel.');
  fill('By which document', 'Its letter.');
  press('Vary it');
  expect(await screen.findByText('Name the authority that varies it.')).toBeTruthy();
  expect(record).not.toHaveBeenCalled();
  fill('Which authority varies it', 'The board');
  press('Vary it');
  await waitFor(() => expect(record).toHaveBeenCalledTimes(1));
  expect(record).toHaveBeenCalledWith({
    type: 'violation', inspection: ID, violation: V, to: 'varied', words: 'Its letter.',
    variance: { authority: 'The board', section: '408.7', extent: 'This panel.', until: null },
  }); // prettier-ignore
  expect(screen.queryByRole('form')).toBeNull();
});

test('a question with choices wants one of them, in words for people', async () => {
  const body = { type: 'appeal', inspection: ID, appeal: V, to: 'filed', words: '' };
  const { offered: filed } = KINDS.appeal.moves.find(({ to }) => to === 'filed')!;
  render(<Offers offerings={[{ offered: filed!, body }]} choices={{ against: { [V]: 'Violation 1' } }} />);
  press('File an appeal');
  press('File it');
  expect((await screen.findByRole('alert')).textContent).toBe('Choose one.');
  fireEvent.click(screen.getByRole('radio', { name: 'Violation 1' }));
  fill('Who appeals', 'Pat O’Dell');
  fill('On what ground', 'It is not so, we say.');
  press('File it');
  await waitFor(() => expect(record).toHaveBeenCalledWith({ ...body, against: V, filedBy: 'Pat O’Dell', words: 'It is not so, we say.' })); // prettier-ignore
});

test('what the store refuses is said, and what was typed stays', async () => {
  record.mockImplementation(() => {
    throw new Error('It is settled already.');
  });
  render(<Offers offerings={offered(LEAD, 'withdrawn')} />);
  press('Withdraw');
  fill('Why it is withdrawn', 'It was misread.');
  press('Withdraw it');
  expect(await screen.findByText('It is settled already.')).toBeTruthy();
  expect(screen.getByLabelText<HTMLInputElement>('Why it is withdrawn').value).toBe('It was misread.');
  press('Not now');
  expect(screen.getByRole('button', { name: 'Withdraw' })).toBeTruthy();
});

test('a move is called otherwise by those outside of the office; nothing is offered where nothing is open', () => {
  const { rerender, container } = render(<Offers offerings={offered(CONTRACTOR, 'claimed')} />);
  expect(screen.getByRole('button', { name: 'It is corrected' })).toBeTruthy();
  rerender(<Offers offerings={offered(CONTRACTOR, 'varied', 'withdrawn')} />);
  expect(container.textContent).toBe('');
});
