import { cordAt, stretchAt } from '../case';
import {
  AMBIENT_FACTOR,
  AMPACITY_A,
  CORD_AMPACITY_A,
  PORTABLE_CABLE_A,
  isPortableCable,
  COUNT_FACTOR,
  METHODS,
  NEUTRAL_NOT_COUNTED,
  SMALL_CONDUCTOR_A,
  ambientFactor,
  fahrenheitToC,
  insulationC,
  isWet,
  buildingWireSizes,
  CORD_SIZES,
  countFactor,
  everyEdition,
  standardDeviceAtOrAboveA,
  tableAmpacityA,
  STANDARD_DEVICE_CITES,
  type ColumnC,
  type Edition,
  type Metal,
  type MethodName,
  type WireSize,
  type WiringMethod,
} from '../codebook';
import { Missing, type Look } from './look';
import { BRIDGED_FACTS, FEED_FACTS, bridged, feedOf } from './source';

const NEXT_SIZE_UP = everyEdition('240.4(B)');
const TERMINALS = everyEdition('110.14(C)');

/** Conductors of one circuit that count as current-carrying: the neutral only where one pole feeds both legs. */
function carriedByThisCircuit(look: Look): number {
  return bridged(look)
    ? look.step('Current-carrying conductors of this circuit', 3, '', 'both legs and their neutral on one pole')
    : look.step('Current-carrying conductors of this circuit', 2, '', NEUTRAL_NOT_COUNTED);
}

/** Ampacity of a flexible cord, A (400.5); of a listed adapter in one piece, what is marked on it. Throws `Missing` where facts lack; 0 where the table has no such cord. `two` takes two conductors as carrying, though three do. */
export const cordAmpacityA = (look: Look, index: number, two = false): number =>
  look.once(two ? computeTwoCarryingA : computeCordAmpacityA, index);

const computeTwoCarryingA = (look: Look, index: number): number => computeCordAmpacityA(look, index, true);

function computeCordAmpacityA(look: Look, index: number, two = false): number {
  const at = cordAt(index);
  if (look.peek(at.part) === 'adapter-listed') return look.need(at.markedA);
  look.needAll(at.part, at.sizeAwg, at.wires);
  const [size, wires] = [look.need(at.sizeAwg), look.need(at.wires)];
  // Portable power cables have a table of their own, and sizes that no other cord has.
  const type = CORD_AMPACITY_A.rows[size] === undefined ? look.need(at.type) : look.known(at.type);
  const cable = PORTABLE_CABLE_A.rows[size] !== undefined && type !== undefined && isPortableCable(type);
  const table = cable ? PORTABLE_CABLE_A : CORD_AMPACITY_A;
  const three = !two && threeCarry(look, wires);
  return look.step(
    `${cable ? type : 'Cord'} ${size} AWG, ${three ? 'three' : 'two'} current-carrying`,
    table.rows[size]?.[three ? 0 : 1] ?? 0,
    'A',
    table.cites,
  );
}

/** Whether the neutral of a cord carries current like a hot: both legs on one pole. */
const threeCarry = (look: Look, wires: '3' | '4') => wires === '4' && feedOf(look) === '120';
const cordRowA = (size: WireSize, three: boolean): number => CORD_AMPACITY_A.rows[size]?.[three ? 0 : 1] ?? 0;

export interface StretchAmpacity {
  readonly ampacityA: number;
  /** Largest overcurrent device ahead that 240.4 lets stand for this ampacity, A; 0 where none does. */
  readonly deviceA: number;
}

/** Facts that a stretch’s ampacity may need. */
export const STRETCH_FACTS = [
  ...BRIDGED_FACTS,
  'feeder.inletTerminal',
  'feeder.houseTerminal',
  ...['place', 'method', 'insulation', 'metal', 'sizeAwg', 'ambientF', 'otherCarrying', 'nipple', 'lengthFt'].map(
    (key) => `feeder.stretches.${key}`,
  ),
] as const;
/** Facts that a cord’s ampacity may need. */
export const CORD_FACTS = [
  ...FEED_FACTS,
  'cord.part',
  'cord.type',
  'cord.markedA',
  'cord.sizeAwg',
  'cord.wires',
] as const;

/** Everything but the conductor that decides a stretch's ampacity. */
interface Conditions {
  readonly metal: Metal;
  readonly methodName: MethodName;
  readonly insulationC: ColumnC;
  readonly ambientF: number;
  readonly ambient: number;
  readonly carrying: number;
  readonly count: number;
  readonly edition: Edition;
  /** Column the final value may not exceed: up to 1 AWG, and above. */
  readonly capC: readonly [small: ColumnC, large: ColumnC];
}

