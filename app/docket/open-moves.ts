import { houseOf, openMoves, type Inspection, type Kind, type OpenMove } from '@careful-latch/core/record';
import type { Evaluation } from '@careful-latch/core/verdict';
import { useSession } from '../stores/session';
import type { Offering } from './moves';

export interface Offerable extends Offering {
  readonly to: string;
  readonly theirs: boolean;
  readonly whyNot: string | undefined;
}

/** The moves of something at a house, for whoever is signed in; `own` is its id, as the change names it, `evaluation` what the engine finds there. */
export function useOpenMoves<House, Thing extends { readonly state: S }, S extends string>(
  kind: Kind<House, Thing, never, S>,
  inspection: Inspection,
  known: Thing | undefined,
  own: object,
  evaluation?: Evaluation,
): Offerable[] {
  const account = useSession((one) => one.account);
  if (!account) return [];
  const house = houseOf(inspection, evaluation) as unknown as House;
  return openMoves(kind as never, house, known as never, account).map((one: OpenMove<string>) => ({
    ...one,
    body: { type: kind.type, inspection: inspection.id, to: one.to, words: '', ...own },
  }));
}

/** Those that can be made now. */
export const openNow = (moves: readonly Offerable[]): Offerable[] => moves.filter(({ whyNot }) => whyNot === undefined);
