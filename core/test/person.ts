import {
  NOT_SEEN,
  emptyCase,
  factAt,
  listOf,
  metaOf,
  recordedFacts,
  withFact,
  withRecorded,
  type Case,
  type Station,
} from '../case';
import { evaluate as judged, type Evaluation } from '../verdict';
import {
  WALK,
  factsOf,
  howAgain,
  linesOf,
  measuredBy,
  movesTo,
  nextPart,
  nextStation,
  partsAt,
  questionAt,
  saidBy,
  wantedBy,
  type PartHere,
  type Question,
  type Reading,
  type Usual,
} from '../walk';

/** One touch of a person at the drawing and the strip. */
export type Touch = { readonly station: Station } & (
  | { readonly act: 'read'; readonly asks: string; readonly label: string }
  | { readonly act: 'one-by-one' }
  | { readonly act: 'answer'; readonly path: string; readonly value: string | number }
  | { readonly act: 'line'; readonly path: string }
  | { readonly act: 'all-so' }
  | { readonly act: 'part'; readonly id: string }
  | { readonly act: 'change'; readonly path: string }
  | { readonly act: 'go-on' }
  | { readonly act: 'add'; readonly slot: number | undefined }
  /** To a station that the strip offers, where the body has to move; else by the path. */
  | { readonly act: 'next'; readonly to: Station; readonly offered: boolean }
);

interface Offered extends Pick<Extract<Question, { kind: 'glance' }>, 'glance' | 'readings'> {
  readonly site: Case;
  readonly here: PartHere;
}

/** A case is judged once, however often the person looks at it. */
const known = new WeakMap<Case, Evaluation>();
function evaluate(c: Case): Evaluation {
  let evaluation = known.get(c);
  if (!evaluation) known.set(c, (evaluation = judged(c)));
  return evaluation;
}

/** A house as it is opened: its connection is known. */
function opened({ edition, transfer }: Case): Case {
  const empty = emptyCase(edition);
  return transfer?.kind ? withFact(empty, 'transfer.kind', transfer.kind) : empty;
}

/** Touches that it takes to put one fact of a part right that a reading has said otherwise. */
const TO_CHANGE = 3;

/**
 * A person who walks a house that is as a case says, by drawing and strip alone: takes the reading that says what is there,
 * else the nearest and changes what is otherwise, else answers one after the other. Yields every touch before it is done.
 */
export class Person {
  /** What has been recorded so far. */
  site: Case;
  /** The plates that were offered, with what was recorded then. */
  readonly offered: Offered[] = [];
  private station: Station = WALK[0]!;

  constructor(
    private readonly truth: Case,
    private readonly usual: Usual = {},
    /** Whether there is a meter that gives its readings by itself. */
    private readonly meter = true,
    /** What somebody has recorded before. */
    begun: Case = opened(truth),
  ) {
    this.site = begun;
  }

  *walk(): Generator<Touch> {
    const first = WALK.find((one) => nextPart(this.site, evaluate(this.site), one));
    if (first && first !== this.station)
      yield { station: first, act: 'next', to: (this.station = first), offered: false };
    for (let round = 0; round < 3; round++) {
      for (;;) {
        yield* this.walkStation();
        const next = nextStation(this.site, evaluate(this.site), this.station);
        if (!next) break;
        if (movesTo(this.station, next)) yield { station: this.station, act: 'next', to: next, offered: true };
        this.station = next;
      }
      if (round === 0) yield* this.touchWhatIsLeftOpen();
      const open = WALK.find((one) => nextPart(this.site, evaluate(this.site), one));
      if (!open) return;
      yield { station: open, act: 'next', to: (this.station = open), offered: false };
    }
  }

  private *walkStation(): Generator<Touch> {
    const { station } = this;
    const list = listOf(station)?.list;
    const count = (c: Case) => (list ? ((factAt(c, list) as unknown[] | undefined)?.length ?? 0) : 0);
    const entries = count(this.truth);
    for (;;) {
      const here = nextPart(this.site, evaluate(this.site), station);
      const have = count(this.site);
      // Every cord, stretch and circuit first: what is asked of all of them together comes after the last.
      if (here && (here.entry !== undefined || have >= entries || have === 0)) {
        yield* this.answer(here);
        continue;
      }
      if (!list || have >= entries) return;
      const entry = `${list}[${have}]`;
      const slot = station === 'loads' ? (factAt(this.truth, `${entry}.slot`) as number | undefined) : undefined;
      yield { station, act: 'add', slot };
      if (slot === undefined) this.site = withFact(this.site, `${entry}.id`, this.idOf(entry));
      else this.set(`${entry}.slot`);
    }
  }

