import { createHash } from 'node:crypto';

export const sha256 = (text: string | Buffer): string => createHash('sha256').update(text).digest('hex');

/** What a line of the ledger is about. */
export type LedgerKind = 'decision' | 'older-decision' | 'key' | 'people' | 'rules' | 'move' | 'restored' | 'day';

/** What is signed in a line of the ledger: its place, the line before, and what it is about. */
export interface Line {
  /** 1: the log tells changes alone, and accounts are in no line. 2: the log tells who sent each and when it came, and a line about an account how it stands after it. */
  readonly v: 1 | 2;
  readonly office: string;
  /** From 1 on, without gaps but those that a line “restored” ends. */
  readonly n: number;
  /** SHA-256 of the JWS before; empty for the first. */
  readonly prev: string;
  readonly kind: LedgerKind;
  /** Id of the decision, of the account or of the change, thumbprint of the key, version of the office's rules, or a day. */
  readonly subject: string;
  /** The office’s own time. */
  readonly at: string;
  readonly inspection?: string;
  readonly revision?: number;
  /** SHA-256 of the sealed record, of the office's rules, of the change, or of how an account stands, in canonical JSON; of a day, over its rows. */
  readonly record?: string;
  /** SHA-256 over all changes up to the decision, each with the one before. */
  readonly log?: string;
  readonly decided?: string;
  readonly by?: string;
  /** Of a decision: the version of the office's rules that it was judged under, null for none; and whether a hazard stood in it. */
  readonly rules?: number | null;
  readonly hazard?: boolean;
  /** The device’s time. */
  readonly signedAt?: string;
  readonly key?: object;
  /** What `by` did to an account, an order or a decision, in words. */
  readonly did?: string;
}

/** What a paper of a sealed decision is called by: the year, and its place in the office’s ledger; never used again. */
export const numberOf = ({ at, n }: Pick<Line, 'at' | 'n'>): string =>
  `${at.slice(0, 4)}-${String(n).padStart(4, '0')}`;
