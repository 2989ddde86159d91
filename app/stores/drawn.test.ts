import { drawn } from './drawn';

const hidden = (yes: boolean) => Object.defineProperty(document, 'hidden', { value: yes, configurable: true });
const frames: FrameRequestCallback[] = [];

beforeEach(() => {
  jest.useFakeTimers();
  frames.length = 0;
  jest.spyOn(globalThis, 'requestAnimationFrame').mockImplementation((frame) => frames.push(frame));
});
afterEach(() => {
  jest.runAllTimers();
  jest.useRealTimers();
  jest.restoreAllMocks();
  hidden(false);
});

/** What has resolved once nothing more is to be done now. */
async function after(one: Promise<void>): Promise<boolean> {
  let yes = false;
  void one.then(() => (yes = true));
  for (let i = 0; i < 5; i++) await Promise.resolve();
  return yes;
}

test('waits for the frame, in which all that was touched before it is shown', async () => {
  const [first, second] = [drawn(), drawn()];
  expect(frames).toHaveLength(1);
  frames[0]!(0);
  expect(await after(first)).toBe(false);
  jest.advanceTimersByTime(1);
  expect([await after(first), await after(second)]).toEqual([true, true]);
  void drawn();
  expect(frames).toHaveLength(2);
});

test('waits for no frame that does not come', async () => {
  const one = drawn();
  jest.advanceTimersByTime(100);
  expect(await after(one)).toBe(true);
});

test('waits for nothing once the page is put away', async () => {
  const one = drawn();
  hidden(true);
  document.dispatchEvent(new Event('visibilitychange'));
  expect(await after(one)).toBe(true);
  expect(await after(drawn())).toBe(true);
  expect(frames).toHaveLength(1);
});

test('waits for nothing once the page is about to be reloaded', async () => {
  const one = drawn();
  window.dispatchEvent(new Event('beforeunload'));
  expect(await after(one)).toBe(true);
});
