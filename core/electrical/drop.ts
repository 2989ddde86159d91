import { RESISTANCE_OHM_PER_KFT, type Metal, type WireSize } from '../codebook';
import { absence, cordAt, stretchAt } from '../case';
import { conductorOf } from './ampacity';
import type { Look } from './look';

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
  readonly lengthFt: number;
}

/** Every run from source to house. Throws `Missing` where facts lack; `withGround` asks for the equipment grounds too. */
export function runs(look: Look, withGround = false): Run[] {
  const cords = Array.from({ length: look.cords }, (_, i) =>
    look.attempt((side): Run => {
      side.needAll(cordAt(i).sizeAwg, cordAt(i).lengthFt);
      const size = side.need(cordAt(i).sizeAwg);
      return {
        name: `cord ${i + 1}`,
        metal: 'copper',
        size,
        groundSize: size,
        lengthFt: side.need(cordAt(i).lengthFt),
      };
    }),
  );
  const fed = !look.kind || !absence('feeder', look.kind);
  const stretches = Array.from({ length: fed ? look.stretches : 0 }, (_, i) =>
    look.attempt((side): Run => {
      const at = stretchAt(i);
      side.needAll(at.metal, at.sizeAwg, at.lengthFt, ...(withGround ? [at.groundAwg] : []));
      const { metal, size } = conductorOf(side, i);
      const ground = withGround ? conductorOf(side, i, 'groundAwg').size : undefined;
      return {
        name: `feeder stretch ${i + 1}`,
        metal,
        size,
        groundSize: ground,
        lengthFt: side.need(at.lengthFt),
      };
    }),
  );
  look.requireAll(...cords, ...stretches);
  return [...cords, ...stretches].map((part) => part.value!);
}

/** Drop out and back over the runs at a current, V: 2 × R × I. */
export function dropV(over: readonly Run[], currentA: number): number {
  return over.reduce((sum, run) => sum + 2 * conductorOhm(run.metal, run.size, run.lengthFt) * currentA, 0);
}

/**
 * Share of the neutral current that returns over the equipment ground when both ends are bonded, 0 to 1:
 * two resistances in parallel, R of neutral ÷ (R of neutral + R of ground).
 */
export function groundShare(over: readonly Run[]): number {
  const neutral = over.reduce((sum, run) => sum + conductorOhm(run.metal, run.size, run.lengthFt), 0);
  const ground = over.reduce((sum, run) => sum + conductorOhm(run.metal, run.groundSize ?? run.size, run.lengthFt), 0);
  return neutral / (neutral + ground);
}
