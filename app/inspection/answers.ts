import { STATIONS, isLocal, stationOf, type Station } from '@careful-latch/core/case';
import { LOCAL } from '@careful-latch/core/profile';
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

/** An item of the office's own has one answer, beside which its outcome is shown. */
const besideOfRule = (rule: string) => {
  const fact = `local.${rule.slice(LOCAL.length)}`;
  return BESIDE.get(rule) ?? { own: fact, all: [fact] };
};

/** The facts beside which a rule's violation is shown. */
export const factsBeside = (rule: string): readonly string[] => besideOfRule(rule).all;

const texts = new WeakMap<Outcome, string>();

/** All that an outcome says, to the last line of its working. */
function textOf(outcome: Outcome): string {
  let text = texts.get(outcome);
  if (text === undefined) texts.set(outcome, (text = JSON.stringify(outcome)));
  return text;
}

/** Whether two lists of outcomes say the same: what a tap does not change is not drawn again. */
export const saySame = (some: readonly Outcome[], others: readonly Outcome[]): boolean =>
  some.length === others.length && some.every((one, i) => one === others[i] || textOf(one) === textOf(others[i]!));

const NONE: readonly never[] = [];
const besides = new WeakMap<Evaluation, ReadonlyMap<string, readonly Outcome[]>>();

function besideOf(evaluation: Evaluation): ReadonlyMap<string, readonly Outcome[]> {
  const known = besides.get(evaluation);
  if (known) return known;
  const beside = new Map<string, Outcome[]>();
  for (const outcome of evaluation.outcomes) {
    const { own, all } = besideOfRule(outcome.rule);
    for (const fact of outcome.outcome === 'violation' ? all : outcome.outcome === 'holds' ? [own] : NONE)
      beside.set(fact, [...(beside.get(fact) ?? []), outcome]);
  }
  besides.set(evaluation, beside);
  return beside;
}

/** The outcomes to be shown beside a fact; of several like parts, what holds stands beside the first. */
export function outcomesBeside(evaluation: Evaluation, path: string): readonly Outcome[] {
  const beside = besideOf(evaluation).get(path.replace(/\[\d+\]/g, '')) ?? NONE;
  return /\[[1-9]\d*\]/.test(path) ? beside.filter((one) => one.outcome === 'violation') : beside;
}

/** Facts still to be found out, by station, in the order of the walk: what unproven rules ask for. */
export function toFindOut(evaluation: Evaluation): { station: Station; paths: string[] }[] {
  const wanted = new Map(
    evaluation.outcomes.flatMap(({ needs, station }) =>
      needs.map((path) => [path, isLocal(path) ? station : stationOf(path)] as const),
    ),
  );
  return STATIONS.map((station) => ({
    station,
    paths: [...wanted].filter(([, at]) => at === station).map(([path]) => path),
  })).filter((one) => one.paths.length > 0);
}
