import type { MechanismName } from '../case';
import { explore, type Machine } from './search';

/** What is wrong with a mechanism, as found at the site. */
export interface Defects {
  /** The part lifts or turns off its guides. */
  readonly loose?: boolean;
  /** Cut, filed, bent or drilled: half-way it no longer stops both handles. */
  readonly trimmed?: boolean;
  readonly partsMissing?: boolean;
  /** It does not reach the generator handle. */
  readonly wrongSpacing?: boolean;
  /** The poles of the generator breaker, or the two handles of a 240 V circuit, are not tied. */
  readonly tieMissing?: boolean;
  /** The generator breaker is not held down: it can be pulled off and pushed back closed. */
  readonly breakerNotHeld?: boolean;
  /** Mounted on the cover, and the cover comes off. */
  readonly coverOff?: boolean;
}

/** A move in words; `attempt` names what is tried, for the function test. */
export interface Move {
  readonly words: string;
  readonly attempt: 'close-utility' | 'close-generator' | 'shift-part' | 'open' | 'other';
}

/** Where the parts of a mechanism stand, by their names. */
export type Positions = Readonly<Record<string, number>>;

/** One field of a state: a name, and its positions in words. */
interface Field {
  readonly name: string;
  readonly positions: readonly string[];
}

interface Rules {
  readonly fields: readonly Field[];
  /** Moves of a state given as positions; changed positions by field name. */
  readonly moves: (at: Positions) => readonly (readonly [Move, Positions])[];
  /** Whether utility and source are joined. */
  readonly parallel: (at: Positions) => boolean;
}

export interface Mechanism extends Machine<Move> {
  readonly size: number;
  readonly parallel: (state: number) => boolean;
  /** Positions of a state in words. */
  readonly describe: (state: number) => string;
  readonly at: (state: number) => Positions;
  /** The state with these positions; what is not named stands at its first. */
  readonly stateOf: (at: Positions) => number;
}

function build({ fields, moves, parallel }: Rules): Mechanism {
  const size = fields.reduce((all, field) => all * field.positions.length, 1);
  const decode = (state: number): Record<string, number> => {
    const at: Record<string, number> = {};
    for (const { name, positions } of fields) {
      at[name] = state % positions.length;
      state = Math.floor(state / positions.length);
    }
    return at;
  };
  const encode = (at: Positions): number =>
    fields.reduceRight((state, { name, positions }) => state * positions.length + (at[name] ?? 0), 0);
  return {
    size,
    start: 0,
    moves: (state) => {
      const at = decode(state);
      return moves(at).map(([move, change]) => [move, encode({ ...at, ...change })] as const);
    },
    parallel: (state) => parallel(decode(state)),
    at: decode,
    stateOf: encode,
    describe: (state) => {
      const at = decode(state);
      return fields.map(({ name, positions }) => `${name} ${positions[at[name]!]}`).join(', ');
    },
  };
}

const OFF_ON = ['off', 'on'] as const;
const UTILITY: Field = { name: 'utility', positions: OFF_ON };
const GENERATOR: Field = { name: 'generator', positions: OFF_ON };
/** The second pole of the generator breaker; moves with the first unless the tie is missing. */
const POLE: Field = { name: 'generator pole 2', positions: OFF_ON };
const SEAT: Field = { name: 'generator breaker', positions: ['on its seat', 'pulled off'] };
const move = (attempt: Move['attempt'], words: string): Move => ({ attempt, words });

/**
 * Two breakers and something between their handles. `stops` says which handle cannot be closed as the part stands;
 * `partMoves` which way the part can go.
 */
