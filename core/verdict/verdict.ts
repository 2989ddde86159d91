import { factLabel, stationOf, type Case, type Station } from '../case';
import type { Edition } from '../codebook';
import { Look, Missing, OWN_NUMBER, type Step, type Working } from '../electrical';
import { LOCAL, rulesOf, type Profile } from '../profile';
import { RULES, type Finding, type Rule, type Severity } from '../rules';

/** Version of the engine, kept in every sealed record. */
export const ENGINE = '0.3.0';

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
  /** What a local profile changed of this outcome, in a sentence; null where it changed nothing. */
  readonly changedBy: string | null;
}

/** Why a rule is unproven, in a sentence that keeps "not looked at yet" and "looked, not seen" apart. */
function unprovenReason(look: Look, paths: readonly string[]): string {
  const yet: string[] = [];
  const unseen: string[] = [];
  for (const path of paths) (look.notSeen(path) ? unseen : yet).push(factLabel(path));
  const parts: string[] = [];
  if (yet.length > 0) parts.push(`Not looked at yet: ${yet.join('; ')}.`);
  if (unseen.length > 0) parts.push(`Looked, not seen: ${unseen.join('; ')}.`);
  return parts.join(' ');
}

interface Judging {
  readonly rule: Rule;
  readonly edition: Edition;
  readonly working: Working;
  readonly profile: Profile | undefined;
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
  readonly #by: Judging;
  #working: readonly Step[] | undefined;

  constructor(
    by: Judging,
    readonly outcome: OutcomeKind,
    readonly reason: string,
    finding?: Finding,
    readonly needs: readonly string[] = NO_NEEDS,
  ) {
    const change = by.profile?.rules[by.rule.id];
    this.rule = by.rule.id;
    this.station = by.rule.station;
    this.severity = finding?.severity ?? change?.severity ?? by.rule.severity;
    this.found = finding?.found ?? null;
    this.allowed = finding?.allowed ?? null;
    this.unit = finding?.unit ?? null;
    this.cites = change?.cites ?? by.rule.cites[by.edition];
    this.remedy = finding?.remedy ?? null;
    this.#by = by;
  }

  get working(): readonly Step[] {
    return (this.#working ??= this.#by.working.steps);
  }

  get changedBy(): string | null {
    const { profile, rule } = this.#by;
    if (!profile) return null;
    const change = profile.rules[rule.id];
    const what = [
      ...(change?.off ? ['switched off'] : []),
      ...(change?.severity && change.severity !== rule.severity
        ? [`${change.severity} instead of ${rule.severity}`]
        : []),
      ...(change?.cites ? ['own citation'] : []),
      ...this.working
        .filter((step) => step.source === OWN_NUMBER)
        .map((step) => `${step.label}: ${step.value} ${step.unit}`),
      ...(rule.id.startsWith(LOCAL) ? ['own item'] : []),
    ];
    return what.length > 0 ? `${profile.office}: ${what.join('; ')}${change ? ` (${change.reason})` : ''}` : null;
  }

  toJSON(): Outcome {
    return { ...this, working: this.working, changedBy: this.changedBy };
  }
}

const NO_NEEDS: readonly string[] = [];

/** One rule on one case: exactly one of four outcomes. A `Look` carries the edition and the office’s numbers. */
export function judge(rule: Rule, at: Case | Look, profile?: Profile): Outcome {
  const look = new Look(at);
  const by: Judging = { rule, edition: look.edition, working: look.working, profile };
  const change = profile?.rules[rule.id];
  if (change?.off)
    return new Judged(by, 'not-applicable', `Does not apply: ${profile!.office} has switched it off. ${change.reason}`);
  try {
    const why = rule.notApplicable?.(look);
    if (why !== undefined) return new Judged(by, 'not-applicable', `Does not apply: ${why}.`);
    const finding = rule.check(look);
    return new Judged(by, finding.outcome, finding.reason, finding);
  } catch (error) {
    if (!(error instanceof Missing)) throw error;
    return new Judged(by, 'unproven', error.why ?? unprovenReason(look, error.paths), undefined, error.paths);
  }
}

/** Any hazard, else any correction, else any required rule unproven, else nothing. Advisories never block. */
export function verdictOf(outcomes: readonly Outcome[]): Verdict {
  let verdict: Verdict = 'nothing-against';
  for (const { outcome, severity } of outcomes) {
    if (severity === 'advisory') continue;
    if (outcome === 'violation') {
      if (severity === 'hazard') return 'do-not-energise';
      verdict = 'corrections-required';
    } else if (outcome === 'unproven' && verdict === 'nothing-against') verdict = 'not-finished';
  }
  return verdict;
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

/** What a case is judged under, where it is not the case’s own edition alone. */
export interface Under {
  readonly edition?: Edition | undefined;
  readonly profile?: Profile | undefined;
  /** These rules alone, by id; all where none is named. */
  readonly rules?: readonly Rule[] | undefined;
}

/**
 * Every rule on a case, under the edition asked for, else the office’s, else the case’s. The case is taken as read: check
 * it with `readCase` first.
 */
export function evaluate(c: Case, { edition, profile, rules }: Under = {}): Evaluation {
  const look = new Look(c, edition ?? profile?.edition, profile?.numbers);
  const judging = rules ?? (profile ? [...RULES, ...rulesOf(profile)] : RULES);
  const outcomes = judging.map((rule) => judge(rule, look, profile));
  return { edition: look.edition, engine: ENGINE, verdict: verdictOf(outcomes), outcomes };
}

/** The outcomes that are violations. */
export const violationsOf = ({ outcomes }: Evaluation): Outcome[] =>
  outcomes.filter((one) => one.outcome === 'violation');

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
