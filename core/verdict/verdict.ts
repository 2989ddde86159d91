import { NOT_SEEN, factAt, factLabel, stationOf, type Case, type Station } from '../case';
import type { Edition } from '../codebook';
import { Look, Missing, type Step } from '../electrical';
import { RULES, type Finding, type Rule, type Severity } from '../rules';

/** Version of the engine, kept in every sealed record. */
export const ENGINE = '0.1.0';

export type OutcomeKind = 'holds' | 'violation' | 'unproven' | 'not-applicable';
export type Verdict = 'do-not-energise' | 'corrections-required' | 'not-finished' | 'nothing-against';

export interface Outcome {
  readonly rule: string;
  readonly station: Station;
  readonly outcome: OutcomeKind;
  readonly severity: Severity;
  readonly found: number | string | null;
  readonly allowed: number | string | null;
  readonly unit: string | null;
  /** Addresses of the facts that are missing, for `unproven` only. */
  readonly needs: readonly string[];
  readonly reason: string;
  readonly cites: readonly string[];
  readonly working: readonly Step[];
  readonly remedy: string | null;
}

/** Why a rule is unproven, in a sentence that keeps "not looked at yet" and "looked, not seen" apart. */
function unprovenReason(c: Case, paths: readonly string[]): string {
  const named = (seen: boolean) => paths.filter((path) => (factAt(c, path) === NOT_SEEN) === seen).map(factLabel);
  const parts: string[] = [];
  if (named(false).length > 0) parts.push(`Not looked at yet: ${named(false).join('; ')}.`);
  if (named(true).length > 0) parts.push(`Looked, not seen: ${named(true).join('; ')}.`);
  return parts.join(' ');
}

/** One rule on one case: exactly one of four outcomes. */
export function judge(one: Rule, c: Case, edition: Edition = c.edition): Outcome {
  const look = new Look(c, edition);
  const outcome = (kind: OutcomeKind, reason: string, rest: Partial<Outcome> = {}): Outcome => ({
    rule: one.id,
    station: one.station,
    outcome: kind,
    severity: one.severity,
    found: null,
    allowed: null,
    unit: null,
    needs: [],
    reason,
    cites: one.cites[edition],
    working: look.steps,
    remedy: null,
    ...rest,
  });
  try {
    const why = one.notApplicable?.(look);
    if (why !== undefined) return outcome('not-applicable', `Does not apply: ${why}.`);
    const finding: Finding = one.check(look);
    return outcome(finding.outcome, finding.reason, {
      found: finding.found ?? null,
      allowed: finding.allowed ?? null,
      unit: finding.unit ?? null,
      remedy: finding.remedy ?? null,
    });
  } catch (error) {
    if (!(error instanceof Missing)) throw error;
    return outcome('unproven', error.why ?? unprovenReason(c, error.paths), { needs: error.paths });
  }
}

/** Any hazard, else any correction, else any required rule unproven, else nothing. Advisories never block. */
export function verdictOf(outcomes: readonly Outcome[]): Verdict {
  const violated = (severity: Severity) =>
    outcomes.some((one) => one.outcome === 'violation' && one.severity === severity);
  if (violated('hazard')) return 'do-not-energise';
  if (violated('correction')) return 'corrections-required';
  if (outcomes.some((one) => one.outcome === 'unproven' && one.severity !== 'advisory')) return 'not-finished';
  return 'nothing-against';
}

export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = {
  'do-not-energise': 'Do not energise',
  'corrections-required': 'Corrections required',
  'not-finished': 'Not finished',
  'nothing-against': 'Nothing stands against approval',
};

export interface Evaluation {
  readonly edition: Edition;
  readonly engine: string;
  readonly verdict: Verdict;
  readonly outcomes: readonly Outcome[];
}

/** Every rule on a case. The case is taken as read: check it with `readCase` first. */
export function evaluate(c: Case, edition: Edition = c.edition): Evaluation {
  const outcomes = RULES.map((one) => judge(one, c, edition));
  return { edition, engine: ENGINE, verdict: verdictOf(outcomes), outcomes };
}

export type StationState = 'proved' | 'open' | 'violated' | 'absent';

/** How the current's path is drawn at a station: broken where violated, dashed where something is not proved, solid where it is. */
export function stationState(c: Case, evaluation: Evaluation, station: Station): StationState {
  const own = evaluation.outcomes.filter((one) => one.station === station);
  const some = (kind: OutcomeKind) => own.some((one) => one.outcome === kind);
  if (some('violation')) return 'violated';
  const wanted = evaluation.outcomes.some((one) => one.needs.some((path) => stationOf(path) === station));
  if (some('unproven') || wanted) return 'open';
  if (own.length === 0) return c[station] === undefined ? 'open' : 'proved'; // only feeds other stations' rules
  return some('holds') ? 'proved' : 'absent';
}
