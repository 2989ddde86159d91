import {
  NOT_SEEN,
  factAt,
  factLabel,
  isKnown,
  metaOf,
  valueText,
  type Case,
  type FactPath,
  type FactValue,
  type TransferKind,
} from '../case';
import type { Cites, Edition } from '../codebook';

/** One line of a working: redone with a pencil, it gives the same. */
export interface Step {
  readonly label: string;
  readonly value: number | string;
  readonly unit: string;
  readonly source: string;
}

/** Thrown by `need` and caught by whoever asked; names the facts that are missing, or that cannot be as recorded, and why. */
export class Missing {
  constructor(
    readonly paths: readonly string[],
    readonly why?: string,
  ) {}
}

export const RECORDED = 'recorded at the site';

/**
 * A look at a case that remembers what it used. Whoever computes takes a Look: a rule for its working,
 * the rating row for its numbers. No null checks: a fact that is not there ends the computation with `Missing`.
 */
export class Look {
  readonly steps: Step[] = [];
  private readonly used = new Set<string>();

  constructor(
    readonly site: Case,
    readonly edition: Edition = site.edition,
  ) {}

  /** The fact, or undefined where nobody knows it; used facts stand in the working. */
  known<P extends FactPath>(path: P): FactValue<P> | undefined {
    const value = factAt(this.site, path);
    if (!isKnown(value)) return undefined;
    if (!this.used.has(path)) {
      this.used.add(path);
      const meta = metaOf(path);
      this.steps.push({
        label: factLabel(path),
        value:
          meta.kind === 'amount'
            ? (value as number)
            : meta.kind === 'size'
              ? (value as string)
              : valueText(path, value),
        unit: meta.unit,
        source: RECORDED,
      });
    }
    return value as FactValue<P>;
  }

  /** The fact, or an end with `Missing`. */
  need<P extends FactPath>(path: P): FactValue<P> {
    const value = this.known(path);
    if (value === undefined) throw new Missing([path]);
    return value;
  }

  /** Ends with `Missing` naming every absent one of several facts, so that one visit finds them all. */
  needAll(...paths: FactPath[]): void {
    const absent = paths.filter((path) => !isKnown(factAt(this.site, path)));
    if (absent.length > 0) throw new Missing(absent);
  }

  /** Records an intermediate number with the table or section it came from, and returns it. */
  step<T extends number | string>(label: string, value: T, unit: string, source: string | Cites): T {
    this.steps.push({
      label,
      value: typeof value === 'number' ? rounded(value) : value,
      unit,
      source: typeof source === 'string' ? source : source[this.edition].join(', '),
    });
    return value;
  }

  /** Takes over another look's working. */
  adopt(other: Look): void {
    for (const step of other.steps) this.steps.push(step);
  }

  /** A computation on the side: its result or what it lacks; its working stays its own until adopted. */
  attempt<T>(compute: (look: Look) => T): Attempt<T> {
    const look = new Look(this.site, this.edition);
    try {
      return { look, value: compute(look), missing: [] };
    } catch (error) {
      if (error instanceof Missing) return { look, missing: error.paths, why: error.why };
      throw error;
    }
  }

  /** Takes over the workings of several computations, and ends with everything they lack together. */
  requireAll(...parts: Attempt<unknown>[]): void {
    lacking(parts);
    for (const part of parts) this.adopt(part.look);
  }

  get kind(): TransferKind | undefined {
    const kind = this.site.transfer?.kind;
    return kind === NOT_SEEN ? undefined : kind;
  }

  /** How many cords there are to look at: one even where none is recorded yet. */
  get cords(): number {
    return Math.max(1, this.site.cord?.length ?? 0);
  }

  get stretches(): number {
    return Math.max(1, this.site.feeder?.stretches?.length ?? 0);
  }
}

/** A computation on the side, done or stopped by what it lacks. */
export interface Attempt<T> {
  readonly look: Look;
  readonly value?: T;
  readonly missing: readonly string[];
  readonly why?: string;
}

/** Ends with `Missing` naming everything that several computations lack together; goes on where they lack nothing. */
export function lacking(parts: readonly Pick<Attempt<unknown>, 'missing' | 'why'>[], ...more: string[]): void {
  const missing = new Set([...parts.flatMap((part) => part.missing), ...more]);
  if (missing.size > 0) throw new Missing([...missing], parts.find((part) => part.why)?.why);
}

/** Rounded for reading: three decimals, no binary dust. */
export function rounded(value: number): number {
  return Math.round(value * 1000) / 1000;
}
