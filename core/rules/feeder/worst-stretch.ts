import { stretchAt } from '../../case';
import { lacking, type Look } from '../../electrical';
import type { Finding } from '../rule';

/** A stretch's finding, and what ranks it: the stretch with the least is the worst. */
export interface Judged {
  readonly finding: Finding;
  readonly least: number;
}

/**
 * Judges every stretch by itself and lets the worst decide: the worst violation, even where other stretches
 * lack facts; else what is missing anywhere; else the worst that holds.
 */
export function worstStretch(look: Look, judge: (side: Look, index: number) => Judged): Finding {
  const parts = Array.from({ length: look.stretches }, (_, i) => look.attempt((side) => judge(side, i)));
  const judged = parts.flatMap(({ working, value }) => (value ? [{ working, ...value }] : []));
  const violations = judged.filter((one) => one.finding.outcome === 'violation');
  if (violations.length === 0) lacking(parts);
  const pool = violations.length > 0 ? violations : judged;
  const worst = pool.reduce((a, b) => (b.least < a.least ? b : a));
  look.adopt(worst);
  return worst.finding;
}

/** How a stretch is named in a finding: "stretch 2, attic", or "feeder" where it is the only one. */
export function stretchName(look: Look, index: number): string {
  if (look.stretches === 1) return 'feeder';
  const place = look.known(stretchAt(index).place);
  return `stretch ${index + 1}${place ? `, ${place}` : ''}`;
}
