import { STATIONS, stationOf, type Station } from '@careful-latch/core/case';
import { RULES } from '@careful-latch/core/rules';
import type { Evaluation, Outcome } from '@careful-latch/core/verdict';

/** Facts so general that every other rule uses them; answers are shown beside the particular ones. */
const GENERAL = ['transfer.kind', 'source.voltage', 'source.kind'];

/** Where each rule's answer is shown: a violation once at every station whose facts it uses, the rest beside the one fact that is its own. */
const BESIDE: ReadonlyMap<string, { own: string; all: readonly string[] }> = new Map(
  RULES.map((rule) => {
    const particular = rule.facts.filter((fact) => !GENERAL.includes(fact));
    const facts = particular.length > 0 ? particular : rule.facts;
    const all = facts.filter((fact, i) => facts.findIndex((other) => stationOf(other) === stationOf(fact)) === i);
    return [rule.id, { own: all.find((fact) => stationOf(fact) === rule.station) ?? all[0]!, all }];
  }),
);

/** The outcomes to be shown beside a fact. */
export function outcomesBeside(evaluation: Evaluation, path: string): Outcome[] {
  const key = path.replace(/\[\d+\]/g, '');
  const firstEntry = !/\[[1-9]\d*\]/.test(path);
  return evaluation.outcomes.filter((one) => {
    const beside = BESIDE.get(one.rule)!;
    if (one.outcome === 'violation') return beside.all.includes(key);
    return one.outcome === 'holds' && beside.own === key && firstEntry;
  });
}

/** Facts still to be found out, by station, in the order of the walk: what unproven rules ask for. */
export function toFindOut(evaluation: Evaluation): { station: Station; paths: string[] }[] {
  const wanted = new Set(evaluation.outcomes.flatMap((one) => one.needs));
  return STATIONS.map((station) => ({
    station,
    paths: [...wanted].filter((path) => stationOf(path) === station),
  })).filter((one) => one.paths.length > 0);
}
