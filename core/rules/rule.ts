import {
  absence,
  valueText,
  type FactPath,
  type ListPath,
  type Part as PartOfHouse,
  type Station,
  type Trait,
} from '../case';
import type { Cites, ReadingName } from '../codebook';
import { bridged, type Attempt, type Look } from '../electrical';

export type Severity = 'hazard' | 'correction' | 'advisory';

/** What a rule says when it could be applied and every fact it needs was there. */
export interface Finding {
  readonly outcome: 'holds' | 'violation';
  /** One sentence as a person would say it. */
  readonly reason: string;
  readonly found?: number | string;
  readonly allowed?: number | string;
  readonly unit?: string;
  readonly remedy?: string;
  /** Where this finding weighs less than the rule's violations do. */
  readonly severity?: Severity;
  /** The cord, stretch or circuit that it is about, where it is about one. */
  readonly part?: Part;
  /** The same violation at other like parts. */
  readonly others?: readonly Finding[];
}

/** An entry of a list, by its place. */
export interface Part {
  readonly list: ListPath;
  readonly index: number;
}

export interface Rule {
  readonly id: `${Station}/${string}`;
  readonly station: Station;
  /** What holds when the rule is satisfied. */
  readonly holds: string;
  readonly severity: Severity;
  readonly cites: Cites;
  /** Where a violation weighs more or less than `severity`. */
  readonly weighs?: string;
  /** What the rule does not look at, where that could be mistaken. */
  readonly not?: string;
  /** Where offices differ, the reading that decides here; see `READINGS`. */
  readonly reading?: ReadingName;
  /** Facts of which some answers alone satisfy it, whatever else is so, by catalogue key with those answers. */
  readonly right?: Readonly<Record<string, readonly string[]>>;
  /** Facts that the rule may need, as catalogue addresses without list positions; for the reader of the rule. */
  readonly facts: readonly string[];
  /** Why the rule has nothing to say of this case, or undefined where it applies. May call `need`. */
  readonly notApplicable?: (look: Look) => string | undefined;
  /** Judges the case. A missing fact ends it by itself, as unproven. */
  readonly check: (look: Look) => Finding;
}

export function rule(one: Omit<Rule, 'station'>): Rule {
  return { ...one, facts: [...new Set(one.facts)], station: one.id.split('/')[0] as Station };
}

type Detail = Omit<Finding, 'outcome' | 'reason' | 'remedy' | 'part'>;

export const holds = (reason: string, { found, allowed, unit, severity }: Detail = {}): Finding => ({
  outcome: 'holds',
  reason,
  found,
  allowed,
  unit,
  remedy: undefined,
  severity,
});

export const violation = (
  reason: string,
  remedy: string,
  { found, allowed, unit, severity }: Detail = {},
): Finding => ({
  outcome: 'violation',
  reason,
  found,
  allowed,
  unit,
  remedy,
  severity,
});

/** Not applicable where the connection leaves a part out; unproven while it is unknown, or where nothing is told of its kind. */
export const without =
  (part: PartOfHouse) =>
  (look: Look): string | undefined =>
    look.has(part) ? undefined : absence(part, look.kind!);

/** Not applicable but where the connection has a trait. */
export const onlyWith =
  (trait: Trait, why: string) =>
  (look: Look): string | undefined =>
    look.has(trait) ? undefined : why;

/** Not applicable where nothing is there that keeps source and utility apart. */
export const withoutEquipment = (look: Look): string | undefined =>
  without('wired')(look) ?? (look.has('inlet') ? undefined : 'there is no transfer equipment');

/** The first reason that several give, in their order. */
export const firstOf =
  (...reasons: NonNullable<Rule['notApplicable']>[]) =>
  (look: Look): string | undefined => {
    for (const reason of reasons) {
      const why = reason(look);
      if (why !== undefined) return why;
    }
    return undefined;
  };

/** Not applicable where no conductors run from an inlet to the transfer equipment. */
export const withoutFeeder = firstOf(without('inlet'), (look) => {
  if (look.asks('inlet.builtIn')) look.need('inlet.builtIn');
  return look.stretches > 0 ? undefined : 'the inlet is in the face of the switch; there is no feeder';
});

/** Not applicable where the source has no cord. */
export const withoutCord = (look: Look): string | undefined =>
  look.cords > 0 ? undefined : 'the source is wired permanently; there is no cord';

/** Not applicable where no circuit was moved to other equipment. */
export const whereCircuitsMove = onlyWith('movedCircuits', 'no circuit was moved to other equipment');

/** Not applicable where the source does not feed both legs of the house. */
export const whereBothLegsAreFed = onlyWith('bothLegs', 'the source does not feed both legs of the house');

/** Not applicable but where one pole of the source feeds both legs. */
export const whereBridged = firstOf(without('inlet'), (look) =>
  bridged(look) ? undefined : 'the two legs are not fed from one pole',
);

/** Several violations of one rule as one finding: the first, with the others beside it. */
export const together = ([first, ...others]: readonly Finding[]): Finding | undefined => first && { ...first, others };

/**
 * Judges several like parts, each by itself: the violations, even where others lack facts; else an end with all that
 * they lack together; else undefined, for then every one holds.
 */
export function firstViolation(
  look: Look,
  list: ListPath,
  judge: (side: Look, index: number) => Finding | undefined,
): Finding | undefined {
  const parts: Attempt<Finding | undefined>[] = [];
  const wrong: Finding[] = [];
  for (let index = 0; index < look.count(list); index++) {
    const part = look.attempt((side) => judge(side, index));
    if (part.value === undefined) parts.push(part);
    else {
      look.adopt(part);
      wrong.push({ ...part.value, part: { list, index } });
    }
  }
  if (wrong.length === 0) look.requireAll(...parts);
  return together(wrong);
}

/** How everything is made safe before anybody opens, pulls or takes away anything of a connection that may be live. */
export const SAFE_FIRST =
  'Stop the source and see it stand still (a battery: output off), open the outlet’s breaker and the transfer equipment’s generator side, and prove every part dead with a tester that is tried before and after; only then: ';

/** A recorded answer in words, for a sentence. */
export const valueWords = (path: FactPath, value: unknown): string => valueText(path, value);

/** The plain question: one answer is right (or several are), every other is a violation. */
export function answered<P extends FactPath>(
  look: Look,
  path: P,
  right: string | readonly string[],
  words: { good: string; bad: string; remedy: string },
): Finding {
  const value = look.need(path) as string;
  return (typeof right === 'string' ? right === value : right.includes(value))
    ? holds(words.good)
    : violation(words.bad, words.remedy);
}

interface Question extends Omit<Rule, 'station' | 'facts' | 'check' | 'right'> {
  /** The fact that answers it. */
  readonly fact: FactPath;
  /** Facts that decide whether it applies, as catalogue addresses. */
  readonly also?: readonly string[];
  readonly right: string | readonly string[];
  readonly good: string;
  readonly bad: string;
  readonly remedy: string;
}

/** A rule that is one plain question at the site. */
export const asked = ({
  fact,
  also = ['transfer.kind', 'transfer.otherKind'],
  right,
  good,
  bad,
  remedy,
  ...rest
}: Question): Rule =>
  rule({
    ...rest,
    facts: [...also, fact],
    right: { [fact]: [right].flat() },
    check: (look) => answered(look, fact, right, { good, bad, remedy }),
  });
