import { RESISTANCE_OHM_PER_KFT, type Metal, type WireSize } from '../codebook';
import { cordAt, stretchAt } from '../case';
import { conductorOf, metalIsGround } from './ampacity';
import type { Attempt, Look } from './look';

/** Resistance of a length of conductor, Ω, at 75 °C (Chapter 9 Table 8). Throws where the table has no row. */
export function conductorOhm(metal: Metal, size: WireSize, lengthFt: number): number {
  const perKft = RESISTANCE_OHM_PER_KFT.rows[metal][size];
  if (perKft === undefined) throw new Error(`no resistance of ${size} AWG ${metal} in the table`);
  return (perKft * lengthFt) / 1000;
}

/** A run of one size: a cord or a feeder stretch. */
export interface Run {
  readonly name: string;
  readonly metal: Metal;
  readonly size: WireSize;
  readonly groundSize?: WireSize;
  /** Of the neutral, where it is recorded. */
  readonly neutralSize?: WireSize;
  readonly lengthFt: number;
}

/** Every run from source to house. Throws `Missing` where facts lack; `withGround` asks for the equipment grounds too. */
export function runs(look: Look, withGround = false): Run[] {
  const parts: Attempt<Run>[] = [];
  for (let i = 0; i < look.cords; i++)
    if (look.peek(cordAt(i).part) !== 'adapter-listed') parts.push(look.attempt((side) => cordRun(side, i)));
  if (look.mayHave('inlet'))
    for (let i = 0; i < look.stretches; i++) parts.push(look.attempt((side) => stretchRun(side, i, withGround)));
  look.requireAll(...parts);
  return parts.map((part) => part.value!);
}

function cordRun(look: Look, index: number): Run {
  const at = cordAt(index);
  look.needAll(at.part, at.sizeAwg, at.lengthFt); // an adapter has neither
  const size = look.need(at.sizeAwg);
  const lengthFt = look.need(at.lengthFt);
  return { name: `cord ${index + 1}`, metal: 'copper', size, groundSize: size, lengthFt };
}

function stretchRun(look: Look, index: number, withGround: boolean): Run {
  const at = stretchAt(index);
  // A metal raceway conducts better than any wire that it replaces; the network takes it as large as the hots.
  const wire = withGround && !metalIsGround(look, index);
  look.needAll(at.metal, at.sizeAwg, at.lengthFt, ...(wire ? [at.groundAwg] : []));
  const { metal, size } = conductorOf(look, index);
  const groundSize = wire ? conductorOf(look, index, 'groundAwg').size : size;
  const neutralSize = look.attempt((side) => conductorOf(side, index, 'neutralAwg').size).value;
  return {
    name: `feeder run ${index + 1}`,
    metal,
    size,
    groundSize,
    ...(neutralSize && { neutralSize }),
    lengthFt: look.need(at.lengthFt),
  };
}

/** Drop out and back over the runs at a current, V: 2 × R × I. */
export function dropV(over: readonly Run[], currentA: number): number {
  return over.reduce((sum, run) => sum + 2 * conductorOhm(run.metal, run.size, run.lengthFt) * currentA, 0);
}

/** Resistance of a fault's way at the far end of some runs, Ω: out over a hot conductor, back over the equipment ground. */
export function faultOhm(over: readonly Run[]): number {
  return over.reduce(
    (sum, run) =>
      sum +
      conductorOhm(run.metal, run.size, run.lengthFt) +
      conductorOhm(run.metal, run.groundSize ?? run.size, run.lengthFt),
    0,
  );
}

/**
 * Share of the neutral current that returns over the equipment ground when both ends are bonded, 0 to 1:
 * two resistances in parallel, R of neutral ÷ (R of neutral + R of ground).
 */
export function groundShare(over: readonly Run[]): number {
  const neutral = over.reduce(
    (sum, run) => sum + conductorOhm(run.metal, run.neutralSize ?? run.size, run.lengthFt),
    0,
  );
  const ground = over.reduce((sum, run) => sum + conductorOhm(run.metal, run.groundSize ?? run.size, run.lengthFt), 0);
  return neutral + ground > 0 ? neutral / (neutral + ground) : 0.5; // of nothing, both alike
}
