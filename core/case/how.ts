import { factBy, keysOf } from './path';
import type { Recorded } from './recorded';
import type { Case } from './schema';

/** The address by which a fact is kept here: an entry by its id, for its place may change. */
export function lastingPath(c: Case, path: string): string {
  const at = path.indexOf('[');
  if (at < 0) return path;
  const keys = keysOf(path);
  const place = keys.findIndex((key) => typeof key === 'number');
  const id = factBy(c, [...keys.slice(0, place + 1), 'id']);
  return typeof id === 'string' ? path.replace(/\[\d+\]/, `[${id}]`) : path;
}

/** How the fact at an address was recorded; undefined where nothing says so. */
export const recordedAt = (c: Case, path: string): Recorded | undefined => c.recorded?.[lastingPath(c, path)];

/** The case with a line of how a fact was recorded; undefined takes the line away. */
export function withRecorded(c: Case, path: string, how: Recorded | undefined): Case {
  const key = lastingPath(c, path);
  const { [key]: _, ...rest } = c.recorded ?? {};
  const lines = how ? { ...rest, [key]: how } : rest;
  const { recorded: _all, ...facts } = c;
  return Object.keys(lines).length > 0 ? { ...c, recorded: lines } : facts;
}

/** What the simulated meter calls itself: it comes with the demo, and proves nothing. */
const SIMULATED = /^Simulated /;
/** Whether a line of how a fact was recorded names the simulated meter. */
export const saysSimulated = ({ how, said }: { readonly how: string; readonly said?: string | undefined }): boolean =>
  how === 'meter' && said !== undefined && SIMULATED.test(said);
export const isSimulated = (c: Case, path: string): boolean => {
  const line = recordedAt(c, path);
  return line !== undefined && saysSimulated(line);
};
