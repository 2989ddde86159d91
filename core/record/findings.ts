import type { Station } from '../case';
import { LOCAL, isByPhoto } from '../profile';
import { RULES, type Rule } from '../rules';
import { dependentsOf } from '../rules/dependents';
import type { Evaluation, Outcome } from '../verdict';
import type { Seen } from './docket';
import { MOST_CITES, isOpen, openedAt, sameFinding, type FindingRef, type Violation } from './kinds/violation';
import { visitUnderWay } from './kinds/visit';
import { isApproval, type Inspection } from './inspection';
import { judged } from './judging';

/** A violation that the engine finds, at one part: one that stands against approval. */
export interface Found extends FindingRef {
  readonly severity: 'hazard' | 'correction';
  readonly station: Station;
  readonly reason: string;
  readonly remedy: string;
  readonly cites: readonly string[];
}

/** What the engine finds against approval, each at its own cord, stretch or circuit; advice is not among it. */
export function foundIn({ outcomes }: Evaluation): Found[] {
  return outcomes.flatMap((one) => {
    if (one.outcome !== 'violation') return [];
    const { rule, station, cites } = one;
    return [one, ...one.others].flatMap(({ part, severity, reason, remedy }) =>
      severity === 'advisory' ? [] : [{ rule, part, station, severity, reason, remedy: remedy ?? '', cites }],
    );
  });
}

/** Findings of one cause as a violation that is cited, named by the first of them. */
export function violationOf(all: readonly [Found, ...Found[]]) {
  const each = <T>(of: (one: Found) => readonly T[]) => [...new Set(all.flatMap(of))];
  return {
    to: 'open' as const,
    words: '',
    findings: all.map(({ rule, part }) => ({ rule, part })),
    is: {
      words: each(({ reason }) => [reason]).join(' '),
      remedy: each(({ remedy }) => (remedy === '' ? [] : [remedy])).join(' '),
      cites: each(({ cites }) => cites).slice(0, MOST_CITES),
      severity: all.some(({ severity }) => severity === 'hazard') ? ('hazard' as const) : ('correction' as const),
      station: all[0].station,
    },
  };
}

const byId = new Map<string, Pick<Rule, 'station' | 'facts'>>(RULES.map((rule) => [rule.id, rule]));
/** What is known of a rule by its id; an item of the office's own is one answer, under its own name. */
const ruleOf = (rule: string): Pick<Rule, 'station' | 'facts'> | undefined =>
  rule.startsWith(LOCAL) ? { station: 'panel', facts: [`local.${rule.slice(LOCAL.length)}`] } : byId.get(rule);
/** Facts so general that recording them again proves nothing in particular. */
const GENERAL = ['transfer.kind', 'transfer.otherKind', 'source.voltage', 'source.kind', 'source.outlet'];

/** The facts that say something of a rule in particular, by catalogue key. */
export const particularOf = (rule: string): readonly string[] =>
  ruleOf(rule)?.facts.filter((fact) => !GENERAL.includes(fact)) ?? [];

/** The facts by which a rule is proved, by catalogue key: those of its own station, where it has any. */
export function provenBy(rule: string): readonly string[] {
  const own = particularOf(rule).filter((fact) => fact.startsWith(`${ruleOf(rule)!.station}.`));
  return own.length > 0 ? own : particularOf(rule);
}

const PLACE = /\[([^\]]+)\]/;

/** How something was looked at since a time: a fact recorded at the house, or a photo or note alone; undefined where it was not. */
type LookedAt = 'fact' | 'photo' | undefined;

/** Whether somebody has recorded one of some facts, or made a photo or note of it or of the rule, since a time; of one part, where one is named. */
function recordedSince(
  { case: c, evidence }: Inspection,
  facts: readonly string[],
  { rule, part }: FindingRef,
  since: string,
): LookedAt {
  const isOf = (lasting: string) =>
    facts.includes(lasting.replace(PLACE, '')) &&
    (part === null || [undefined, part].includes(PLACE.exec(lasting)?.[1]));
  if (Object.entries(c.recorded ?? {}).some(([lasting, { at }]) => at > since && isOf(lasting))) return 'fact';
  return evidence.some(({ about, at }) => at > since && (about === rule || isOf(about))) ? 'photo' : undefined;
}

/** Whether a violation may be settled by what a photo shows: no hazard, and nothing that is measured, bonded, torqued or moved. */
export const isSettledByPhoto = ({ rules }: Pick<Inspection, 'rules'>, { severity, findings }: Violation): boolean =>
  severity !== 'hazard' && findings.length > 0 && findings.every(({ rule }) => isByPhoto(rules?.profile, rule));

/** Whether an inspector stands at the house: on a visit, or on the first, which needs no door to be recorded. */
const isThere = ({ docket, decisions }: Inspection): boolean => {
  const visit = visitUnderWay(docket);
  return visit ? visit.state !== 'remote' : decisions.length === 0;
};

