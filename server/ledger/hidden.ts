import { isDestroyed, type Change } from '@careful-latch/core/record';
import { sha256 } from './line';

/**
 * What tells of a person in something that is sealed. The seal is made over a salted hash in its place: what the law wants destroyed can be, and the
 * seal holds over the hash that is left. Of a decision's change it is the hash of what was shown, by which names could be guessed.
 */
export const PERSONAL = {
  changes: [['header', 'owner'], ['owner'], ['over', 'owner'], ['shown']],
  decisions: [['header', 'owner']],
} as const;

/** What stands for a text once it is destroyed, and in what is sealed from the start. */
export const hidden = (salt: string, text: string): string =>
  isDestroyed(text) ? text : `sha256:${sha256(`${salt} ${text}`)}`;

function hiddenAt<T>(data: T, [key, ...rest]: readonly string[], salt: string): T {
  const value = (data as Record<string, unknown>)[key!];
  if (rest.length > 0 ? typeof value !== 'object' || value === null : typeof value !== 'string') return data;
  const now = rest.length > 0 ? hiddenAt(value, rest, salt) : hidden(salt, value as string);
  return now === value ? data : { ...data, [key!]: now };
}

/** Data as it is sealed: all that is personal in it hidden. Data without a salt were sealed as they stand. */
export const sealable = <T>(data: T, paths: readonly (readonly string[])[], salt: string | null | undefined): T =>
  salt ? paths.reduce<T>((now, path) => hiddenAt(now, path, salt), data) : data;

/** A change as it stands in the log of its inspection. */
export const inLog = (change: Change, salt: string | null): Change => sealable(change, PERSONAL.changes, salt);
