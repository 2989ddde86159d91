import type { Address, Case, Facts } from '../case';
import type { Edition } from '../codebook';
import type { Look, Part, Remembered, Shareable } from '../electrical';
import type { Profile } from '../profile';
import type { Rule } from '../rules';
import { evaluate, groupOf, judge, rulesUnder, type Evaluated, type Group, type Judges, type Under } from './verdict';

/** The same addresses without those that came before; an address is read again and again. */
function distinct(reads: readonly Address[]): Address[] {
  round++;
  const first: Address[] = [];
  for (const address of reads) {
    if (marks[address.place] === round) continue;
    marks[address.place] = round;
    first.push(address);
  }
  return first;
}
let round = 0;
const marks: number[] = [];

const same = (some: readonly Address[], others: readonly Address[]) =>
  some.length === others.length && some.every((one, i) => one === others[i]);

/** Values met at a fork and not learnt, the last few of a trail: each with the number of the look before it. */
const MOST_MET = 16;

/** What was looked at, in order, with the values found there and the answer they led to; and where other values led elsewhere. */
class Trail<T> {
  private forks: (Map<unknown, Trail<T>> | undefined)[] | undefined;
  private met: unknown[] | undefined;

  /** Begins at the look `from`; `values` are those from there on. */
  constructor(
    readonly addresses: readonly Address[],
    readonly from: number,
    readonly values: readonly unknown[],
    readonly answer: T,
  ) {}

  /** The trail that another value at a look begins, from the next look on. */
  fork(at: number, value: unknown): Trail<T> | undefined {
    return this.forks?.[at]?.get(value);
  }

  add(at: number, value: unknown, then: Trail<T>): void {
    ((this.forks ??= [])[at] ??= new Map()).set(value, then);
  }

  /** Whether the value was met at this look before; from now on it was. */
  again(at: number, value: unknown): boolean {
    const met = (this.met ??= []);
    for (let i = 0; i < met.length; i += 2) if (met[i] === at && met[i + 1] === value) return true;
    if (met.length === 2 * MOST_MET) met.splice(0, 2);
    met.push(at, value);
    return false;
  }
}

/** What the questions of one edition have in common. */
interface Shared {
  /** Keeps an answer at once, or only where the facts that lead to it come a second time. */
  readonly atOnce: boolean;
  /** How many answers were learnt. */
  learnt: number;
}

/** One question about a case, with the answers it had, by the facts that were looked at for it. */
class Question<T> {
  private first: Trail<T> | undefined;

  constructor(
    private readonly compute: (look: Look) => T,
    private readonly shared: Shared,
  ) {}

  /** The answer, from memory where every fact looked at then is the same now; else computed. */
  answer(look: Look): T {
    const { facts, reads } = look;
    let trail = this.first;
    let at = 0;
    while (trail) {
      const { addresses, from, values } = trail;
      const begun = at;
      let value: unknown;
      while (at < addresses.length && (value = facts.at(addresses[at]!)) === values[at - from]) at++;
      if (reads) for (let i = begun; i <= at && i < addresses.length; i++) reads.push(addresses[i]!);
      if (at === addresses.length) return trail.answer;
      const other = trail.fork(at, value);
      if (!other)
        return this.shared.atOnce || trail.again(at, value) ? this.learn(look, trail, at) : this.compute(look);
      trail = other;
      at++;
    }
    return this.learn(look);
  }

  /** Computes, and keeps what was looked at beyond the look where memory ended. */
  private learn(look: Look, trail?: Trail<T>, at = -1): T {
    this.shared.learnt++;
    const all: Address[] = [];
    const answer = this.compute(look.recording(all));
    const { facts } = look;
    const addresses = distinct(all);
    look.reads?.push(...addresses);
    const last = trail?.addresses[at];
    if (last !== addresses[at]) throw new Error(`${last?.path} was not looked at as it was before`);
    const values: unknown[] = [];
    for (let i = at + 1; i < addresses.length; i++) values.push(facts.at(addresses[i]!));
    // Most often the same looks follow whatever was found: the list is kept once.
    const then = new Trail(
      trail && same(trail.addresses, addresses) ? trail.addresses : addresses,
      at + 1,
      values,
      answer,
    );
    if (trail) trail.add(at, facts.at(last!), then);
    else this.first = then;
    return answer;
  }
}

/** Rules that stand together, station by station. */
function stationsOf(rules: readonly Rule[]): Rule[][] {
  const stations: Rule[][] = [];
  for (const rule of rules) {
    const last = stations.at(-1);
    if (last?.[0]!.station === rule.station) last.push(rule);
    else stations.push([rule]);
  }
  return stations;
}

/** What was learnt under one edition. */
class Memory implements Judges {
  readonly shared: Shared;
  private readonly stations: readonly Question<Group>[];
  private readonly parts = new Map<Shareable<unknown>, Question<Part<unknown>>[]>();

  constructor(stations: readonly (readonly Rule[])[], profile: Profile | undefined, atOnce: boolean) {
    this.shared = { atOnce, learnt: 0 };
    this.stations = stations.map((some) => {
      const own = some.map((rule) => new Question((look) => judge(rule, look, profile), this.shared));
      return new Question((look) => groupOf(own.map((one) => one.answer(look))), this.shared);
    });
  }

  readonly judged = (look: Look): Group[] => this.stations.map((one) => one.answer(look));

  readonly remembered: Remembered = <T>(compute: Shareable<T>, index: number, look: Look) => {
    let parts = this.parts.get(compute) as Question<Part<T>>[] | undefined;
    if (!parts) this.parts.set(compute, (parts = []));
    return (parts[index] ??= new Question((now) => now.part(compute, index), this.shared)).answer(look);
  };
}

interface Remembering {
  /** After so many cases of which something was learnt, about a kilobyte each, all is forgotten and begun anew. */
  readonly mostCases?: number;
  /** Keep every answer, as for one case that changes step by step; else only what comes a second time, as for many cases. */
  readonly atOnce?: boolean;
}

/**
 * `evaluate` with a memory, for many cases or one again and again. A rule is a function of the facts it looks at, under one
 * edition and one profile: where they are the same, so is its outcome. Look keeps what is looked at, and nothing reaches a
 * rule beside it. Asked station by station first, then rule by rule, then by what several rules share.
 */
export function evaluator(
  under: Under = {},
  { mostCases = 20_000, atOnce = false }: Remembering = {},
): (c: Case | Facts) => Evaluated {
  const rules = rulesUnder(under);
  const stations = stationsOf(rules);
  const editions = new Map<Edition, Memory>();
  let cases = 0;
  return (c) => {
    let memory!: Memory;
    let learnt = 0;
    const evaluation = evaluate(c, under, (edition) => {
      memory = editions.get(edition) ?? new Memory(stations, under.profile, atOnce);
      editions.set(edition, memory);
      learnt = memory.shared.learnt;
      return memory;
    });
    if (memory.shared.learnt > learnt && ++cases > mostCases) {
      editions.clear();
      cases = 0;
    }
    return evaluation;
  };
}