  private *answer(here: PartHere, single = false): Generator<Touch> {
    const { station } = here;
    const evaluation = evaluate(this.site);
    const question = questionAt(this.site, evaluation, here, { usual: this.usual, single });
    if (question?.kind === 'so') {
      const lines = linesOf(this.site, here, wantedBy(evaluation));
      const otherwise = lines.filter(({ path, right }) => factAt(this.truth, path) !== right);
      for (const { path } of otherwise) {
        yield { station, act: 'line', path };
        yield* this.answerFact(station, path);
      }
      if (otherwise.length < lines.length) yield { station, act: 'all-so' };
      for (const { path } of lines) this.set(path);
    } else if (question?.kind === 'fact') yield* this.answerFact(station, question.path);
    else if (question) {
      const { glance, readings } = question;
      this.offered.push({ site: this.site, here, glance, readings });
      yield* this.read(here, glance.asks, readings);
    }
  }

  private *read(here: PartHere, asks: string, readings: readonly Reading[]): Generator<Touch> {
    const { station } = here;
    const able = this.meter ? readings : readings.filter((one) => one.measures === undefined);
    const differs = (reading: Reading) =>
      saidBy(this.site, here, reading).filter(([path, value]) => factAt(this.truth, path) !== value);
    const best = able.toSorted((a, b) => differs(a).length - differs(b).length)[0];
    const otherwise = best ? differs(best) : [];
    const asked = factsOf(this.site, here).filter((path) => factAt(this.site, path) === undefined);
    if (!best || otherwise.length * TO_CHANGE >= asked.length) {
      yield { station, act: 'one-by-one' };
      for (let one = 0; one < asked.length; one++) {
        if (!questionAt(this.site, evaluate(this.site), here, { single: true })) return;
        yield* this.answer(here, true);
      }
      return;
    }
    yield { station, act: 'read', asks, label: best.label };
    for (const [path, value] of saidBy(this.site, here, best))
      this.site = withFact(this.site, path, value, this.idOf(path));
    for (const path of measuredBy(this.site, here, best)) this.set(path);
    if (otherwise.length > 0)
      yield* this.changeByHand(
        here,
        otherwise.map(([path]) => path),
      );
  }

  private *changeByHand(here: PartHere, paths: readonly string[]): Generator<Touch> {
    const { station } = here;
    yield { station, act: 'part', id: here.id };
    for (const path of paths) {
      yield { station, act: 'change', path };
      yield* this.answerFact(station, path);
    }
    yield { station, act: 'go-on' };
  }

  private *answerFact(station: Station, path: string): Generator<Touch> {
    yield {
      station,
      act: 'answer',
      path,
      value: (factAt(this.truth, path) as string | number | undefined) ?? NOT_SEEN,
    };
    this.set(path);
  }

  /** What may be left open is touched by hand where there is something to read. */
  private *touchWhatIsLeftOpen(): Generator<Touch> {
    for (const path of recordedFacts(this.truth)) {
      if (factAt(this.site, path) !== undefined || !metaOf(path).ask.includes('leave it open')) continue;
      const here = WALK.flatMap((one) => partsAt(this.site, one)).find((one) => factsOf(this.site, one).includes(path));
      if (!here) continue;
      yield { station: here.station, act: 'next', to: here.station, offered: false };
      yield* this.changeByHand(here, [path]);
    }
  }

  private set(path: string): void {
    const value = factAt(this.truth, path) ?? NOT_SEEN;
    // What is asked once more, and is as it was, stands as looked at again.
    const again = howAgain(this.site, evaluate(this.site), path, value) === 'again';
    this.site = withFact(this.site, path, value, this.idOf(path));
    if (again) this.site = withRecorded(this.site, path, { how: 'again', at: '', by: '' });
  }

  private idOf(path: string): string | undefined {
    const entry = /^(.*\[\d+\])/.exec(path)?.[1];
    return entry && (factAt(this.truth, `${entry}.id`) as string | undefined);
  }
}

/** A whole walk: every touch, the plates that were offered, and what was recorded. */
export function walk(
  truth: Case,
  usual: Usual = {},
): { touches: readonly Touch[]; offered: readonly Offered[]; recorded: Case } {
  const person = new Person(truth, usual);
  const touches = [...person.walk()];
  return { touches, offered: person.offered, recorded: person.site };
}
