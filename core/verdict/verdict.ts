import { factLabel, type Case, type Station } from '../case';
import { everyEdition, type Edition } from '../codebook';
import { Look, Missing, OWN_NUMBER, OWN_READING, USUAL_READING, type Step, type Working } from '../electrical';
import { LOCAL, isProtected, rulesOf, type Profile } from '../profile';
import { contradictionsAt, type Standing } from '../contradictions';
import { RULES, rule as ruleWith, type Finding, type Rule, type Severity } from '../rules';

/** Version of the engine, kept in every sealed record. */
export const ENGINE = '0.8.0';

export type OutcomeKind = 'holds' | 'violation' | 'unproven' | 'not-applicable';
export type Verdict = 'do-not-energize' | 'corrections-required' | 'not-finished' | 'nothing-against';

/** A violation of the same rule at another like part. */
export interface OtherPart {
  readonly part: string;
  readonly severity: Severity;
  readonly reason: string;
  readonly remedy: string | null;
}

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
  /** Id of the cord, stretch or circuit that it is about; null where it is about none. */
  readonly part: string | null;
  /** The same violation at other cords, stretches or circuits. */
  readonly others: readonly OtherPart[];
  /** Where offices differ: which reading was used, in a sentence; null where they do not. */
  readonly reading: string | null;
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
  readonly part: string | undefined;
  readonly others: readonly OtherPart[];
}

const RANK: Readonly<Record<Severity, number>> = { advisory: 0, correction: 1, hazard: 2 };

/**
 * How much a finding weighs: as the office says, else as the rule. A finding that weighs more than its rule's others (a
 * muffler at the window) is not made lighter by it; one that weighs less is made as heavy as the office wants the rule.
 */
