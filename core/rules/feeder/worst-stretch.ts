import { stretchAt } from '../../case';
import { lacking, type Attempt, type Look } from '../../electrical';
import { firstOf, withoutFeeder, type Finding } from '../rule';

/** A stretch's finding, and what ranks it: the stretch with the least is the worst. */
export interface Judged {
  readonly finding: Finding;
  readonly least: number;
}

/**
 * Judges every stretch by itself and lets the worst decide: the worst violation, even where other stretches
 * lack facts; else what is missing anywhere; else the worst that holds.
 */
export function worstStretch(look: Look, judge: (side: Look, index: number) => Judged): Finding {
  const parts: Attempt<Judged>[] = [];
  let worst: (Attempt<Judged> & { readonly index: number }) | undefined;
  for (let i = 0; i < look.stretches; i++) {
    const part = look.attempt((side) => judge(side, i));
    parts.push(part);
    if (part.value && (!worst || worse(part.value, worst.value!))) worst = { ...part, index: i };
  }
  if (worst?.value!.finding.outcome !== 'violation') lacking(parts);
  look.adopt(worst!);
  const { value, index } = worst!;
  const at = (one: number) => ({ list: 'feeder.stretches', index: one }) as const;
  const others = parts.flatMap(({ value: other }, i) =>
    i !== index && other?.finding.outcome === 'violation' ? [{ ...other.finding, part: at(i) }] : [],
  );
  return { ...value!.finding, part: at(index), others };
}

/** A violation is worse than what holds; of two alike, the one with less. */
const worse = (one: Judged, other: Judged): boolean =>
  one.finding.outcome === other.finding.outcome ? one.least < other.least : one.finding.outcome === 'violation';

/** How a stretch is named in a finding: "run 2, attic", or "feeder" where it is the only one. */
export function stretchName(look: Look, index: number): string {
  if (look.stretches === 1) return 'feeder';
  const place = look.known(stretchAt(index).place);
  return `run ${index + 1}${place ? `, ${place}` : ''}`;
}

/** A rule for feeders of which some stretch is so; ends with `Missing` where a stretch that nobody looked at may be. */
export const onlyWithStretch = (isSo: (look: Look, index: number) => boolean, otherwise: string) =>
  firstOf(withoutFeeder, (look) => {
    const stretches = Array.from({ length: look.stretches }, (_, i) => look.attempt((side) => isSo(side, i)));
    if (stretches.some(({ value }) => value)) return undefined;
    look.requireAll(...stretches);
    return otherwise;
  });
