import { mixed } from 'yup';
import { line } from './shapes';

/** One step in the life of what stands in a docket: to which state, when, by whom, and with what words. */
export interface Step<S extends string> {
  readonly to: S;
  readonly at: string;
  readonly by: string;
  readonly words: string;
}

/** Reasons are read years later: they have at least so many characters. */
export const SHORTEST_REASON = 10;

export const stateIn = <S extends string>(states: Readonly<Record<S, string>>) =>
  mixed<S>()
    .oneOf(Object.keys(states) as S[])
    .required('It is not said what becomes of it.');

/** The words that go with a step. */
export const words = line('The words', 2000).default('');

/** A list with one put in: in the place of the one that has its id, else behind all. */
export const replaced = <T extends { readonly id: string }>(all: readonly T[], one: T): readonly T[] =>
  all.some(({ id }) => id === one.id) ? all.map((each) => (each.id === one.id ? one : each)) : [...all, one];
