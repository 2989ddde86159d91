import canonicalize from 'canonicalize';
import type { Evaluation } from '../verdict';
import type { Inspection } from './inspection';

/** Data as canonical JSON (RFC 8785): the same data is the same text everywhere. */
export const canonicalText = (data: unknown): string => canonicalize(data)!;

/**
 * What a person has on the screen when they decide, as canonical JSON (RFC 8785): head, facts with how each was recorded,
 * photos and notes, violations and orders, which decisions were signed, the office's rules, and every outcome with the engine that found it. A decision carries its SHA-256,
 * and the office takes the decision only where its own comes out the same: so none is signed twice from one screen, nor over one that its signer had not heard of.
 */
export const shownText = (
  { header, case: site, evidence, docket, decisions, rules, conflicts, claimed }: Inspection,
  evaluation: Evaluation,
): string =>
  canonicalText({
    header,
    case: site,
    evidence,
    docket,
    evaluation,
    ...(decisions.length > 0 && { decisions: decisions.map(({ id }) => id) }),
    ...(rules && { rules }),
    ...(conflicts && { conflicts }),
    ...(claimed && { claimed }),
  });
