import { PERSONAL, sealable } from '../ledger/hidden';
import { sha256 } from '../ledger/line';
import type { Case } from '@careful-latch/core/case';
import {
  canonicalText,
  type Claimed,
  type Conflict,
  type Docket,
  type Evidence,
  type Header,
  type Rules,
  type Signed,
} from '@careful-latch/core/record';
import type { Evaluation } from '@careful-latch/core/verdict';

/** What was shown when a decision was signed, kept for good, with the engine's version in the evaluation. */
export interface SealedRecord {
  readonly inspection: string;
  readonly revision: number;
  readonly header: Header;
  readonly case: Case;
  readonly evaluation: Evaluation;
  /** The office's rules that it was judged under; absent where the office had adopted none. */
  readonly rules?: Rules;
  /** Photos, each by its SHA-256, and notes; records sealed before there were any have none. */
  readonly evidence?: readonly Evidence[];
  /** What its contractor had claimed; absent where he asked for nothing. */
  readonly claimed?: Claimed;
  /** Facts that two people had recorded differently; absent where there were none. */
  readonly conflicts?: readonly Conflict[];
  /** Violations, orders, conditions and visits; records sealed before they had a life of their own have none. */
  readonly docket?: Docket;
  readonly decision: Omit<Signed, 'seal'>;
  /** When the office received it; records sealed before it was kept have none. */
  readonly receivedAt?: string;
  /** Whether it was signed without signal, and arrived later. */
  readonly offline?: boolean;
  readonly signedBy: { readonly account: string; readonly name: string };
  readonly office: { readonly id: string; readonly name: string };
  /** Seal of the decision before, so that none can be taken out; null for the first. */
  readonly previousSeal: string | null;
  /** With it the owner’s name is hashed into the seal. Not of the sealed data itself; gone once the name is destroyed, and in records sealed before there were any. */
  readonly salt?: string;
}

/** The record once its owner’s name is destroyed: the hash that was sealed stands in its place, and the salt is gone. */
export function withoutOwner({ salt, ...record }: SealedRecord): SealedRecord {
  return sealable(record, PERSONAL.decisions, salt);
}

/** SHA-256 over the record in canonical JSON (RFC 8785), hex; its owner’s name as a salted hash. */
export function sealOf(record: SealedRecord): string {
  return sha256(canonicalText(withoutOwner(record)));
}
