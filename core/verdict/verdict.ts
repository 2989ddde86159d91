import { NOT_SEEN, factAt, factLabel, stationOf, type Case, type Station } from '../case';
import { everyEdition, type Edition } from '../codebook';
import { Look, Missing, OWN_NUMBER, type Step } from '../electrical';
import type { Profile } from '../profile';
import { RULES, type Finding, type Rule, type Severity } from '../rules';

/** Version of the engine, kept in every sealed record. */
export const ENGINE = '0.2.0';

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
function unprovenReason(c: Case, paths: readonly string[]): string {
  const named = (seen: boolean) => paths.filter((path) => (factAt(c, path) === NOT_SEEN) === seen).map(factLabel);
  const parts: string[] = [];
  if (named(false).length > 0) parts.push(`Not looked at yet: ${named(false).join('; ')}.`);
  if (named(true).length > 0) parts.push(`Looked, not seen: ${named(true).join('; ')}.`);
  return parts.join(' ');
}

interface Judging {
  readonly rule: Pick<Rule, 'station' | 'severity' | 'cites'> & { readonly id: string };
  readonly look: Look;
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
    this.cites = change?.cites ?? by.rule.cites[by.look.edition];
    this.remedy = finding?.remedy ?? null;
    this.#by = by;
  }

  get working(): readonly Step[] {
    return (this.#working ??= this.#by.look.steps);
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
/** Rules that a profile brings of its own. */
const LOCAL = 'local/';

/** One rule on one case: exactly one of four outcomes. A `Look` carries the edition and the office’s numbers. */
export function judge(rule: Rule, at: Case | Look, profile?: Profile): Outcome {
  const look = new Look(at);
  const by: Judging = { rule, look, profile };
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
    return new Judged(by, 'unproven', error.why ?? unprovenReason(look.site, error.paths), undefined, error.paths);
  }
}

/** The office’s own items, and who may install, as outcomes beside those of the rules. */
function localOutcomes(at: Look, profile: Profile): Outcome[] {
  const answers = at.site.local ?? {};
  const one = (
    id: string,
    severity: Severity,
    cite: string,
    right: string,
    words: { good: string; bad: string; remedy: string },
  ): Outcome => {
    const rule = { id: `${LOCAL}${id}`, station: 'panel' as const, severity, cites: everyEdition(cite) };
    const by: Judging = { rule, look: new Look(at), profile };
    const answer = answers[id];
    if (answer === undefined || answer === NOT_SEEN)
      return new Judged(by, 'unproven', unprovenReason(at.site, [`local.${id}`]), undefined, [`local.${id}`]);
    return answer === right
      ? new Judged(by, 'holds', words.good, { outcome: 'holds', reason: words.good })
      : new Judged(by, 'violation', words.bad, { outcome: 'violation', reason: words.bad, remedy: words.remedy });
  };
  return [
    ...(profile.installers === 'licensed'
      ? [
          one('installer', 'correction', 'local profile', 'licensed', {
            good: 'A licensed person did the work.',
            bad: 'The work was not done by a licensed person.',
            remedy: 'Have a licensed person take the work over, under a permit of their own.',
          }),
        ]
      : []),
    ...profile.checklist.map((item) =>
      one(item.id, item.severity, item.cite, 'yes', {
        good: `Yes: ${item.ask}`,
        bad: `No: ${item.ask}`,
        remedy: `Put it right: ${item.ask}`,
      }),
    ),
  ];
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

/** What a case is judged under, where it is not the case’s own edition alone. */
export interface Under {
  readonly edition?: Edition | undefined;
  readonly profile?: Profile | undefined;
  /** These rules alone, by id; all where none is named. */
  readonly rules?: readonly Rule[] | undefined;
}

/** Every rule on a case, under the edition asked for, else the office’s, else the case’s. The case is taken as read: check it with `readCase` first. */
export function evaluate(c: Case, { edition, profile, rules = RULES }: Under = {}): Evaluation {
  const adopted = edition ?? profile?.edition ?? c.edition;
  const look = new Look(c, adopted, profile?.numbers);
  const outcomes = rules.map((one) => judge(one, look, profile));
  if (profile && rules === RULES) outcomes.push(...localOutcomes(look, profile));
  return { edition: adopted, engine: ENGINE, verdict: verdictOf(outcomes), outcomes };
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