function betweenHandles(
  part: readonly Field[],
  defects: Defects,
  stops: (at: Positions) => { utility: boolean; generator: boolean },
  partMoves: (at: Positions) => readonly (readonly [Move, Positions])[],
): Mechanism {
  const untied = defects.tieMissing === true;
  return build({
    fields: [UTILITY, GENERATOR, ...(untied ? [POLE] : []), ...(defects.breakerNotHeld ? [SEAT] : []), ...part],
    parallel: (at) => at.utility === 1 && (at.generator === 1 || at[POLE.name] === 1) && (at[SEAT.name] ?? 0) === 0,
    moves: (at) => {
      const found: (readonly [Move, Positions])[] = [];
      const gone = defects.partsMissing === true || at.cover === 1;
      const stopped = gone ? { utility: false, generator: false } : stops(at);
      const pulled = at[SEAT.name] === 1;
      if (at.utility === 1) found.push([move('open', 'switch utility off'), { utility: 0 }]);
      else if (!stopped.utility) found.push([move('close-utility', 'switch utility on'), { utility: 1 }]);
      if (at.generator === 1) found.push([move('open', 'switch generator off'), { generator: 0 }]);
      else if (!stopped.generator || pulled || (defects.wrongSpacing && !gone))
        found.push([move('close-generator', 'switch generator on'), { generator: 1 }]);
      if (untied) {
        if (at[POLE.name] === 1) found.push([move('open', 'switch the untied pole off'), { [POLE.name]: 0 }]);
        else
          found.push([
            move('close-generator', 'switch the untied pole of the generator breaker on'),
            { [POLE.name]: 1 },
          ]);
      }
      if (defects.breakerNotHeld)
        found.push(
          pulled
            ? [move('other', 'push the generator breaker back on its seat'), { [SEAT.name]: 0 }]
            : [move('other', 'pull the generator breaker off its seat'), { [SEAT.name]: 1 }],
        );
      if (!gone) found.push(...partMoves(at));
      if (defects.coverOff && at.cover === 0)
        found.push([move('other', 'take the cover off, and the part with it'), { cover: 1 }]);
      return found;
    },
  });
}

const withCover = (defects: Defects, ...fields: Field[]): Field[] =>
  defects.coverOff ? [...fields, { name: 'cover', positions: ['on', 'off'] }] : fields;

/** Sideways 0 over the generator handle, 1 between, 2 over the utility handle; a closed handle stands in its way. Up only where loose. */
function slidingPlate(defects: Defects): Mechanism {
  const plate: Field = {
    name: 'plate',
    positions: ['over the generator handle', 'half-way', 'over the utility handle'],
  };
  const lift: Field = { name: 'lift', positions: ['down', 'lifted'] };
  return betweenHandles(
    withCover(defects, plate, ...(defects.loose ? [lift] : [])),
    defects,
    (at) =>
      at.lift === 1
        ? { utility: false, generator: false }
        : {
            utility: at.plate === 2 || (at.plate === 1 && !defects.trimmed),
            generator: at.plate === 0 || (at.plate === 1 && !defects.trimmed),
          },
    (at) => {
      const found: (readonly [Move, Positions])[] = [];
      const free = at.lift === 1;
      const half = defects.trimmed === true;
      // Towards the utility handle it needs that handle off, toward the generator handle that one off.
      if (at.plate === 0 && (free || half || at.utility === 0))
        found.push([move('shift-part', 'slide the plate half-way'), { plate: 1 }]);
      if (at.plate === 1 && (free || at.utility === 0))
        found.push([move('shift-part', 'slide the plate over the utility handle'), { plate: 2 }]);
      if (at.plate === 2 && (free || half || at.generator === 0))
        found.push([move('shift-part', 'slide the plate half-way back'), { plate: 1 }]);
      if (at.plate === 1 && (free || at.generator === 0))
        found.push([move('shift-part', 'slide the plate over the generator handle'), { plate: 0 }]);
      if (defects.loose)
        found.push([
          move('shift-part', at.lift === 1 ? 'let the plate down' : 'lift the plate off its guides'),
          { lift: at.lift === 1 ? 0 : 1 },
        ]);
      return found;
    },
  );
}

