import type { Case } from '../case';
import type { Usual } from './part';

/** What the last house with such a fact had, latest first: met here, so it may be met again. */
export function usualOf(cases: readonly Case[]): Usual {
  const usual: Record<string, number> = {};
  const learn = (key: string, value: unknown) => {
    if (typeof value === 'number') usual[key] ??= value;
  };
  for (const { source, feeder } of cases) {
    learn('altitudeFt', source?.altitudeFt);
    learn('airF', source?.airF);
    for (const stretch of feeder?.stretches ?? []) learn(`ambientF ${String(stretch.place)}`, stretch.ambientF);
  }
  return usual;
}
