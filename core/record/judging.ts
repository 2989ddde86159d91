import { LOCAL } from '../profile';
import { RULES } from '../rules';
import { evaluate, type Evaluation } from '../verdict';
import type { Inspection } from './inspection';

/** What the engine finds at an inspection: under its own edition, and the rules that its office had adopted. */
export const judged = ({ case: site, rules }: Pick<Inspection, 'case' | 'rules'>): Evaluation =>
  evaluate(site, { edition: site.edition, profile: rules?.profile });

/** A rule whose outcome is another one under other rules. */
export interface Differs {
  readonly rule: string;
  /** What the rule asks. */
  readonly words: string;
  readonly from: string;
  readonly to: string;
}

const WORDS = new Map(RULES.map((rule) => [rule.id as string, rule.holds]));

/** In words: what became of a rule, how grave where it is violated. */
const said = (one: Evaluation['outcomes'][number] | undefined): string =>
  one === undefined ? 'not asked' : one.outcome === 'violation' ? one.severity : one.outcome;

/** What would be found otherwise at an inspection, if it were judged under other rules of its office. */
export function wouldDiffer(inspection: Inspection, rules: Inspection['rules']): Differs[] {
  const before = new Map(judged(inspection).outcomes.map((one) => [one.rule as string, one]));
  const after = new Map(judged({ case: inspection.case, rules }).outcomes.map((one) => [one.rule as string, one]));
  return [...new Set([...before.keys(), ...after.keys()])].flatMap((rule) => {
    const [from, to] = [said(before.get(rule)), said(after.get(rule))];
    return from === to
      ? []
      : [{ rule, words: WORDS.get(rule) ?? rule.slice(LOCAL.length).replaceAll('-', ' '), from, to }];
  });
}
