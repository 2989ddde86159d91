import { takeReadings, type Behaviour } from './take-reading';

/** A socket that a test speaks through. */
class FakeSocket {
  static last: FakeSocket;
  readonly sent: { at: string }[] = [];
  onopen: (() => void) | null = null;
  onclose: (() => void) | null = null;
  onerror: (() => void) | null = null;
  onmessage: ((event: { data: string }) => void) | null = null;
  closed = false;
  constructor(readonly url: string) {
    FakeSocket.last = this;
  }
  send(text: string): void {
    this.sent.push(JSON.parse(text) as { at: string });
  }
  close(): void {
    this.closed = true;
  }
  say(...lines: object[]): void {
    for (const line of lines) this.onmessage?.({ data: JSON.stringify(line) });
  }
}

const LEGS = ['function.legAV', 'function.legBV'];
const volts = (value: number) => ({ quantity: 'V', value, range: 'AC' });
const seen: [string, number][] = [];
const begin = (paths = LEGS, behaviour: Behaviour = 'steady', signal = new AbortController().signal) => {
  const reading = takeReadings(paths, '3 Windfall Lane', behaviour, (path, value) => seen.push([path, value]), signal);
  FakeSocket.last.onopen?.();
  return { reading, socket: FakeSocket.last };
};

beforeEach(() => {
  jest.useFakeTimers();
  seen.length = 0;
  Object.assign(globalThis, { WebSocket: FakeSocket });
});
afterEach(() => jest.useRealTimers());

test('each value is taken once it stands still, one after the other, with the instrument’s name', async () => {
  const { reading, socket } = begin();
  socket.say({ instrument: 'Bench meter' }, volts(90), volts(121), volts(121.4));
  expect(socket.sent.map((one) => one.at)).toEqual(LEGS);
  socket.say(volts(119), volts(119.2));
  await expect(reading).resolves.toEqual({
    taken: [
      { path: 'function.legAV', value: 121.4 },
      { path: 'function.legBV', value: 119.2 },
    ],
    instrument: 'Bench meter',
  });
  expect(seen.map(([, value]) => value)).toEqual([90, 121, 121.4, 119, 119.2]);
  expect(socket.closed).toBe(true);
});

test('one that says nothing is given up with a sentence, and what was taken is kept', async () => {
  const { reading, socket } = begin();
  socket.say(volts(121), volts(121));
  jest.advanceTimersByTime(6000);
  await expect(reading).resolves.toMatchObject({
    taken: [{ path: 'function.legAV', value: 121 }],
    why: expect.stringContaining('says nothing') as string,
  });
});

test('what cannot be meant is passed over, and said', async () => {
  const { reading, socket } = begin(['function.legAV']);
  socket.say({ quantity: 'Hz', value: 60 }, volts(1e9), { quantity: 'V', value: 'OL' });
  socket.onmessage?.({ data: 'no JSON' });
  expect(seen).toEqual([]);
  jest.advanceTimersByTime(6000);
  await expect(reading).resolves.toMatchObject({
    taken: [],
    why: expect.stringContaining('cannot be meant') as string,
  });
});

test('an open circuit is over the range', async () => {
  const { reading, socket } = begin(['grounding.frameToPanelOhm']);
  const open = { quantity: 'Ω', value: null, over: true };
  socket.say(open, open);
  await expect(reading).resolves.toMatchObject({ taken: [{ value: 1_000_000 }] });
});

test('unplugged in the middle, and stopped by hand', async () => {
  const { reading, socket } = begin(LEGS, 'unplugged');
  expect(socket.url).toContain('behaviour=unplugged');
  socket.onclose?.();
  await expect(reading).resolves.toMatchObject({ why: expect.stringContaining('unplugged') as string });
  const abort = new AbortController();
  const { reading: stopped } = begin(LEGS, 'steady', abort.signal);
  abort.abort();
  await expect(stopped).resolves.toMatchObject({ taken: [], why: 'Stopped.' });
});
