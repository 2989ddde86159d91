import { once } from 'node:events';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { WebSocket } from 'ws';
import { isSteady, valueOfLine } from '@careful-latch/core/walk';
import { linesFor, simulateMeter, valueAt } from './instrument';

let server: Server;
let address: string;
beforeAll(async () => {
  server = createServer().listen(0, '127.0.0.1');
  await once(server, 'listening');
  address = `ws://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
const sockets: { close(): void }[] = [];
afterAll(() => {
  for (const one of sockets) one.close();
  server.close();
});

/** The lines that come until one is wanted no more. */
async function linesOf(path: string, at: string, count: number): Promise<unknown[]> {
  const socket = new WebSocket(`${address}${path}`);
  const lines: unknown[] = [];
  socket.on('message', (data) => lines.push(JSON.parse(String(data))));
  await once(socket, 'open');
  socket.send(JSON.stringify({ want: 'V', at, house: 'nowhere' }));
  while (lines.length < count) await once(socket, 'message');
  socket.close();
  return lines;
}

test('it says that it is simulated, and its values settle', async () => {
  sockets.push(simulateMeter(server));
  const [hello, ...values] = await linesOf('/api/meter', 'function.legAV', 5);
  expect(hello).toEqual({ instrument: 'Simulated meter', simulated: true });
  const taken = values.map((line) => valueOfLine('function.legAV', line)!);
  expect(isSteady(taken[0], taken[1]!)).toBe(false);
  expect(isSteady(taken[2], taken[3]!)).toBe(true);
  expect(taken[3]).toBeCloseTo(120.4, 1);
});

test('any other address is refused, and a stranger’s page too, whatever it calls itself; nothing of it ends the server', async () => {
  for (const [path, headers] of [
    ['/api/other', {}],
    ['/api/meter', { origin: 'http://elsewhere.example' }],
    ['/api/meter', { origin: 'null' }],
    ['//', {}],
  ] as const) {
    const socket = new WebSocket(`${address}${path}`, { headers });
    const [error] = (await once(socket, 'error')) as [Error];
    expect(error.message).toMatch(/hang up|closed/);
  }
});

test('unplugged it closes in the middle; silent it sends nothing; nonsense is no value', async () => {
  const socket = new WebSocket(`${address}/api/meter?behaviour=unplugged`);
  await once(socket, 'open');
  socket.send(JSON.stringify({ at: 'function.legAV' }));
  await once(socket, 'close');
  expect(linesFor('function.legAV', undefined, 'silent')).toEqual([]);
  const odd = linesFor('function.legAV', undefined, 'nonsense');
  expect(odd.length).toBeGreaterThan(0);
  expect(odd.map((line) => valueOfLine('function.legAV', line))).toEqual(odd.map(() => undefined));
});

test('a demo house shows its own values, an open circuit is over the range, and what no meter measures is nothing', () => {
  expect(valueAt('grounding.frameToPanelOhm', '3 Windfall Lane')).toBe(0.2);
  const [line] = linesFor('source.neutralFrameOhm', '3 Windfall Lane', 'steady');
  expect(line).toMatchObject({ quantity: 'Ω', over: true });
  expect(valueOfLine('source.neutralFrameOhm', line)).toBe(1_000_000);
  expect(linesFor('breaker.ratingA', undefined, 'steady')).toEqual([]);
});
