import {
  HOWS,
  NOT_SEEN,
  factBy,
  factLabel,
  isAsked,
  isThere,
  keysOf,
  metaOf,
  recordedAt,
  traitOf,
  valueText,
  type Case,
  type FactPath,
  type FactValue,
  type ListPath,
  type Recorded,
  type Trait,
  type TransferKind,
} from '../case';
import {
  OFFICE_NUMBERS,
  READINGS,
  type Cites,
  type Edition,
  type OfficeNumberName,
  type OfficeNumbers,
  type ReadingName,
  type Readings,
} from '../codebook';

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
/** Source of a reading: the office’s own choice, or ours where it chose none. */
export const OWN_READING = 'yours reads it so (local profile)';
export const USUAL_READING = 'the usual reading; your profile may choose another';
export const RECORDED = 'recorded at the site';

/** A fact that was used, a number with its source, or the working of a computation on the side. */
type Note =
  | { readonly path: string; readonly value: unknown }
  | (Omit<Step, 'source'> & { readonly source: string | Cites })
  | Working;

/** Where a fact came from: a usual value is marked wherever it counts, and what was read or said together says so. */
const sourceOf = (line: Recorded | undefined): string =>
  line === undefined || (line.how === 'touched' && line.said === undefined)
    ? RECORDED
    : `${RECORDED}: ${HOWS[line.how]}${line.said === undefined ? '' : ` (${line.said})`}`;

/** What was used on the way to a result, before anybody reads it. */
export class Working {
  private readonly notes: Note[] = [];
  /** Facts that were looked at and that nobody has recorded; at most looks there is none. */
  private missed: Set<string> | undefined;
  /** The first fact that was looked at and that contradicts another. */
  doubted: string | undefined;

  constructor(
    private readonly edition: Edition,
    private readonly site?: Case,
  ) {}

  add(note: Note): void {
    this.notes.push(note);
  }

  /** What another looked at in vain or in doubt, this one did too. */
  addUnlooked({ missed, doubted }: Working): void {
    if (missed) for (const path of missed) this.miss(path);
    this.doubted ??= doubted;
  }

  miss(path: string): void {
    (this.missed ??= new Set()).add(path);
  }

  get unlooked(): readonly string[] {
    return this.missed ? [...this.missed] : [];
  }

