import { isSteady, quantityOf, valueOfLine } from '@careful-latch/core/walk';

/** What the stand-in does, for whoever wants to see it fail. */
export const BEHAVIOURS = {
  steady: 'steady',
  slow: 'slow',
  silent: 'silent',
  unplugged: 'unplugged',
  nonsense: 'nonsense',
} as const;
export type Behaviour = keyof typeof BEHAVIOURS;

/** A meter that says nothing for so long is asked no more. */
const PATIENCE_MS = 6000;

export interface Taken {
  readonly path: string;
  readonly value: number;
}

/**
 * Takes readings one after the other: each is taken once it stands still. `onValue` is told what comes meanwhile. Where the
 * meter is unplugged, says nothing, or nothing that can be meant, `why` says so; what was taken before is given with it.
 */
export function takeReadings(
  paths: readonly string[],
  house: string,
  behaviour: Behaviour,
  onValue: (path: string, value: number) => void,
  signal: AbortSignal,
): Promise<{ readonly taken: readonly Taken[]; readonly instrument: string; readonly why?: string }> {
  return new Promise((resolve) => {
    const { protocol, host } = location;
    const socket = new WebSocket(`${protocol === 'https:' ? 'wss' : 'ws'}://${host}/api/meter?behaviour=${behaviour}`);
    const taken: Taken[] = [];
    let instrument = 'Meter';
    let before: number | undefined;
    let nonsense = false;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const end = (why?: string) => {
      clearTimeout(timer);
      signal.removeEventListener('abort', stop);
      socket.onclose = null;
      socket.close();
      resolve({ taken, instrument, ...(why !== undefined && { why }) });
    };
    const stop = () => end('Stopped.');
    const ask = () => {
      const path = paths[taken.length];
      if (path === undefined) return end();
      before = undefined;
      clearTimeout(timer);
      timer = setTimeout(
        () =>
          end(
            nonsense
              ? 'What the meter says cannot be meant here. Check its range and its leads, or type the value.'
              : 'The meter says nothing. Check that it is on, and its leads, or type the value.',
          ),
        PATIENCE_MS,
      );
      socket.send(JSON.stringify({ want: quantityOf(path), at: path, house }));
    };
    signal.addEventListener('abort', stop);
    socket.onopen = ask;
    socket.onerror = () => undefined; // it closes right after
    socket.onclose = () =>
      end('The meter cannot be reached: it is unplugged, or out of range. Connect it again, or type the value.');
    socket.onmessage = ({ data }) => {
      let line: unknown;
      try {
        line = JSON.parse(String(data));
      } catch {
        nonsense = true;
        return;
      }
      const named = (line as { instrument?: unknown } | null)?.instrument;
      if (typeof named === 'string') {
        instrument = named.slice(0, 60);
        return;
      }
      const path = paths[taken.length];
      if (path === undefined) return;
      const value = valueOfLine(path, line);
      if (value === undefined) {
        nonsense = true;
        return;
      }
      onValue(path, value);
      if (!isSteady(before, value)) {
        before = value;
        return;
      }
      taken.push({ path, value });
      ask();
    };
  });
}
