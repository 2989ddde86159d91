import { useCallback, useMemo, useState } from 'react';
import { NOT_SEEN, factAt, listOf, withFact, type Case, type How, type Station } from '@careful-latch/core/case';
import { brokenFacts, newlyWrong, type Outcome, type Told } from '@careful-latch/core/verdict';
import {
  WALK,
  doubtOf,
  factsOf,
  howAgain,
  measuredBy,
  movesTo,
  nextPart,
  nextStation,
  partOfEntry,
  partOfPath,
  partsAt,
  questionAt,
  saidBy,
  sharedNeutral,
  stationOfPath,
  stationState,
  unseenBy,
  waitsForHazard,
  type Line,
  type PartHere,
  type Question,
  type Reading,
} from '@careful-latch/core/walk';
import { walkOf, type Walk } from '../inspection/walk';
import { shownAs } from '../drawn/signs';
import { outcomesBeside } from '../inspection/answers';
import { record, undo, useInspections } from '../stores/inspections';
import type { Step } from '../strip/put-aside';
import { useSteady } from '../theme/use-steady';
import type { Offered } from './offered';

/** What is in hand: a part that came by itself, or one that was touched. */
interface Hand {
  readonly id: string;
  /** Touched, come back to by Undo, or stopped at by a violation: nothing goes on by itself from here. */
  readonly stays?: boolean;
  /** One fact after the other, where no plate says what is there. */
  readonly single?: boolean;
  /** The one fact that is to be answered. */
  readonly path?: string;
  /** A cord, stretch or circuit that is not recorded yet. */
  readonly entry?: string;
}

interface InHand {
  readonly here: PartHere | undefined;
  readonly question: Question | undefined;
  readonly stays: boolean;
  /** Why the fact that is asked is asked once more: what it contradicts. */
  readonly doubt: string | undefined;
  /** What the last answer did. */
  readonly answer: Outcome | undefined;
  /** What the last answer made wrong, anywhere in the house: the walk has stopped for it. */
  readonly told: readonly ToldHere[];
  /** Whether what is left here is found out with the source running, and a hazard stands for which nobody starts it. */
  readonly hazardFirst: boolean;
  /** The fact of a station that was passed over without which nothing is asked here; to what lies ahead the walk comes by itself. */
  readonly waitsFor: string | undefined;
  /** Whether something here is still unproven, and asked once more is known of what lies ahead. */
  readonly ahead: boolean;
  /** Whether anything is left to find out at this station: then it is gone on with before the walk leaves it. */
  readonly open: boolean;
  /** Where the walk goes where nothing is open here; undefined where something is. */
  readonly next: Station | undefined;
  /** Facts of the part in hand that are recorded, each to be changed by itself; all of them, where it was touched. */
  readonly known: readonly string[];
  readonly trouble: string | undefined;
  /** The circuit whose handle was touched, while the one that shares its neutral is waited for. */
  readonly pairing: number | undefined;
  /** What the last answer changed, of which some facts may apply no more. */
  readonly step: Step | undefined;
}

/** What was made wrong, and where it is to be seen. */
export interface ToldHere extends Told {
  readonly path: string | undefined;
  readonly station: Station;
}

/** The part of the loads at which shared neutrals are found out. */
const NEUTRALS = 'loads/neutral';

/** A fact, its value, and how it is recorded where not as the others. */
export type Said = readonly [path: string, value: string | number | null, how?: How];

/** The part in hand; of an entry that is not there yet, the first that would be asked. */
function partOf(c: Case, station: Station, hand: Hand): PartHere | undefined {
  const { entry } = hand;
  const own = partsAt(c, station).find((one) => one.id === hand.id);
  if (own || entry === undefined) return own;
  return partsAt(withFact(c, `${entry}.id`, 'new'), station).find((one) => one.entry === entry);
}

/** The walk as it stands after whatever has just been recorded. */
const walkNow = (inspection: string): Walk => walkOf(useInspections.getState().byId[inspection]!);

/** Where each of what is told is to be seen: at the fact that is drawn broken for it. */
function toldAt({ inspection, evaluation }: Walk, news: readonly Told[]): readonly ToldHere[] {
  if (news.length === 0) return [];
  const broken = [...brokenFacts(inspection.case, evaluation, inspection.rules?.profile)];
  return news.map((one) => {
    const outcome = evaluation.outcomes.find(({ rule }) => rule === one.rule)!;
    const path = broken.find(([, outcomes]) => outcomes.includes(outcome))?.[0];
    return { ...one, path, station: path === undefined ? outcome.station : stationOfPath(path) };
  });
}

