import { pino, type DestinationStream, type Logger } from 'pino';
import { databaseCodeOf } from './problems';

/** What is told of an error: its kind, its code and where it arose. Its words may quote what somebody entered. */
export function errorOf(error: unknown): object {
  if (!(error instanceof Error)) return { type: typeof error };
  const frames = (error.stack ?? '').split('\n').filter((line) => /^\s+at /.test(line));
  const { constraint, table } = ((error.cause ?? error) as { constraint?: string; table?: string }) ?? {};
  return { type: error.name, code: databaseCodeOf(error), constraint, table, stack: frames.slice(0, 12).join('\n') };
}

/** Of a request: what was asked, without what was searched for, nor what alone lets its bearer in. */
export const requestOf = ({ id, method, url }: { id?: unknown; method?: string; url?: string }): object => ({
  id,
  method,
  url: url?.split('?', 1)[0]!.replace(/^\/calendar\/.*/, '/calendar/…'),
});

/** The server’s log: neither what people entered nor what identifies their session ever stands in it. */
export function serverLog(level = 'info', to?: DestinationStream): Logger {
  const options = {
    level,
    base: undefined,
    serializers: { err: errorOf, error: errorOf },
  };
  return to ? pino(options, to) : pino(options);
}