/** Metal and size of a stretch's conductor. Ends with `Missing` where the tables have no such conductor. */
export function conductorOf(
  look: Look,
  index: number,
  which: 'sizeAwg' | 'groundAwg' | 'neutralAwg' = 'sizeAwg',
): { metal: Metal; size: WireSize } {
  const at = stretchAt(index);
  look.needAll(at.metal, at[which]);
  const metal = look.need(at.metal);
  const size = look.need(at[which]);
  if (tableAmpacityA(metal, size, 90) === undefined)
    throw new Missing([at[which]], `The tables have no ${size} AWG ${metal} conductor; read its marking again.`);
  return { metal, size };
}

/**
 * Whether the metal of a stretch's raceway or armor is its equipment ground: recorded so, and of a method that has such metal.
 * An answer left over from another method, or one that cannot be, makes no ground (250.118).
 */
export function metalIsGround(look: Look, index: number): boolean {
  const at = stretchAt(index);
  if (look.known(at.groundBy) !== 'raceway') return false;
  const method: WiringMethod = METHODS[look.need(at.method)];
  return method.metalGround !== undefined;
}

/** Column of the terminals at both ends; above 1 AWG an unmarked one counts as 75 °C. */
function terminalColumns(look: Look): readonly [small: ColumnC, large: ColumnC] {
  const marks = [look.need('feeder.inletTerminal'), look.need('feeder.houseTerminal')];
  const column = (unmarkedC: ColumnC): ColumnC =>
    marks.every((mark) => (mark === 'unmarked' ? unmarkedC : Number(mark)) >= 75) ? 75 : 60;
  return [column(60), column(75)];
}

function conditionsOf(look: Look, index: number): Conditions {
  return look.once(computeConditions, index);
}

function computeConditions(look: Look, index: number): Conditions {
  const at = stretchAt(index);
  const method: WiringMethod | undefined = METHODS[look.peek(at.method) as MethodName];
  look.needAll(
    at.method,
    at.metal,
    at.sizeAwg,
    at.ambientF,
    at.otherCarrying,
    ...(method && !method.insulationC
      ? ([at.place, at.insulation, 'feeder.inletTerminal', 'feeder.houseTerminal'] as const)
      : []),
  );
  const { metal } = conductorOf(look, index);
  const insulation = method?.insulationC ?? insulationC(look.need(at.insulation), isWet(look.need(at.place)));
  const methodName = look.need(at.method) as MethodName;
  const others = look.need(at.otherCarrying);
  const ambientF = look.need(at.ambientF);
  const carrying = others + carriedByThisCircuit(look);
  const factor = countFactor(carrying);
  const capC = method?.capC ? ([method.capC, method.capC] as const) : terminalColumns(look);
  const ambient = ambientFactor(((ambientF - 32) * 5) / 9, insulation) ?? 0;
  return {
    metal,
    methodName,
    insulationC: insulation,
    ambientF,
    ambient,
    carrying,
    count: factor < 1 && isNipple(look, index) ? 1 : factor,
    edition: look.edition,
    capC,
  };
}

/** Whether a stretch is a nipple between two enclosures; while its length is unknown it may be one. Throws `Missing` where facts lack. */
export function isNipple(look: Look, index: number): boolean {
  const at = stretchAt(index);
  const method: WiringMethod | undefined = METHODS[look.need(at.method)];
  if (!method.raceway) return false;
  look.need(at.lengthFt);
  return look.asks(at.nipple) && look.need(at.nipple) === 'yes';
}

/** The numbers of a derating, from the table to the device. */
function derate(size: WireSize, under: Conditions) {
  const base = tableAmpacityA(under.metal, size, under.insulationC)!;
  const derated = base * under.ambient * under.count;
  const capC = under.capC[size.includes('/') ? 1 : 0];
  const cap = tableAmpacityA(under.metal, size, capC)!;
  const ampacityA = Math.min(derated, cap);
  const deviceA = ampacityA <= 0 ? 0 : (standardDeviceAtOrAboveA(rounded1(ampacityA), under.edition) ?? ampacityA);
  return { base, derated, capC, cap, ampacityA, deviceA };
}

