import canonicalize from 'canonicalize';
import type { Evaluation } from '../verdict';
import type { Inspection } from './inspection';

/** Data as canonical JSON (RFC 8785): the same data is the same text everywhere. */
export const canonicalText = (data: unknown): string => canonicalize(data)!;

/**
 * What a person has on the screen when they decide, as canonical JSON (RFC 8785): head, facts with how each was recorded,
 * photos and notes, violations and orders, the office's rules, and every outcome with the engine that found it. A decision carries its SHA-256, and the office takes the
 * decision only where its own comes out the same.
 */
export const shownText = (
  { header, case: site, evidence, docket, rules, conflicts, claimed }: Inspection,
  evaluation: Evaluation,
): string =>
  canonicalText({
    header,
    case: site,
    evidence,
    docket,
    evaluation,
    ...(rules && { rules }),
    ...(conflicts && { conflicts }),
    ...(claimed && { claimed }),
  });
