/** A thing with positions, and the moves that each state allows. States are plain numbers, so that a search is cheap. */
export interface Machine<Move> {
  readonly start: number;
  /** Every move that a hand can make in a state, with the state it leads to. */
  readonly moves: (state: number) => readonly (readonly [Move, number])[];
}

/**
 * Exhaustive search, breadth first: every state that can be reached, and the shortest way to the nearest one asked for.
 * `way` is undefined where no reachable state is such.
 */
export function explore<Move>(
  machine: Machine<Move>,
  wanted: (state: number) => boolean,
): {
  readonly reached: readonly number[];
  readonly way: readonly Move[] | undefined;
  readonly end: number | undefined;
} {
  const cameBy = new Map<number, readonly [from: number, by: Move] | null>([[machine.start, null]]);
  const reached = [machine.start];
  let end = wanted(machine.start) ? machine.start : undefined;
  for (const state of reached)
    for (const [by, next] of machine.moves(state)) {
      if (cameBy.has(next)) continue;
      cameBy.set(next, [state, by]);
      reached.push(next);
      if (end === undefined && wanted(next)) end = next;
    }
  if (end === undefined) return { reached, way: undefined, end };
  const way: Move[] = [];
  for (let step = cameBy.get(end); step; step = cameBy.get(step[0])) way.unshift(step[1]);
  return { reached, way, end };
}