/** Two plates, each down before its handle or up; one up pushes the other down, so both are never up, unless they have come loose. */
function twoPartPlate(defects: Defects): Mechanism {
  const fields: Field[] = [
    { name: 'utility plate', positions: ['down', 'up'] },
    { name: 'generator plate', positions: ['down', 'up'] },
  ];
  const apart = defects.loose === true || defects.trimmed === true;
  return betweenHandles(
    withCover(defects, ...fields),
    defects,
    (at) => ({ utility: at['utility plate'] === 0, generator: at['generator plate'] === 0 }),
    (at) => {
      const found: (readonly [Move, Positions])[] = [];
      for (const [own, other, handle] of [
        ['utility plate', 'generator plate', 'utility'],
        ['generator plate', 'utility plate', 'generator'],
      ] as const)
        if (at[own] === 0) {
          if (at[other] === 0 || apart) found.push([move('shift-part', `push the ${own} up`), { [own]: 1 }]);
        } else if (at[handle] === 0) found.push([move('shift-part', `let the ${own} down`), { [own]: 0 }]);
      return found;
    },
  );
}

/** A linkage fixed to both breakers: one closed holds the other open. */
function linkage(defects: Defects): Mechanism {
  const free = defects.loose === true || defects.trimmed === true;
  return betweenHandles(
    withCover(defects),
    defects,
    (at) =>
      free ? { utility: false, generator: false } : { utility: at.generator === 1, generator: at.utility === 1 },
    () => [],
  );
}

/** Handles with line, off and generator: one handle has one contact, so only two handles of one 240 V circuit can disagree. */
function circuitHandles(defects: Defects): Mechanism {
  const positions = ['off', 'line', 'generator'] as const;
  const handles: Field[] = [
    { name: 'handle 1', positions },
    { name: 'handle 2', positions },
  ];
  const untied = defects.tieMissing === true || defects.partsMissing === true;
  const to = (name: string, target: number): Move =>
    move(
      target === 0 ? 'open' : target === 1 ? 'close-utility' : 'close-generator',
      `turn ${name} to ${positions[target]!}`,
    );
  return build({
    fields: untied ? handles : [handles[0]!],
    // One leg on the line and the other on the generator meet in the load between them.
    parallel: (at) => at['handle 1']! + (at['handle 2'] ?? 0) === 3 && at['handle 1'] !== 0,
    moves: (at) =>
      (untied ? handles : [handles[0]!]).flatMap(({ name }) =>
        (at[name] === 0 ? [1, 2] : [0]).map(
          (target) => [to(untied ? name : 'the handle', target), { [name]: target }] as const,
        ),
      ),
  });
}

/** One handle or one carrier with two ends: it cannot stand at both, unless its parts are missing or loose. */
function doubleThrow(defects: Defects): Mechanism {
  const broken = defects.partsMissing === true || defects.loose === true || defects.trimmed === true;
  return build({
    fields: [UTILITY, GENERATOR],
    parallel: (at) => at.utility === 1 && at.generator === 1,
    moves: (at) => {
      const found: (readonly [Move, Positions])[] = [];
      if (at.utility === 1) found.push([move('open', 'move it off utility'), { utility: 0 }]);
      else if (broken || at.generator === 0) found.push([move('close-utility', 'move it to utility'), { utility: 1 }]);
      if (at.generator === 1) found.push([move('open', 'move it off generator'), { generator: 0 }]);
      else if (broken || at.utility === 0)
        found.push([move('close-generator', 'move it to generator'), { generator: 1 }]);
      return found;
    },
  });
}

const BUILDERS: Readonly<Record<Exclude<MechanismName, 'other'>, (defects: Defects) => Mechanism>> = {
  'sliding-plate': slidingPlate,
  'two-part-plate': twoPartPlate,
  linkage,
  'linked-mains': linkage,
  'circuit-handles': circuitHandles,
  'double-throw': doubleThrow,
  automatic: doubleThrow,
};

/** The model of a mechanism with defects. Throws for one that fits none of ours: it has no model. */
export function mechanism(name: MechanismName, defects: Defects = {}): Mechanism {
  if (name === 'other') throw new RangeError('a mechanism that fits none of ours has no model');
  return BUILDERS[name](defects);
}

/** Shortest sequence of moves that joins utility and source; undefined where no sequence does. */
export function dangerousSequence(of: Mechanism): readonly Move[] | undefined {
  return explore(of, of.parallel).way;
}
