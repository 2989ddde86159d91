import { string } from 'yup';

/** A device whose clock differs from the office's by more than this is set wrong. */
const MOST_OFF_MS = 10 * 60_000;
/** What a signature may lie outside of what the office knows of it, for two clocks that are right. */
const SWING_MS = 1000;

/** What the device's clock says while it sends; with it the office sees whether that clock is right. Older devices do not say. */
export const deviceNow = string()
  .matches(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?Z$/, 'The time of the device is an ISO time in UTC.')
  .optional();

/** How much is to be added to what a device says, ms: 0 where its clock is right enough, or it does not say. How long ago something was recorded is no error of a clock. */
export function clockOffMs(now: string | undefined, receivedAt: number): number {
  const offMs = now === undefined ? 0 : receivedAt - Date.parse(now);
  return Math.abs(offMs) > MOST_OFF_MS ? offMs : 0;
}

/** Something with a time, dated by the office's clock; what the device's said stays beside it. */
export type Dated<T> = T & { readonly clockAt?: string };

const between = (at: number, from: number, to: number, swingMs: number) =>
  at > to + swingMs ? to : at < from - swingMs ? from : at;

/**
 * Dates something anew: moved by what its device's clock is off, and not outside of what the office knows. What a device shows
 * with its time stays as it shows it where its clock is right enough; a signature is held to the second.
 */
export function dated<T extends { readonly at: string; readonly type?: string }>(
  one: T,
  offMs: number,
  from: number,
  to: number,
): Dated<T> {
  const said = Date.parse(one.at);
  const at = between(said + offMs, Math.min(from, to), to, one.type === 'decide' ? SWING_MS : MOST_OFF_MS);
  return at === said ? one : { ...one, at: new Date(at).toISOString(), clockAt: one.at };
}

/** It as its device has sent it. */
export function asSent<T extends { readonly at: string }>({ clockAt, ...one }: Dated<T>): object {
  return clockAt === undefined ? one : { ...one, at: clockAt };
}
