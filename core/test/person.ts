import { emptyCase, factAt, metaOf, recordedFacts, withFact, type Case, type Station } from '../case';
import { evaluate as judged, type Evaluation } from '../verdict';
import {
  WALK,
  factsOf,
  linesOf,
  measuredBy,
  wantedBy,
  nextPart,
  nextStation,
  partsAt,
  questionAt,
  saidBy,
  type PartHere,
  type Reading,
} from '../walk';

/** A touch, and what it was for. */
export interface Touch {
  readonly station: Station;
  readonly part: string;
  readonly what: string;
}

/** A case is judged once, however often the person looks at it. */
const known = new WeakMap<Case, Evaluation>();
function evaluate(c: Case): Evaluation {
  let evaluation = known.get(c);
  if (!evaluation) known.set(c, (evaluation = judged(c)));
  return evaluation;
}

const LISTS = { cord: 'cord', feeder: 'feeder.stretches', loads: 'loads.circuits' } as const;

/**
 * A person who walks a house that is as a case says, by drawing and strip alone: takes the reading that says what is there,
 * else the nearest and changes what is otherwise, else answers one after the other. Gives every touch, and what was recorded.
 */
export function walk(truth: Case, usual = {}): { touches: readonly Touch[]; recorded: Case } {
  let c = emptyCase(truth.edition);
  const kind = truth.transfer?.kind;
  if (kind) c = withFact(c, 'transfer.kind', kind);
  const touches: Touch[] = [];
  let station: Station = WALK[0]!;
  const touch = (here: PartHere, what: string) => touches.push({ station: here.station, part: here.id, what });
  const set = (path: string) => {
    const value = factAt(truth, path);
    c = withFact(c, path, value ?? 'not-seen', entryId(path));
  };
  const entryId = (path: string) => {
    const entry = /^(.*\[\d+\])/.exec(path)?.[1];
    return entry && (factAt(truth, `${entry}.id`) as string | undefined);
  };
  const differs = (here: PartHere, reading: Reading) =>
    saidBy(c, here, reading).filter(([path, value]) => factAt(truth, path) !== value);
  const answer = (here: PartHere, single: boolean): boolean => {
    const evaluation = evaluate(c);
    const question = questionAt(c, evaluation, here, { usual, single });
    if (!question) return false;
    if (question.kind === 'so') {
      const lines = linesOf(c, here, wantedBy(evaluation));
      for (const { path, right } of lines) {
        if (factAt(truth, path) !== right) {
          touch(here, `not so: ${path}`);
          touch(here, `${path} = ${String(factAt(truth, path))}`);
        }
        set(path);
      }
      if (lines.some(({ path, right }) => factAt(truth, path) === right)) touch(here, 'all so');
      return true;
    }
    if (question.kind === 'fact') {
      touch(here, question.path);
      set(question.path);
      return true;
    }
    const best = question.readings.toSorted((a, b) => differs(here, a).length - differs(here, b).length)[0]!;
    const otherwise = differs(here, best);
    const one = question.glance.keys.length;
    if (otherwise.length * 2 >= one) {
      touch(here, 'one after the other');
      return answerSingly(here, question.glance.keys.length);
    }
    touch(here, best.label);
    for (const [path, value] of saidBy(c, here, best)) c = withFact(c, path, value, entryId(path));
    for (const path of measuredBy(c, here, best)) set(path);
    for (const [path] of otherwise) {
      touch(here, `otherwise: ${path}`);
      touch(here, path);
      set(path);
    }
    return true;
  };
  const answerSingly = (here: PartHere, most: number): boolean => {
    for (let i = 0; i < most; i++) if (!answer(here, true)) return true;
    return true;
  };
  /** What may be left open is touched by hand where there is something to read. */
  const touchWhatIsLeftOpen = () => {
    for (const path of recordedFacts(truth)) {
      if (factAt(c, path) !== undefined || !metaOf(path).ask.includes('leave it open')) continue;
      const here = WALK.flatMap((one) => partsAt(c, one)).find((one) => factsOf(c, one).includes(path));
      if (!here) continue;
      touch(here, `by hand: ${path}`);
      touch(here, path);
      set(path);
    }
  };
  for (let round = 0; round < 3; round++) {
    station = WALK[0]!;
    for (;;) {
      const list = LISTS[station as keyof typeof LISTS];
      const entries = list ? ((factAt(truth, list) as unknown[] | undefined)?.length ?? 0) : 0;
      for (let guard = 0; guard < 400; guard++) {
        const here = nextPart(c, evaluate(c), station);
        const have = list ? ((factAt(c, list) as unknown[] | undefined)?.length ?? 0) : 0;
        // Every circuit first: what is asked of all of them together comes after the last.
        if (here && (here.entry !== undefined || have >= entries || have === 0) && answer(here, false)) continue;
        if (list && have < entries) {
          const added = partsAt(withFact(c, `${list}[${have}].id`, entryId(`${list}[${have}].id`)), station).find(
            (one) => one.entry === `${list}[${have}]`,
          )!;
          touch(added, 'one more');
          const first = station === 'loads' && factsOf(c, added).includes(`${list}[${have}].slot`) ? 'slot' : undefined;
          if (first) set(`${list}[${have}].slot`);
          else c = withFact(c, `${list}[${have}].id`, entryId(`${list}[${have}].id`) ?? `${list}-${have}`);
          continue;
        }
        break;
      }
      const next = nextStation(c, evaluate(c), station);
      if (!next) break;
      station = next;
    }
    if (round === 0) touchWhatIsLeftOpen();
  }
  return { touches, recorded: c };
}