/** What comes into hand at a station, and everything that a touch there does. */
export function useHand(
  walk: Walk,
  station: Station,
  { usual, like }: Offered,
  go: (station: Station, part?: string) => void,
) {
  const { inspection, evaluation } = walk;
  const c = inspection.case;
  const [hand, setHand] = useState<Hand>();
  const [last, setLast] = useState<readonly string[]>([]);
  const [trouble, setTrouble] = useState<string>();
  const [step, setStep] = useState<Step>();
  const [pairing, setPairing] = useState<number>();
  const [told, setTold] = useState<readonly ToldHere[]>([]);

  const first = useMemo(() => nextPart(c, evaluation, station), [c, evaluation, station]);
  const here = useMemo(() => {
    // Where nothing applies nothing is asked, whatever an address names.
    if (hand && stationState(c, evaluation, station) !== 'absent') return partOf(c, station, hand) ?? first;
    return first;
  }, [hand, c, evaluation, station, first]);
  const question = useMemo<Question | undefined>(() => {
    if (!here) return undefined;
    if (hand?.path !== undefined) return { kind: 'fact', path: hand.path };
    return questionAt(c, evaluation, here, {
      usual,
      like,
      single: hand?.single === true,
      fresh: hand?.entry !== undefined,
    });
  }, [c, evaluation, here, hand, usual, like]);

  /** On to the next station by itself, where nothing is open here and the body does not have to move. */
  const leave = useCallback(
    ({ inspection, evaluation }: Walk) => {
      if (nextPart(inspection.case, evaluation, station)) return;
      const next = nextStation(inspection.case, evaluation, station);
      if (next && !movesTo(station, next)) go(next);
    },
    [station, go],
  );

  /** Records facts as one change, and takes the next part into hand. */
  const say = useCallback(
    (facts: readonly Said[], how: How, said?: string) => {
      if (facts.length === 0) return;
      try {
        record({
          type: 'facts',
          inspection: inspection.id,
          facts: facts.map(([path, value, own = how]) => ({
            path,
            value,
            how: own,
            ...(said !== undefined && { said }),
          })),
        });
      } catch (error) {
        setTrouble((error as Error).message);
        return;
      }
      setTrouble(undefined);
      setLast(facts.map(([path]) => path));
      const after = walkNow(inspection.id);
      setStep([c, after.inspection.case]);
      const news = toldAt(after, newlyWrong(evaluation, after.evaluation));
      setTold(news);
      const stops = news.length > 0;
      const now = after.inspection.case;
      const added = hand?.entry !== undefined && partsAt(now, station).find((one) => one.entry === hand.entry);
      // A slot that was touched brings its own parts, whatever was in hand.
      const same = here && facts.some(([path]) => factsOf(now, here).includes(path));
      const stay = added || (same ? here : partOfPath(now, facts[0]![0]));
      if (stay && (stops || (same && hand?.stays)))
        setHand({ id: stay.id, stays: true, ...(hand?.single && { single: true }) });
      else if (
        stay &&
        hand?.path === undefined &&
        questionAt(now, after.evaluation, stay, { usual, like, single: hand?.single === true })
      )
        setHand({ id: stay.id, ...(hand?.single && { single: true }) });
      else {
        setHand(undefined);
        if (!stops) leave(after);
      }
    },
    [here, c, inspection.id, evaluation, hand, station, usual, like, leave],
  );

  const answer = useMemo(() => {
    const beside = last.flatMap((path) => (factAt(c, path) === undefined ? [] : outcomesBeside(evaluation, path)));
    const against = beside.filter((one) => shownAs(one) === 'violation');
    return (
      against.find((one) => one.station === station) ??
      against[0] ??
      beside.find((one) => one.found !== null) ??
      beside[0]
    );
  }, [c, evaluation, last, station]);

  /** Takes into hand; what was told has been read by then. */
  const take = (now: Hand | undefined) => {
    setTold([]);
    setPairing(undefined);
    setHand(now);
  };
  const touch = (id: string) => take({ id, stays: true });
  /** Two handles, one after the other, share a neutral; the same one twice takes the first touch back. */
  const pair = (index: number) => {
    setPairing(pairing === undefined ? index : undefined);
    if (pairing === undefined || pairing === index) return;
    const facts = sharedNeutral(c, pairing, index);
    if (typeof facts === 'string') setTrouble(facts);
    else say(facts, 'touched');
  };
  const acts = useSteady({
    say,
    read: (reading: Reading, how: How) => say(here ? saidBy(c, here, reading) : [], how, reading.label),
    measures: (reading: Reading) => (here ? measuredBy(c, here, reading) : []),
    /** What a reading says by itself, beside what the meter gives with it. */
    says: (reading: Reading) => (here ? saidBy(c, here, reading) : []),
    answer: (path: string, value: string | number | null, asRead?: string) =>
      say([[path, value]], howAgain(c, evaluation, path, value), asRead),
    /** Somebody looked, and could not see what the question asks for. */
    notSeen: () =>
      here &&
      question &&
      say(
        unseenBy(c, here, question).map((path) => [path, NOT_SEEN]),
        'touched',
      ),
    allSo: (lines: readonly Line[]) =>
      say(
        lines.map(({ path, right }) => [path, right]),
        'together',
      ),
    /** Takes a part into hand. */
    touch,
    /** Takes what is in a slot of the panel into hand; one that nobody has spoken of becomes that of the circuit in hand, where it has none, else a new one's. */
    slot: (slot: number, index: number | undefined) => {
      if (index !== undefined && here?.part.id === NEUTRALS) return pair(index);
      if (index !== undefined) return touch(partOfEntry(c, 'loads', index)!.id);
      const circuits = c.loads?.circuits ?? [];
      const own = (here?.station === 'loads' ? here.index : undefined) ?? circuits.length;
      const of = typeof circuits[own]?.slot === 'number' ? circuits.length : own;
      say([[`loads.circuits[${of}].slot`, slot]], 'touched');
    },
    /** Takes a fact into hand wherever it is found out, as from a list of what is not proved. */
    pick: (path: string) => {
      const found = partOfPath(c, path);
      if (!found) return;
      if (found.station === station) take({ id: found.id, stays: true, path });
      else go(found.station, found.id);
    },
    /** Takes one fact of the part in hand, to answer it by itself. */
    change: (path: string) => here && take({ ...hand, id: here.id, path }),
    one: () => here && take({ ...hand, id: here.id, single: true }),
    goOn: () => {
      take(undefined);
      leave(walk);
    },
    /** Begins a cord, a stretch or a circuit that is not there yet. */
    add: () => {
      const list = listOf(station)!.list;
      const index = (factAt(c, list) as unknown[] | undefined)?.length ?? 0;
      take({ id: `new ${index}`, entry: `${list}[${index}]` });
    },
    takeBack: () => {
      const undone = useInspections.getState().undos.findLast((one) => one.inspection === inspection.id)?.body;
      undo(inspection.id);
      const path = undone?.type === 'facts' ? undone.facts[0]?.path : undefined;
      setLast([]);
      setTold([]);
      setStep(undefined);
      if (path === undefined) return;
      const part = partOfPath(walkNow(inspection.id).inspection.case, path);
      if (!part) return;
      if (part.station !== station) go(part.station, part.id);
      else touch(part.id);
    },
  });

  const doubt = useMemo(
    () => (question?.kind === 'fact' ? doubtOf(evaluation, question.path) : undefined),
    [evaluation, question],
  );
  const stays = hand?.stays === true;
  const known = useMemo(
    () => (here ? factsOf(c, here).filter((path) => stays || factAt(c, path) !== undefined) : []),
    [c, here, stays],
  );
  const unproven = evaluation.outcomes.filter((one) => one.station === station && one.outcome === 'unproven');
  const waitsFor = here
    ? undefined
    : unproven
        .flatMap((one) => one.needs)
        .find((path) => WALK.indexOf(stationOfPath(path)) < WALK.indexOf(station) && factAt(c, path) === undefined);
  // It is looked for where something is to be said of it alone: it looks through every station that lies ahead.
  const next = useMemo(() => {
    if (first || question) return undefined;
    return waitsFor === undefined ? nextStation(c, evaluation, station) : stationOfPath(waitsFor);
  }, [first, question, waitsFor, c, evaluation, station]);
  const hazardFirst = useMemo(() => !here && waitsForHazard(c, evaluation, station), [here, c, evaluation, station]);
  const inHand: InHand = {
    here,
    question,
    stays,
    doubt,
    answer,
    told,
    waitsFor,
    ahead: unproven.length > 0,
    hazardFirst,
    open: first !== undefined,
    next,
    known,
    trouble,
    pairing: here?.part.id === NEUTRALS ? pairing : undefined,
    step,
  };
  return { inHand, acts };
}

/** Everything that a touch does at a station. */
export type Acts = ReturnType<typeof useHand>['acts'];
