import {
  NOT_SEEN,
  factLabel,
  keysOf,
  metaOf,
  valueText,
  type Case,
  type FactPath,
  type FactValue,
  type TransferKind,
} from '../case';
import { OFFICE_NUMBERS, type Cites, type Edition, type OfficeNumberName, type OfficeNumbers } from '../codebook';

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

/** Source of a number that an office has changed. */
export const OWN_NUMBER = 'local profile';
export const RECORDED = 'recorded at the site';

/** What every look at one case has in common, so that nothing is read or computed twice. */
interface Shared {
  readonly site: Case;
  readonly edition: Edition;
  readonly numbers: OfficeNumbers;
  readonly done: Map<string, Attempt<unknown>>;
}

/** A working before anybody reads it: a fact's address, a number with its source, or another look's working. */
type Note = string | (Omit<Step, 'source'> & { readonly source: string | Cites }) | Look;

/**
 * A look at a case that remembers what it used. Whoever computes takes a Look: a rule for its working,
 * the rating row for its numbers. No null checks: a fact that is not there ends the computation with `Missing`.
 */
export class Look {
  private readonly notes: Note[] = [];
  private readonly shared: Shared;

  constructor(at: Case | Look, edition?: Edition, numbers: OfficeNumbers = {}) {
    this.shared =
      at instanceof Look ? at.shared : { site: at, edition: edition ?? at.edition, numbers, done: new Map() };
  }

  get site(): Case {
    return this.shared.site;
  }

  get edition(): Edition {
    return this.shared.edition;
  }

  /** The working so far, written out; a fact used twice stands there once. */
  get steps(): readonly Step[] {
    const steps: Step[] = [];
    this.writeOut(steps, new Set());
    return steps;
  }

  private writeOut(into: Step[], used: Set<string>): void {
    for (const note of this.notes)
      if (note instanceof Look) note.writeOut(into, used);
      else if (typeof note === 'string') {
        if (used.has(note)) continue;
        used.add(note);
        const meta = metaOf(note);
        const value = this.value(note);
        into.push({
          label: factLabel(note),
          value:
            meta.kind === 'amount'
              ? (value as number)
              : meta.kind === 'size'
                ? (value as string)
                : valueText(note, value),
          unit: meta.unit,
          source: RECORDED,
        });
      } else {
        const { label, value, unit, source } = note;
        into.push({
          label,
          value: typeof value === 'number' ? rounded(value) : value,
          unit,
          source: typeof source === 'string' ? source : source[this.edition].join(', '),
        });
      }
  }

  private value(path: string): unknown {
    let here: unknown = this.shared.site;
    for (const key of keysOf(path)) {
      if (here === undefined || here === NOT_SEEN) return undefined;
      here = (here as Readonly<Record<string | number, unknown>>)[key];
    }
    return here === NOT_SEEN ? undefined : here;
  }

  /** A look at the same case whose working stands apart. */
  aside(): Look {
    return new Look(this);
  }

  /** A number that is the office's to choose; stands in the working with whose it is. */
  number(name: OfficeNumberName): number {
    const { label, value, unit } = OFFICE_NUMBERS[name];
    const own = this.shared.numbers[name];
    return this.step(label, own ?? value, unit, own === undefined ? 'usual value' : OWN_NUMBER);
  }

  /** The fact, or undefined where nobody knows it; used facts stand in the working. */
  known<P extends FactPath>(path: P): FactValue<P> | undefined {
    const value = this.value(path);
    if (value === undefined) return undefined;
    this.notes.push(path);
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
    for (const path of paths)
      if (this.value(path) === undefined) throw new Missing(paths.filter((one) => this.value(one) === undefined));
  }

  /** Records an intermediate number with the table or section it came from, and returns it. */
  step<T extends number | string>(label: string, value: T, unit: string, source: string | Cites): T {
    this.notes.push({ label, value, unit, source });
    return value;
  }

  /** Takes over another look's working. */
  adopt(other: Look): void {
    this.notes.push(other);
  }

  /** A computation on the side: its result or what it lacks; its working stays its own until adopted. */
  attempt<T>(compute: (look: Look) => T): Attempt<T> {
    const look = this.aside();
    try {
      return { look, value: compute(look), missing: [] };
    } catch (error) {
      if (error instanceof Missing) return { look, missing: error.paths, why: error.why };
      throw error;
    }
  }

  /** A computation that several rules want, done once for a case; its working is taken over each time. */
  once<T>(name: string, compute: (look: Look) => T): T {
    let part = this.shared.done.get(name) as Attempt<T> | undefined;
    if (!part) this.shared.done.set(name, (part = this.attempt(compute)));
    this.adopt(part.look);
    if (part.missing.length > 0) throw new Missing(part.missing, part.why);
    return part.value!;
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

  get circuits(): number {
    return Math.max(1, this.site.loads?.circuits?.length ?? 0);
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
  if (more.length === 0 && parts.every((part) => part.missing.length === 0)) return;
  const missing = new Set([...parts.flatMap((part) => part.missing), ...more]);
  throw new Missing([...missing], parts.find((part) => part.why)?.why);
}

/** Rounded for reading: three decimals, no binary dust. */
export function rounded(value: number): number {
  return Math.round(value * 1000) / 1000;
}
