/** Ω of a bond, a closed contact, or two points that are one. */
export const JOINED_OHM = 1e-4;
/** Ω by which every node leaks to earth, so that a part tied to nothing still has a voltage. */
const LEAK_OHM = 1e8;

interface Branch {
  readonly name: string;
  readonly from: number;
  readonly to: number;
  readonly ohm: number;
  /** Electromotive force from `from` to `to`, V: 0 for a plain resistance. */
  readonly volts: number;
}

/** A small network of resistances and sources, solved exactly (nodal analysis). Earth is the node called `earth`, at 0 V. */
export class Network {
  private readonly names = new Map<string, number>([['earth', -1]]);
  private readonly branches: Branch[] = [];

  private node(name: string): number {
    let index = this.names.get(name);
    if (index === undefined) this.names.set(name, (index = this.names.size - 1));
    return index;
  }

  /** A resistance between two nodes, Ω; nothing at all where it is infinite. */
  resistance(name: string, from: string, to: string, ohm: number): this {
    if (!(ohm > 0)) throw new RangeError(`${name}: ${ohm} Ω; a resistance is above 0`);
    if (ohm !== Infinity) this.branches.push({ name, from: this.node(from), to: this.node(to), ohm, volts: 0 });
    return this;
  }

  join(name: string, from: string, to: string): this {
    return this.resistance(name, from, to, JOINED_OHM);
  }

  /** A source of `volts` at `plus` against `minus`, behind `ohm`. */
  source(name: string, plus: string, minus: string, volts: number, ohm: number): this {
    this.branches.push({ name, from: this.node(minus), to: this.node(plus), ohm, volts });
    return this;
  }

  solve(): Solution {
    const size = this.names.size - 1;
    const stride = size + 1;
    const rows = new Float64Array(size * stride);
    for (let i = 0; i < size; i++) rows[i * stride + i] = 1 / LEAK_OHM;
    for (const { from, to, ohm, volts } of this.branches) {
      const siemens = 1 / ohm;
      const ampere = volts * siemens;
      if (from >= 0) {
        rows[from * stride + from]! += siemens;
        rows[from * stride + size]! -= ampere;
      }
      if (to >= 0) {
        rows[to * stride + to]! += siemens;
        rows[to * stride + size]! += ampere;
      }
      if (from >= 0 && to >= 0) {
        rows[from * stride + to]! -= siemens;
        rows[to * stride + from]! -= siemens;
      }
    }
    return new Solution(this.names, this.branches, eliminate(rows, size));
  }
}

/** Gauss with partial pivoting on an augmented matrix, row by row. */
function eliminate(rows: Float64Array, size: number): Float64Array {
  const stride = size + 1;
  for (let column = 0; column < size; column++) {
    let pivot = column;
    for (let row = column + 1; row < size; row++)
      if (Math.abs(rows[row * stride + column]!) > Math.abs(rows[pivot * stride + column]!)) pivot = row;
    if (pivot !== column)
      for (let k = column; k < stride; k++) {
        const kept = rows[column * stride + k]!;
        rows[column * stride + k] = rows[pivot * stride + k]!;
        rows[pivot * stride + k] = kept;
      }
    const diagonal = rows[column * stride + column]!;
    for (let row = column + 1; row < size; row++) {
      const factor = rows[row * stride + column]! / diagonal;
      if (factor === 0) continue;
      for (let k = column; k < stride; k++) rows[row * stride + k]! -= factor * rows[column * stride + k]!;
    }
  }
  const volts = new Float64Array(size);
  for (let row = size - 1; row >= 0; row--) {
    let sum = rows[row * stride + size]!;
    for (let k = row + 1; k < size; k++) sum -= rows[row * stride + k]! * volts[k]!;
    volts[row] = sum / rows[row * stride + row]!;
  }
  return volts;
}

export class Solution {
  constructor(
    private readonly names: ReadonlyMap<string, number>,
    private readonly branches: readonly Branch[],
    private readonly volts: Float64Array,
  ) {}

  /** Volts of a node against another, earth if none is named; 0 for a node that is in no branch. */
  volt(node: string, against = 'earth'): number {
    const at = (name: string) => this.volts[this.names.get(name) ?? -1] ?? 0;
    return at(node) - at(against);
  }

  /** Amperes through a branch, from its first node to its second; 0 where there is no such branch. */
  ampere(name: string): number {
    const branch = this.branches.find((one) => one.name === name);
    if (!branch) return 0;
    const at = (index: number) => (index < 0 ? 0 : this.volts[index]!);
    return (at(branch.from) - at(branch.to) + branch.volts) / branch.ohm;
  }
}
