import { closeStore } from './inspections';
import { Refused, Unreachable, office, type SessionState } from './office';
import { resume, useSession } from './session';

const account = { id: 'a-person', login: 'ilse', name: 'Ilse O’Harrow', role: 'inspector' } as const;
const at = { id: 'an-office', name: 'Windfall Township', edition: '2020' } as const;
const stranger: SessionState = {
  csrfToken: null,
  switchedOff: false,
  account: null,
  office: null,
  passwordAt: null,
  demo: [],
  needsSetup: false,
};
const remember = () => localStorage.setItem('careful-latch-account', JSON.stringify({ account, office: at }));
const answers = (answer: SessionState | Error) =>
  jest
    .spyOn(office, 'session')
    .mockImplementation(() => (answer instanceof Error ? Promise.reject(answer) : Promise.resolve(answer)));

beforeEach(() => {
  localStorage.clear();
  useSession.setState({ known: 'asking', account: null, office: null });
  jest.spyOn(office, 'changedSince').mockRejectedValue(new Unreachable('no signal'));
});
afterEach(() => {
  closeStore();
  jest.restoreAllMocks();
});

test.each<[string, Error]>([
  ['cannot be reached', new Unreachable('The office cannot be reached.')],
  ['fails', new Refused(500, 'Something failed.')],
  ['has no database', new Refused(503, 'Not at hand.')],
  ['answers nonsense', new TypeError('undefined is no object')],
])('whoever was signed in here works on although the office %s', async (_, trouble) => {
  remember();
  answers(trouble);
  await resume();
  expect(useSession.getState()).toMatchObject({ known: 'signed-in', account: { name: 'Ilse O’Harrow' } });
});

test('a stranger is told that the office cannot be reached, whatever it answers, and not that the browser keeps nothing', async () => {
  answers(new Refused(500, 'Something failed.'));
  await resume();
  expect(useSession.getState().known).toBe('unreachable');
  answers(stranger);
  await resume();
  expect(useSession.getState().known).toBe('signed-out');
});

test('a browser that cannot keep anything is told so', async () => {
  remember();
  answers(stranger);
  jest.spyOn(indexedDB, 'open').mockImplementation(() => {
    throw new DOMException('not allowed here', 'SecurityError');
  });
  await resume();
  expect(useSession.getState().known).toBe('no-storage');
});
