import {
  LIST_PATHS,
  NOT_SEEN,
  catalogueKey,
  factAt,
  metaOf,
  stationOf,
  valueText,
  withFact,
  factLabel,
  type Case,
  type FactMeta,
} from '../case';
import { Look } from '../electrical';
import type { Profile } from '../profile';
import { RULES, type Rule } from '../rules';
import { judge, usedBy, type Evaluation, type Outcome } from './verdict';

/** Violations that one fact brings about: with another answer to it none of them stands. */
export interface Cause {
  /** Address of the fact; null where no fact alone brings the violation about. */
  readonly fact: string | null;
  /** The fact and its value, in words. */
  readonly words: string | null;
  /** Ids of the rules, the gravest first. */
  readonly rules: readonly string[];
}

/** What a house is, rather than what is wrong with it: never called a cause. */
const CONDITIONS: ReadonlySet<string> = new Set([
  'transfer.kind', 'transfer.otherKind', 'transfer.location', 'source.kind', 'source.fuel', 'source.voltage', 'source.outlet',
  'cord.part', 'feeder.stretches.method', 'feeder.stretches.place', 'loads.circuits.use', 'loads.circuits.volts', 'panel.existing',
]); // prettier-ignore

const RANK = { hazard: 0, correction: 1, advisory: 2 } as const;

/** Other answers to a fact that are worth a try: every other plate; of an amount also its ends, half and double. */
function otherAnswers({ kind, choices, min = 0, max = 0 }: FactMeta, value: unknown): readonly (string | number)[] {
  if (kind !== 'amount') return choices.map((one) => one.value).filter((one) => one !== value);
  const usual = choices.map((one) => Number(one.value));
  const near = typeof value === 'number' ? [value / 2, value * 2] : [];
  return [...new Set([...usual, ...near, min, max])].filter((one) => one !== value && one >= min && one <= max);
}

/** Whether a rule, judged anew, finds nothing any more: nothing at one part where one is named, else nothing at all. */
const isEnded = ({ outcome, part, others }: Outcome, at: string | null): boolean =>
  outcome === 'holds' ||
  (outcome === 'violation' && at !== null && part !== at && others.every((other) => other.part !== at));

/** Whether a violation, of one part where one is named, would end if a fact were answered otherwise. What a house is ends none. */
export function wouldEnd(look: Look, c: Case, rule: Rule, at: string | null, path: string, profile?: Profile): boolean {
  const value = factAt(c, path);
  if (CONDITIONS.has(catalogueKey(path)) || value === undefined || value === NOT_SEEN) return false;
  return otherAnswers(metaOf(path), value).some((other) =>
    isEnded(judge(rule, look.of(withFact(c, path, other)), profile), at),
  );
}

/** Facts each of which, answered otherwise, would end a violation. */
const causesOfOne = (c: Case, rule: Rule, outcome: Outcome, look: Look, profile: Profile | undefined): string[] =>
  usedBy(outcome).filter((path) => wouldEnd(look, c, rule, null, path, profile));

/** The entry of a list by its id: `cord[1]`. */
function entryOf(c: Case, id: string): string | undefined {
  for (const list of LIST_PATHS) {
    const index = ((factAt(c, list) ?? []) as readonly { id?: unknown }[]).findIndex((one) => one.id === id);
    if (index >= 0) return `${list}[${index}]`;
  }
  return undefined;
}

/** The one fact of a violation that is shown broken, where no fact is the cause of several: one that would end it, at its own station if there is one. */
function ownFact(c: Case, rule: Rule, outcome: Outcome, look: Look, profile: Profile | undefined): string | undefined {
  const { part, station } = outcome;
  const entry = part === null ? undefined : entryOf(c, part);
  const used = usedBy(outcome);
  const particular = used.filter((path) => !CONDITIONS.has(catalogueKey(path)) && factAt(c, path) !== undefined);
  const ofPart = entry === undefined ? [] : particular.filter((path) => path.startsWith(`${entry}.`));
  const facts = ofPart.length > 0 ? ofPart : particular.length > 0 ? particular : used;
  const enders = facts.filter((path) => wouldEnd(look, c, rule, part, path, profile));
  const from = enders.length > 0 ? enders : facts;
  return from.find((path) => stationOf(path) === station) ?? from[0];
}

const broken = new WeakMap<Evaluation, ReadonlyMap<string, readonly Outcome[]>>();

/**
 * Facts that are shown broken, each with the violations for which it is; advice breaks nothing. One cause is one fact, whatever
 * else its rules have looked at: what is right is not shown as wrong. The same violation at another cord, stretch or circuit breaks its fact there, too.
 */
export function brokenFacts(
  c: Case,
  evaluation: Evaluation,
  profile?: Profile,
): ReadonlyMap<string, readonly Outcome[]> {
  const known = broken.get(evaluation);
  if (known) return known;
  const look = new Look(c, evaluation.edition, profile?.numbers, profile?.readings);
  const by = new Map<string, Outcome[]>();
  const add = (fact: string, outcome: Outcome) => by.set(fact, [...(by.get(fact) ?? []), outcome]);
  for (const { fact, rules } of causesOf(c, evaluation, profile))
    for (const outcome of evaluation.outcomes) {
      if (outcome.outcome !== 'violation' || outcome.severity === 'advisory' || !rules.includes(outcome.rule)) continue;
      const rule = RULES.find(({ id }) => id === outcome.rule);
      const own = fact ?? (rule ? ownFact(c, rule, outcome, look, profile) : usedBy(outcome)[0]);
      if (own === undefined) continue;
      add(own, outcome);
      const key = own.slice(own.indexOf(']') + 1);
      for (const other of own.includes('[') && fact === null ? outcome.others : []) {
        const entry = entryOf(c, other.part);
        if (entry !== undefined && factAt(c, entry + key) !== undefined) add(entry + key, outcome);
      }
    }
  broken.set(evaluation, by);
  return by;
}

/**
 * The violations of an evaluation by what brings them about: those that one and the same fact explains stand together, the fact that
 * explains most first. Every violation stands in exactly one group. `under` is what the evaluation was made under.
 */
export function causesOf(c: Case, evaluation: Evaluation, profile?: Profile): readonly Cause[] {
  const look = new Look(c, evaluation.edition, profile?.numbers, profile?.readings);
  const violated = evaluation.outcomes
    .filter((one) => one.outcome === 'violation')
    .sort((a, b) => RANK[a.severity] - RANK[b.severity]);
  const byFact = new Map<string, string[]>();
  for (const outcome of violated) {
    const rule = RULES.find(({ id }) => id === outcome.rule);
    for (const fact of rule ? causesOfOne(c, rule, outcome, look, profile) : [])
      byFact.set(fact, [...(byFact.get(fact) ?? []), outcome.rule]);
  }
  const left = new Set(violated.map((one) => one.rule));
  const groups: Cause[] = [];
  for (;;) {
    let best: readonly [fact: string, rules: string[]] | undefined;
    for (const [fact, rules] of byFact) {
      const explained = rules.filter((rule) => left.has(rule));
      if (explained.length > (best?.[1].length ?? 1)) best = [fact, explained];
    }
    if (!best) break;
    const [fact, rules] = best;
    groups.push({ fact, words: `${factLabel(fact)}: ${valueText(fact, factAt(c, fact))}`, rules });
    for (const rule of rules) left.delete(rule);
  }
  const alone = [...left].map((rule) => ({ fact: null, words: null, rules: [rule] }));
  const place = (one: Cause) => violated.findIndex(({ rule }) => rule === one.rules[0]);
  return [...groups, ...alone].sort((a, b) => place(a) - place(b));
}
