import {
  Facts,
  NOT_SEEN,
  addressOf,
  factLabel,
  metaOf,
  valueText,
  type Address,
  type Case,
  type FactPath,
  type FactValue,
  type ListPath,
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

/** A fact that was used, a number with its source, or the working of a computation on the side. */
type Note =
  | { readonly path: string; readonly value: unknown }
  | (Omit<Step, 'source'> & { readonly source: string | Cites })
  | Working;

/** What was used on the way to a result, before anybody reads it; it holds on to nothing else of the case. */
export class Working {
  private readonly notes: Note[] = [];

  constructor(private readonly edition: Edition) {}

  add(note: Note): void {
    this.notes.push(note);
  }

  /** Written out; a fact used twice stands there once. */
  get steps(): readonly Step[] {
    const steps: Step[] = [];
    this.writeOut(steps, new Set());
    return steps;
  }

  private writeOut(into: Step[], used: Set<string>): void {
    for (const note of this.notes)
      if (note instanceof Working) note.writeOut(into, used);
      else if ('path' in note) {
        const { path, value } = note;
        if (used.has(path)) continue;
        used.add(path);
        const { kind, unit } = metaOf(path);
        into.push({
          label: factLabel(path),
          value: kind === 'amount' ? (value as number) : kind === 'size' ? (value as string) : valueText(path, value),
          unit,
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
}

/** A computation that several rules want: a function of the facts it looks at, and of an index in a list. */
export type Shareable<T> = (look: Look, index: number) => T;

/** It done; with every address it looked at, where somebody asked for them. */
export interface Part<T> {
  readonly attempt: Attempt<T>;
  readonly reads: readonly Address[] | undefined;
}

/** What every look at one case has in common, so that nothing is read or computed twice. */
interface Shared {
  readonly facts: Facts;
  readonly edition: Edition;
  readonly numbers: OfficeNumbers;
  readonly done: Map<Shareable<unknown>, Part<unknown>[]>;
  readonly remembered: Remembered | undefined;
}

/** Gives what was computed for an earlier case whose facts were the same, or has it computed. */
export type Remembered = <T>(compute: Shareable<T>, index: number, look: Look) => Part<T>;

/**
 * A look at a case that remembers what it used. Whoever computes takes a Look: a rule for its working,
 * the rating row for its numbers. No null checks: a fact that is not there ends the computation with `Missing`.
 */
export class Look {
  readonly working: Working;
  private readonly shared: Shared;
  /** Every address looked at, in order, by this look and those on its side; kept only where somebody asked for it. */
  reads: Address[] | undefined;

  constructor(at: Case | Facts | Look, edition?: Edition, numbers: OfficeNumbers = {}, remembered?: Remembered) {
    if (at instanceof Look) {
      this.shared = at.shared;
      this.reads = at.reads;
    } else {
      const facts = at instanceof Facts ? at : new Facts(at);
      this.shared = { facts, edition: edition ?? facts.site.edition, numbers, done: new Map(), remembered };
    }
    this.working = new Working(this.shared.edition);
  }

  /** A look at the same case that keeps what it and those on its side look at in `reads`. */
  recording(reads: Address[] | undefined): Look {
    const look = this.aside();
    look.reads = reads;
    return look;
  }

  get facts(): Facts {
    return this.shared.facts;
  }

  get edition(): Edition {
    return this.shared.edition;
  }

  /** What stands at an address: a value, 'not-seen', or null where nobody looked. */
  private read(path: string): unknown {
    const address = addressOf(path);
    this.reads?.push(address);
    return this.shared.facts.at(address);
  }

  /** The fact without a line in the working; undefined where nobody knows it. */
  peek<P extends FactPath>(path: P): FactValue<P> | undefined {
    const value = this.read(path);
    return value === null || value === NOT_SEEN ? undefined : (value as FactValue<P>);
  }

  /** Whether somebody looked and could not see it. */
  notSeen(path: string): boolean {
    return this.read(path) === NOT_SEEN;
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
    const value = this.peek(path);
    if (value !== undefined) this.working.add({ path, value });
    return value;
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
      if (this.peek(path) === undefined) throw new Missing(paths.filter((one) => this.peek(one) === undefined));
  }

  /** The same of entries of a list: their facts of these names. */
  needOfEach<K extends string>(
    entries: readonly number[],
    at: (index: number) => Readonly<Record<K, FactPath>>,
    keys: readonly K[],
  ): void {
    const missing: string[] = [];
    for (const index of entries)
      for (const key of keys) {
        const path = at(index)[key];
        if (this.peek(path) === undefined) missing.push(path);
      }
    if (missing.length > 0) throw new Missing(missing);
  }

  /** Records an intermediate number with the table or section it came from, and returns it. */
  step<T extends number | string>(label: string, value: T, unit: string, source: string | Cites): T {
    this.working.add({ label, value, unit, source });
    return value;
  }

  /** Takes over the working of another computation. */
  adopt({ working }: { readonly working: Working }): void {
    this.working.add(working);
  }

  /** A computation on the side: its result or what it lacks; its working stays its own until adopted. */
  attempt<T>(compute: (look: Look) => T): Attempt<T> {
    const look = this.aside();
    const { working } = look;
    try {
      return { working, value: compute(look), missing: [] };
    } catch (error) {
      if (error instanceof Missing) return { working, missing: error.paths, why: error.why };
      throw error;
    }
  }

  /** A computation that several rules want, done once for a case, for each index; its working is taken over each time. */
  once<T>(compute: Shareable<T>, index = 0): T {
    const { done, remembered } = this.shared;
    let parts = done.get(compute) as Part<T>[] | undefined;
    if (!parts) done.set(compute, (parts = []));
    let part = parts[index];
    if (!part) part = remembered ? remembered(compute, index, this) : this.part(compute, index);
    else if (this.reads && part.reads) this.reads.push(...part.reads);
    else if (this.reads) part = this.part(compute, index); // done before, when nobody asked what it looks at
    parts[index] = part;
    const { attempt } = part;
    this.adopt(attempt);
    if (attempt.missing.length > 0) throw new Missing(attempt.missing, attempt.why);
    return attempt.value!;
  }

  /** The same computed now, whoever has done it before. */
  part<T>(compute: Shareable<T>, index: number): Part<T> {
    const reads: Address[] | undefined = this.reads && [];
    const attempt = this.recording(reads).attempt((look) => compute(look, index));
    if (reads) this.reads!.push(...reads);
    return { attempt, reads };
  }

  /** Takes over the workings of several computations, and ends with everything they lack together. */
  requireAll(...parts: Attempt<unknown>[]): void {
    lacking(parts);
    for (const part of parts) this.adopt(part);
  }

  get kind(): TransferKind | undefined {
    return this.peek('transfer.kind');
  }

  /** How many there are of a list: one even where none is recorded yet. */
  private count(length: `${ListPath}.length`): number {
    return Math.max(1, (this.read(length) as number | null) ?? 0);
  }

  get cords(): number {
    return this.count('cord.length');
  }

  get circuits(): number {
    return this.count('loads.circuits.length');
  }

  get stretches(): number {
    return this.count('feeder.stretches.length');
  }
}

/** A computation on the side, done or stopped by what it lacks. */
export interface Attempt<T> {
  readonly working: Working;
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
