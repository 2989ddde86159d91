import { absence, type FactPath, type Station, type TransferKind } from '../case';
import type { Cites } from '../codebook';
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
}

export interface Rule {
  readonly id: `${Station}/${string}`;
  readonly station: Station;
  /** What holds when the rule is satisfied. */
  readonly holds: string;
  readonly severity: Severity;
  readonly cites: Cites;
  /** Facts that the rule may need, as catalogue addresses without list positions; for the reader of the rule. */
  readonly facts: readonly string[];
  /** Why the rule has nothing to say of this case, or undefined where it applies. May call `need`. */
  readonly notApplicable?: (look: Look) => string | undefined;
  /** Judges the case. A missing fact ends it by itself, as unproven. */
  readonly check: (look: Look) => Finding;
}

export function rule({ id, holds, severity, cites, facts, notApplicable, check }: Omit<Rule, 'station'>): Rule {
  return { id, station: id.split('/')[0] as Station, holds, severity, cites, facts, notApplicable, check };
}

type Detail = Omit<Finding, 'outcome' | 'reason' | 'remedy'>;

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

/** Not applicable where the transfer means leaves a part out; unproven while the transfer means is unknown. */
export const without =
  (part: Parameters<typeof absence>[0]) =>
  (look: Look): string | undefined =>
    absence(part, look.need('transfer.kind'));

/** Not applicable but with some transfer means. */
export const onlyWith =
  (kinds: readonly TransferKind[], why: string) =>
  (look: Look): string | undefined =>
    kinds.includes(look.need('transfer.kind')) ? undefined : why;

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

/** Not applicable where no circuit was moved to other equipment. */
export const whereCircuitsMove = onlyWith(
  ['load-side-switch', 'transfer-panel', 'single-circuit-switch'],
  'no circuit was moved to other equipment',
);

/** Not applicable where the source does not feed both legs of the house. */
export const whereBothLegsAreFed = onlyWith(
  ['retrofit-interlock', 'load-side-switch', 'transfer-panel', 'whole-house-manual', 'whole-house-automatic'],
  'the source does not feed both legs of the house',
);

/** Not applicable but where one pole of the source feeds both legs. */
export const whereBridged = firstOf(without('inlet'), (look) =>
  bridged(look) ? undefined : 'the two legs are not fed from one pole',
);

/**
 * Judges several like parts, each by itself: the first violation, even where others lack facts; else an end with all that
 * they lack together; else undefined, for then every one holds.
 */
export function firstViolation(
  look: Look,
  count: number,
  judge: (side: Look, index: number) => Finding | undefined,
): Finding | undefined {
  const parts: Attempt<Finding | undefined>[] = [];
  for (let i = 0; i < count; i++) {
    const part = look.attempt((side) => judge(side, i));
    if (part.value !== undefined) {
      look.adopt(part);
      return part.value;
    }
    parts.push(part);
  }
  look.requireAll(...parts);
  return undefined;
}

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

interface Question extends Omit<Rule, 'station' | 'facts' | 'check'> {
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
export const asked = ({ fact, also = ['transfer.kind'], right, good, bad, remedy, ...rest }: Question): Rule =>
  rule({ ...rest, facts: [...also, fact], check: (look) => answered(look, fact, right, { good, bad, remedy }) });