/** Whether what was looked at counts for a rule: a photo or note alone only from somebody at the house, or where it shows all there is to see. */
const counts = (inspection: Inspection, rule: string, looked: LookedAt): boolean =>
  looked === 'fact' || (looked === 'photo' && (isThere(inspection) || isByPhoto(inspection.rules?.profile, rule)));

/** What a correction touches and nobody has proved again since the violation was opened: rules by id, those that apply alone. */
export function toProveAgain(inspection: Inspection, evaluation: Evaluation, violation: Violation): Outcome[] {
  const wanted = dependentsOf(violation.findings.map(({ rule }) => rule));
  const since = openedAt(violation);
  return evaluation.outcomes.filter(
    (one) =>
      wanted.includes(one.rule) &&
      one.outcome !== 'not-applicable' &&
      one.severity !== 'advisory' &&
      (one.outcome === 'unproven' ||
        !counts(
          inspection,
          one.rule,
          recordedSince(inspection, provenBy(one.rule), { rule: one.rule, part: null }, since),
        )),
  );
}

/** Why a violation is not to be called corrected yet, in a sentence; undefined where it may be. */
export function whyNotVerified(
  inspection: Inspection,
  evaluation: Evaluation,
  violation: Violation,
): string | undefined {
  const found = foundIn(evaluation).find((one) => violation.findings.some((each) => sameFinding(each, one)));
  if (found) return `it is still found: ${found.reason}`;
  const unproven = evaluation.outcomes.find(
    (one) => one.outcome === 'unproven' && violation.findings.some(({ rule }) => rule === one.rule),
  );
  if (unproven) return `it is not proved: ${unproven.reason}`;
  const since = openedAt(violation);
  const looked = violation.findings.map((one) => recordedSince(inspection, particularOf(one.rule), one, since));
  const unseen = looked.filter((one) => one === undefined);
  const own = violation.findings.length === 0;
  if (unseen.length > 0 || (own && !inspection.evidence.some(({ about, at }) => about === violation.id && at > since)))
    return own
      ? 'make a photo or a note of how it is now.'
      : `nothing was recorded since it was opened; record it as it is now, or make a photo.`;
  if (!isSettledByPhoto(inspection, violation) && !isThere(inspection))
    return visitUnderWay(inspection.docket)
      ? 'a live picture does not show it; it takes a visit.'
      : 'it is seen at the house; begin the visit first.';
  const again = toProveAgain(inspection, evaluation, violation);
  if (again.length > 0)
    return `the correction touches what is to be proved again: ${again.map(({ rule }) => rule).join(', ')}.`;
  return undefined;
}

/** What the docket of an inspection has to ask the engine; `known` is what it finds, where that was asked already. */
export function seenIn(inspection: Inspection, known?: Evaluation): Seen {
  const now = () => (known ??= judged(inspection));
  return {
    decidedAt: inspection.decisions.at(-1)?.at,
    issued: inspection.decisions.map(({ id, kind }) => ({ id, isCertificate: isApproval(kind) })),
    whyNotVerified: (violation) => whyNotVerified(inspection, now(), violation),
    isHazard: (finding) =>
      now().outcomes.some((one) => one.rule === finding.rule && one.severity === 'hazard') ||
      foundIn(now()).some((one) => sameFinding(one, finding) && one.severity === 'hazard'),
  };
}

/** What stands in an inspection, for whoever is to decide. */
export interface Standing {
  /** Findings that nobody has answered: cited, joined, or dismissed with a reason. */
  readonly unanswered: readonly Found[];
  /** Rules that are not proved, and that nobody has set aside with a reason. */
  readonly unproven: readonly Outcome[];
  /** Violations that wait for somebody. */
  readonly open: readonly Violation[];
}

const COVERS = ['open', 'claimed', 'varied', 'withdrawn'];

/** How findings, open questions and violations stand, within some stations; all of them where none are named. */
export function standingOf({ docket }: Inspection, evaluation: Evaluation, scope?: readonly Station[]): Standing {
  const within = ({ station }: { readonly station: Station }) => scope?.includes(station) ?? true;
  const isAnswered = (one: FindingRef) =>
    docket.violations.some(
      ({ state, findings }) => COVERS.includes(state) && findings.some((each) => sameFinding(each, one)),
    ) || docket.notTakenUp.some((each) => sameFinding(each, one));
  return {
    unanswered: foundIn(evaluation).filter((one) => within(one) && !isAnswered(one)),
    unproven: evaluation.outcomes.filter(
      (one) =>
        one.outcome === 'unproven' &&
        one.severity !== 'advisory' &&
        within(one) &&
        !isAnswered({ rule: one.rule, part: null }),
    ),
    open: docket.violations.filter((one) => isOpen(one) && within(one)),
  };
}