function ampacityUnder(look: Look, size: WireSize, under: Conditions): StretchAmpacity {
  const { ambient, count } = under;
  const { base, derated, capC, cap, ampacityA, deviceA } = derate(size, under);
  const method: WiringMethod = METHODS[under.methodName];
  look.step(`${size} AWG ${under.metal}, ${under.insulationC} °C column`, base, 'A', AMPACITY_A.cites);
  look.step(`Ambient ${under.ambientF} °F (${fahrenheitToC(under.ambientF)} °C)`, ambient, '×', AMBIENT_FACTOR.cites);
  look.step(`${under.carrying} current-carrying conductors together`, count, '×', COUNT_FACTOR.cites);
  look.step('Adjusted', derated, 'A', AMPACITY_A.cites);
  look.step(
    method.capC ? `${under.methodName}: not above the ${capC} °C column` : `Terminals: not above the ${capC} °C column`,
    cap,
    'A',
    method.capCites ?? TERMINALS,
  );
  look.step('Ampacity of this run', ampacityA, 'A', 'the smaller of the two');
  if (deviceA > 0)
    look.step(
      deviceA > ampacityA
        ? `No standard device of ${rounded1(ampacityA)} A; the next may stand ahead of a feeder`
        : 'Standard device of this ampacity',
      deviceA,
      'A',
      deviceA > ampacityA ? NEXT_SIZE_UP : STANDARD_DEVICE_CITES,
    );
  return { ampacityA, deviceA };
}

/** Cuts binary dust, so that 30.000000000000004 A is 30 A. */
const rounded1 = (value: number) => Math.round(value * 1e6) / 1e6;

/** Ampacity of one feeder stretch with every adjustment, A, and the largest device that may stand ahead of it (310, 110.14(C), 334.80, 340.80, 240.4(B)). */
export function stretchAmpacity(look: Look, index: number): StretchAmpacity {
  return look.once(computeStretchAmpacity, index);
}

function computeStretchAmpacity(look: Look, index: number): StretchAmpacity {
  const conditions = conditionsOf(look, index);
  return ampacityUnder(look, conductorOf(look, index).size, conditions);
}

/** The same of another size in the conditions of a stretch, as of its neutral. Throws `Missing` where facts lack. */
export function stretchAmpacityOf(look: Look, index: number, size: WireSize): StretchAmpacity {
  return ampacityUnder(look, size, conditionsOf(look, index));
}

/** Sizes of a stretch's hots and of its neutral. Throws `Missing` where facts lack. */
export function hotAndNeutral(look: Look, index: number): { hot: WireSize; neutral: WireSize } {
  const hot = look.attempt((side) => conductorOf(side, index).size);
  const neutral = look.attempt((side) => conductorOf(side, index, 'neutralAwg').size);
  look.requireAll(hot, neutral);
  return { hot: hot.value!, neutral: neutral.value! };
}

/** Largest device for a small conductor, A (240.4(D)); undefined where the section does not speak of the size. */
export function smallConductorLimitA(metal: Metal, size: WireSize): number | undefined {
  return SMALL_CONDUCTOR_A.rows[metal][size];
}

/** Smallest conductor of a stretch that is enough in its conditions; undefined if no row is. Throws `Missing` where a condition lacks. */
function smallestSize(
  look: Look,
  index: number,
  enough: (found: StretchAmpacity, size: WireSize, metal: Metal) => boolean,
): WireSize | undefined {
  const under = conditionsOf(look.aside(), index);
  return buildingWireSizes(under.metal).find((size) => enough(derate(size, under), size, under.metal));
}

/** Smallest conductor that may stand behind a device of `deviceA` in the conditions of a stretch; undefined if no row does. Throws `Missing` where a condition lacks. */
export const smallestStretchSize = (look: Look, index: number, deviceA: number): WireSize | undefined =>
  smallestSize(
    look,
    index,
    (found, size, metal) => found.deviceA >= deviceA && (smallConductorLimitA(metal, size) ?? Infinity) >= deviceA,
  );

/** Smallest conductor that carries a current in the conditions of a stretch, A; undefined if no row does. Throws `Missing` where a condition lacks. */
export const smallestSizeOfAmpacity = (look: Look, index: number, neededA: number): WireSize | undefined =>
  smallestSize(look, index, ({ ampacityA }) => ampacityA >= neededA);

/** Smallest cord that carries `deviceA`; undefined if no row does. */
export function smallestCordSize(look: Look, wires: '3' | '4', deviceA: number): WireSize | undefined {
  const three = threeCarry(look.aside(), wires);
  return CORD_SIZES.find((size) => cordRowA(size, three) >= deviceA);
}
