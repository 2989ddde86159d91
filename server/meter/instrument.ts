import type { IncomingMessage, Server } from 'node:http';
import { WebSocketServer, type WebSocket } from 'ws';
import { factAt } from '@careful-latch/core/case';
import { isMetered, quantityOf } from '@careful-latch/core/walk';
import { DEMO_PROPERTIES } from '../demo/properties';
import { factsOf } from '../demo/load';

/** What a sound house shows, by the fact that is measured. */
const SOUND: Readonly<Record<string, number>> = {
  'source.neutralFrameOhm': 1_000_000,
  'grounding.frameToPanelOhm': 0.2,
  'grounding.cordGroundOhm': 0.2,
  'grounding.leadsOhm': 0.1,
  'function.legAV': 120.4,
  'function.legBV': 121.6,
  'function.legsV': 241.8,
  'function.otherLegAV': 121.4,
  'function.otherLegBV': 120.2,
  'function.groundA': 0,
  'function.hertz': 60.2,
  'function.pinsV': 0,
  'function.pinsLowZV': 0,
  'function.neutralPinV': 0,
  'neutral.unbalancedA': 6,
  'transfer.torqueLbIn': 45,
};

const BEHAVIOURS = ['steady', 'slow', 'silent', 'unplugged', 'nonsense'] as const;
type Behaviour = (typeof BEHAVIOURS)[number];

const MOST_ASKED_BYTES = 1000;
const MOST_CONNECTED = 100;
/** Readings settle: the first ones are off by so much of the value. */
const SETTLING = [0.12, 0.03, 0, 0, 0];
const PAUSE_MS: Readonly<Record<Behaviour, number>> = { steady: 40, slow: 900, silent: 0, unplugged: 60, nonsense: 60 };

/** What stands at the probes: the demo house's own value, else that of a sound house. */
export function valueAt(path: string, house: string | undefined): number | undefined {
  const property = DEMO_PROPERTIES.find((one) => one.header.address === house);
  const site = property && factsOf(property);
  const own = site && factAt(site, path);
  return typeof own === 'number' ? own : SOUND[path];
}

/** The lines that the instrument sends for one measurement. An open circuit is over the range. */
export function linesFor(path: string, house: string | undefined, behaviour: Behaviour): readonly object[] {
  if (behaviour === 'silent' || !isMetered(path)) return [];
  const quantity = quantityOf(path);
  if (behaviour === 'nonsense')
    return [
      { quantity, value: 'OL?!' },
      { quantity: 'furlongs', value: -7 },
      { quantity, value: 1e12 },
    ];
  const value = valueAt(path, house);
  if (value === undefined) return [];
  const over = quantity === 'Ω' && value >= 1_000_000;
  return SETTLING.map((off) =>
    over
      ? { quantity, value: null, over: true }
      : { quantity, value: Math.round(value * (1 - off) * 100) / 100, range: 'auto' },
  );
}

function attend(socket: WebSocket, behaviour: Behaviour): void {
  let running: ReturnType<typeof setInterval> | undefined;
  const stop = () => clearInterval(running);
  socket.send(JSON.stringify({ instrument: 'Simulated meter', simulated: true }));
  socket.on('message', (data) => {
    stop();
    let asked: { at?: unknown; house?: unknown };
    try {
      asked = JSON.parse(String(data)) as typeof asked;
    } catch {
      return; // an instrument does not argue
    }
    if (typeof asked?.at !== 'string') return;
    if (behaviour === 'unplugged') return void setTimeout(() => socket.terminate(), PAUSE_MS.unplugged);
    const lines = [...linesFor(asked.at, typeof asked.house === 'string' ? asked.house : undefined, behaviour)];
    running = setInterval(() => {
      const line = lines.shift();
      if (!line) return stop();
      socket.send(JSON.stringify(line));
    }, PAUSE_MS[behaviour]);
  });
  socket.on('close', stop);
  socket.on('error', stop);
}

/** What comes in a request's head may be anything: the origin of a page in a sandbox is “null”. */
const urlOf = (text: string, base?: string): URL | undefined =>
  URL.canParse(text, base) ? new URL(text, base) : undefined;

/** A meter that is none: speaks the open line protocol of docs/meter.md at /api/meter, and says that it is simulated. */
export function simulateMeter(server: Server): WebSocketServer {
  const sockets = new WebSocketServer({ noServer: true, maxPayload: MOST_ASKED_BYTES });
  server.on('upgrade', (request: IncomingMessage, socket, head) => {
    const url = urlOf(request.url ?? '/', 'http://office');
    const { origin, host } = request.headers;
    const own = origin === undefined || urlOf(origin)?.host === host;
    if (url?.pathname !== '/api/meter' || !own || sockets.clients.size >= MOST_CONNECTED) return void socket.destroy();
    const wanted = url.searchParams.get('behaviour');
    const behaviour = BEHAVIOURS.find((one) => one === wanted) ?? 'steady';
    sockets.handleUpgrade(request, socket, head, (open) => attend(open, behaviour));
  });
  return sockets;
}