function severityOf(rule: Rule, finding: Finding | undefined, office: Severity | undefined): Severity {
  const own = finding?.severity;
  if (own === undefined || office === undefined) return own ?? office ?? rule.severity;
  return RANK[own] > RANK[rule.severity] && RANK[own] > RANK[office] ? own : office;
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
  readonly part: string | null;
  readonly others: readonly OtherPart[];
  readonly #by: Judging;
  #working: readonly Step[] | undefined;

  constructor(
    by: Judging,
    readonly outcome: OutcomeKind,
    readonly reason: string,
    finding?: Finding,
    readonly needs: readonly string[] = NO_NEEDS,
  ) {
    const change = changeOf(by.profile, by.rule);
    this.rule = by.rule.id;
    this.station = by.rule.station;
    this.severity = severityOf(by.rule, finding, change?.severity);
    this.found = finding?.found ?? null;
    this.allowed = finding?.allowed ?? null;
    this.unit = finding?.unit ?? null;
    this.cites = change?.cites ?? by.rule.cites[by.edition];
    this.remedy = finding?.remedy ?? null;
    this.part = by.part ?? null;
    this.others = by.others;
    this.#by = by;
  }

  get working(): readonly Step[] {
    return (this.#working ??= this.#by.working.steps);
  }

  /** Facts that it looked at and that nobody has recorded. */
  get unlooked(): readonly string[] {
    return this.#by.working.unlooked;
  }

  /** Facts that it rests on. */
  get used(): readonly string[] {
    return [...this.#by.working.used];
  }

  get changedBy(): string | null {
    const { profile, rule } = this.#by;
    if (!profile) return null;
    const change = profile.rules[rule.id];
    const kept = change && isProtected(rule.id) && (change.off || (change.severity && change.severity !== 'hazard'));
    const what = [
      ...(kept ? ['may not be made weaker than a hazard, and stands as it is'] : []),
      ...(change?.off && !kept ? ['switched off'] : []),
      ...(change?.severity && !kept && change.severity !== rule.severity
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

  get reading(): string | null {
    const used = this.working.filter(({ source }) => source === OWN_READING || source === USUAL_READING);
    return used.length > 0
      ? used.map(({ label, value, source }) => `${label} Here: ${value} (${source}).`).join(' ')
      : null;
  }

  toJSON(): Outcome {
    return { ...this, working: this.working, reading: this.reading, changedBy: this.changedBy };
  }
}

/** Facts that an outcome looked at and that nobody has recorded: what may change it. None, of one that was read from a record. */
export const unlookedBy = (outcome: Outcome): readonly string[] =>
  outcome instanceof Judged ? outcome.unlooked : NO_NEEDS;

/** Facts that an outcome rests on, by their addresses. None, of one that was read from a record. */
export const usedBy = (outcome: Outcome): readonly string[] => (outcome instanceof Judged ? outcome.used : NO_NEEDS);

const NO_NEEDS: readonly string[] = [];
const NO_OTHERS: readonly OtherPart[] = [];

/** What the office has changed of a rule: nothing that would make one of the protected hazards weaker. */
function changeOf(profile: Profile | undefined, rule: Rule) {
  const change = profile?.rules[rule.id];
  if (!change || !isProtected(rule.id)) return change;
  return { ...change, off: false, severity: rule.severity === 'hazard' ? undefined : change.severity };
}

/** What is known of a house before any rule: which of its records cannot both be true. Whoever looks at one of them is told. */
function doubtsAt(look: Look): readonly Standing[] {
  const standing = contradictionsAt(look.aside());
  if (standing.length > 0) look.doubt(standing.flatMap(({ facts }) => facts));
  return standing;
}

/** All that is to be found out for a contradiction to end. */
const endsBy = ({ facts, ends }: Standing): readonly string[] => (ends === null ? facts : [...facts, ends]);

/** A contradiction as an outcome of its own: unproven while it stands, so that nothing is approved though no rule rests on it. */
const asRule = (one: Standing): Rule =>
  ruleWith({
    id: one.id as Rule['id'],
    holds: 'No two records contradict each other.',
    severity: 'correction',
    cites: everyEdition('guidance'),
    facts: [],
    check: () => {
      throw new Missing(endsBy(one), one.sentence);
    },
  });

/** Ends with `Missing` where something was looked at that contradicts another record. */
function requireUndoubted({ working }: Look, standing: readonly Standing[]): void {
  const { doubted } = working;
  const one = doubted && standing.find(({ facts }) => facts.includes(doubted));
  if (one) throw new Missing(endsBy(one), one.sentence);
}

/**
 * One rule on one case: exactly one of four outcomes. A `Look` carries the edition and the office’s numbers; `standing` are the
 * contradictions that it was told of.
 */
export function judge(rule: Rule, at: Case | Look, profile?: Profile, standing: readonly Standing[] = []): Outcome {
  const look = new Look(at);
  const by: Judging = {
    rule,
    edition: look.edition,
    working: look.working,
    profile,
    part: undefined,
    others: NO_OTHERS,
  };
  const change = changeOf(profile, rule);
  if (change?.off)
    return new Judged(by, 'not-applicable', `Does not apply: ${profile!.office} has switched it off. ${change.reason}`);
  try {
    const why = rule.notApplicable?.(look);
    if (why !== undefined) {
      requireUndoubted(look, standing);
      return new Judged(by, 'not-applicable', `Does not apply: ${why}.`);
    }
    const finding = rule.check(look);
    if (finding.outcome === 'holds') requireUndoubted(look, standing);
    const idOf = ({ part }: Finding) => part && look.idOf(part.list, part.index);
    const others = finding.others?.map((one) => ({
      part: idOf(one)!,
      severity: severityOf(rule, one, change?.severity),
      reason: one.reason,
      remedy: one.remedy ?? null,
    }));
    return new Judged(
      { ...by, part: idOf(finding), others: others ?? NO_OTHERS },
      finding.outcome,
      finding.reason,
      finding,
    );
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
      if (severity === 'hazard') return 'do-not-energize';
      verdict = 'corrections-required';
    } else if (outcome === 'unproven' && verdict === 'nothing-against') verdict = 'not-finished';
  }
  return verdict;
}

/** The verdict in words; one that an older engine sealed is spelled anew. */
export const verdictWords = (verdict: string): string =>
  VERDICT_WORDS[verdict.replace('energise', 'energize') as Verdict] ?? verdict;

export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = {
  'do-not-energize': 'Do not energize',
  'corrections-required': 'Corrections required',
  'not-finished': 'Not finished',
  'nothing-against': 'Nothing stands against approval',
};

export interface Evaluation {
  readonly edition: Edition;
  readonly engine: string;
  readonly verdict: Verdict;
  readonly outcomes: readonly Outcome[];
  /** Records that cannot both be true. */
  readonly contradictions: readonly Standing[];
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
  const look = new Look(c, edition ?? profile?.edition, profile?.numbers, profile?.readings);
  const judging = rules ?? (profile ? [...RULES, ...rulesOf(profile)] : RULES);
  const contradictions = doubtsAt(look);
  const outcomes = [...judging, ...contradictions.map(asRule)].map((rule) =>
    judge(rule, look, profile, contradictions),
  );
  return { edition: look.edition, engine: ENGINE, verdict: verdictOf(outcomes), outcomes, contradictions };
}

/** The outcomes that are violations. */
export const violationsOf = ({ outcomes }: Evaluation): Outcome[] =>
  outcomes.filter((one) => one.outcome === 'violation');
