import type { Severity } from '../rules';
import type { Evaluation } from './verdict';

/** A violation as it is told: of one rule, at one cord, stretch or circuit where it is about one. */
export interface Told {
  readonly rule: string;
  readonly part: string | null;
  readonly severity: Severity;
  readonly reason: string;
  readonly remedy: string | null;
}

const RANK: Readonly<Record<Severity, number>> = { hazard: 2, correction: 1, advisory: 0 };

const violationsTold = ({ outcomes }: Evaluation): Told[] =>
  outcomes
    .filter((one) => one.outcome === 'violation')
    .flatMap(({ rule, part, severity, reason, remedy, others }) => [
      { rule, part, severity, reason, remedy },
      ...others.map((other) => ({
        rule,
        part: other.part,
        severity: other.severity,
        reason: other.reason,
        remedy: other.remedy,
      })),
    ])
    .filter((one) => one.severity !== 'advisory');

/** What an answer has made wrong, anywhere in the house, the gravest first: violated now and not before, or graver than it was. Advice is none. */
export function newlyWrong(before: Evaluation, after: Evaluation): readonly Told[] {
  const known = violationsTold(before);
  return violationsTold(after)
    .filter(
      (one) =>
        !known.some(
          (was) => was.rule === one.rule && was.part === one.part && RANK[was.severity] >= RANK[one.severity],
        ),
    )
    .sort((a, b) => RANK[b.severity] - RANK[a.severity]);
}
