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

/** An outcome whose working is written out when somebody reads it: most workings are never looked at. */
class Judged implements Outcome {
  readonly rule: string;
  readonly station: Station;
  readonly severity: Severity;
  readonly found: number | string | null;
  readonly allowed: number | string | null;
  readonly unit: string | null;
  readonly cites: readonly string[];
  readonly remedy: string | null;
  readonly #look: Look;

  constructor(
    one: Rule,
    look: Look,
    readonly outcome: OutcomeKind,
    readonly reason: string,
    finding: Finding | undefined,
    readonly needs: readonly string[],
  ) {
    this.rule = one.id;
    this.station = one.station;
    this.severity = finding?.severity ?? one.severity;
    this.found = finding?.found ?? null;
    this.allowed = finding?.allowed ?? null;
    this.unit = finding?.unit ?? null;
    this.cites = one.cites[look.edition];
    this.remedy = finding?.remedy ?? null;
    this.#look = look;
  }

  get working(): readonly Step[] {
    return this.#look.steps;
  }

  toJSON(): Outcome {
    return { ...this, working: this.working };
  }
}

const NO_NEEDS: readonly string[] = [];

/** One rule on one case: exactly one of four outcomes. */
export function judge(one: Rule, at: Case | Look, edition?: Edition): Outcome {
  const look = new Look(at, edition);
  try {
    const why = one.notApplicable?.(look);
    if (why !== undefined)
      return new Judged(one, look, 'not-applicable', `Does not apply: ${why}.`, undefined, NO_NEEDS);
    const finding = one.check(look);
    return new Judged(one, look, finding.outcome, finding.reason, finding, NO_NEEDS);
  } catch (error) {
    if (!(error instanceof Missing)) throw error;
    const reason = error.why ?? unprovenReason(look.site, error.paths);
    return new Judged(one, look, 'unproven', reason, undefined, error.paths);
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
  const look = new Look(c, edition);
  const outcomes = RULES.map((one) => judge(one, look));
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