  /** Addresses of the facts that were used. */
  get used(): ReadonlySet<string> {
    const used = new Set<string>();
    for (const note of this.notes)
      if (note instanceof Working) for (const path of note.used) used.add(path);
      else if ('path' in note) used.add(note.path);
    return used;
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
          source: sourceOf(this.site && recordedAt(this.site, path)),
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
type Shareable<T> = (look: Look, index: number) => T;

/** Stands for a fact that nobody has recorded. */
const NOBODY = Symbol();

/** What every look at one case has in common, so that nothing is computed twice. */
interface Shared {
  readonly site: Case;
  readonly edition: Edition;
  readonly numbers: OfficeNumbers;
  readonly readings: Readings;
  /** Facts that were read, by their addresses. */
  readonly facts: Map<string, unknown>;
  readonly done: Map<Shareable<unknown>, Attempt<unknown>[]>;
  /** Facts that contradict others, by their addresses. */
  readonly inDoubt: Set<string>;
}

/** What to ask for where the transfer equipment fits none of ours: nothing that hangs on it is judged as if it were one. */
const UNLIKE = {
  'panel-with-switching':
    'a panel with switching of its own: ask for its listing, its instructions, and how it switches the neutral',
  'vehicle-outlet':
    'an outlet of a car or truck: ask for its manual, what it says of feeding a house, and how its neutral is bonded',
  'meter-collar': 'a collar at the meter: ask for its listing as transfer equipment and for the utility’s consent',
  'no-utility': 'no utility at all: ask for the design of the system and where its neutral is grounded',
  unlike:
    'something that fits none of the kinds here: ask for its listing and instructions, and for somebody who knows it',
} as const;
const unlike = (other: keyof typeof UNLIKE | undefined): string =>
  `Not proved here, for this is ${UNLIKE[other ?? 'unlike']}.`;

/**
 * A look at a case that remembers what it used. Whoever computes takes a Look: a rule for its working,
 * the rating row for its numbers. No null checks: a fact that is not there ends the computation with `Missing`.
 */
export class Look {
  readonly working: Working;
  private readonly shared: Shared;

  constructor(at: Case | Look, edition?: Edition, numbers: OfficeNumbers = {}, readings: Readings = {}) {
    this.shared =
      at instanceof Look
        ? at.shared
        : {
            site: at,
            edition: edition ?? at.edition,
            numbers,
            readings,
            facts: new Map(),
            done: new Map(),
            inDoubt: new Set(),
          };
    this.working = new Working(this.shared.edition, this.shared.site);
  }

  get edition(): Edition {
    return this.shared.edition;
  }

  /** What stands at an address: a value, 'not-seen', or undefined where nobody looked. */
  private read(path: string): unknown {
    const { facts, site } = this.shared;
    const known = facts.get(path);
    if (known !== undefined) return known === NOBODY ? undefined : known;
    const value = factBy(site, keysOf(path));
    facts.set(path, value === undefined ? NOBODY : value);
    return value;
  }

  /** The fact without a line in the working; undefined where nobody knows it. */
  peek<P extends FactPath>(path: P): FactValue<P> | undefined {
    const value = this.read(path);
    if (value === undefined) this.working.miss(path);
    else if (this.shared.inDoubt.size > 0 && this.shared.inDoubt.has(path)) this.working.doubted ??= path;
    return value === undefined || value === NOT_SEEN ? undefined : (value as FactValue<P>);
  }

  /** Whether somebody looked and could not see it. */
  notSeen(path: string): boolean {
    return this.read(path) === NOT_SEEN;
  }

  /** A look at another case, under the same edition, numbers and readings. */
  of(other: Case): Look {
    const { edition, numbers, readings } = this.shared;
    return new Look(other, edition, numbers, readings);
  }

  /** From now on whoever looks at these facts is known to rest on what contradicts something else. */
  doubt(paths: Iterable<string>): void {
    for (const path of paths) this.shared.inDoubt.add(path);
    this.shared.done.clear(); // what was computed before did not know
  }

  /** How the fact at an address was recorded; undefined where nothing says so. */
  recorded(path: string): Recorded | undefined {
    return recordedAt(this.shared.site, path);
  }

  /** A look at the same case whose working stands apart. */
  aside(): Look {
    return new Look(this);
  }

  /** A number that is the office's to choose; stands in the working with whose it is. */
  number(name: OfficeNumberName): number {
    const { label, value, unit, min, max } = OFFICE_NUMBERS[name];
    const own = this.shared.numbers[name];
    if (own === undefined) return this.step(label, value, unit, 'usual value');
    // A profile of before the bounds were drawn closer may ask for more than any office may.
    return this.step(label, Math.min(max, Math.max(min, own)), unit, OWN_NUMBER);
  }

  /** Which way the office reads a question that offices read differently; stands in the working. */
  reading<K extends ReadingName>(name: K): keyof (typeof READINGS)[K]['ways'] {
    const { asks, ways, usual } = READINGS[name];
    const own = this.shared.readings[name];
    const way = (own ?? usual) as keyof (typeof READINGS)[K]['ways'];
    this.step(
      `Offices differ: ${asks}`,
      (ways as Readonly<Record<string, string>>)[way as string]!,
      '',
      own ? OWN_READING : USUAL_READING,
    );
    return way;
  }

  /** Id of an entry of a list; undefined where it is not recorded yet. */
  idOf(list: ListPath, index: number): string | undefined {
    return this.read(`${list}[${index}].id`) as string | undefined;
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
    this.working.addUnlooked(working);
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
    } finally {
      this.working.addUnlooked(working); // whether or not its lines are adopted
    }
  }

  /** A computation that several rules want, done once for a case, for each index; its working is taken over each time. */
  once<T>(compute: Shareable<T>, index = 0): T {
    const { done } = this.shared;
    let attempts = done.get(compute) as Attempt<T>[] | undefined;
    if (!attempts) done.set(compute, (attempts = []));
    const attempt = (attempts[index] ??= this.attempt((look) => compute(look, index)));
    this.adopt(attempt);
    if (attempt.missing.length > 0) throw new Missing(attempt.missing, attempt.why);
    return attempt.value!;
  }

  /** Takes over the workings of several computations, and ends with everything they lack together. */
  requireAll(...parts: Attempt<unknown>[]): void {
    lacking(parts);
    for (const part of parts) this.adopt(part);
  }

  /** Whether a fact is asked for as things stand; one that was recorded under other answers is put aside. */
  asks(path: FactPath): boolean {
    return isAsked(this.shared.site, path);
  }

  get kind(): TransferKind | undefined {
    return this.peek('transfer.kind');
  }

  /** Whether the connection has a trait. Ends with `Missing` while its kind is unknown, or where nothing is told of it. */
  has(trait: Trait): boolean {
    const kind = this.need('transfer.kind');
    const has = traitOf(kind, trait);
    if (has === undefined) throw new Missing(['transfer.kind'], unlike(this.known('transfer.otherKind')));
    return has;
  }

  /** The same where nobody knows the kind yet: then it counts as if it had. */
  mayHave(trait: Trait): boolean {
    return this.kind === undefined || this.has(trait);
  }

  /** How many there are of a list: one even where none is recorded yet, none where there can be none. */
  count(list: ListPath): number {
    const entries = this.read(list);
    const recorded = Array.isArray(entries) ? entries.length : 0;
    return isThere(this.shared.site, list) ? Math.max(1, recorded) : 0;
  }

  get cords(): number {
    return this.count('cord');
  }

  get circuits(): number {
    return this.count('loads.circuits');
  }

  get stretches(): number {
    return this.count('feeder.stretches');
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
