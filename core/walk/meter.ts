import { OPEN_OHM } from '../codebook';
import { CATALOGUE, catalogueKey, metaOf } from '../case';

/** What a meter measures, as its lines name it. */
export type Quantity = 'V' | 'Hz' | 'Ω' | 'A' | 'lb-in';

/** Facts that are read off an instrument, by catalogue key: the probes, the clamp, the torque tool. */
const METERED: ReadonlySet<string> = new Set(
  [...CATALOGUE.keys()].filter(
    (key) =>
      /^function\..*(V|hertz|groundA)$/.test(key) ||
      /Ohm$/.test(key) ||
      key === 'panel.mainOffV' ||
      key === 'source.hotFrameV' ||
      key === 'loads.circuits.toPartnerV' ||
      key === 'neutral.unbalancedA' ||
      key === 'transfer.torqueLbIn',
  ),
);

export const isMetered = (path: string): boolean => METERED.has(catalogueKey(path));
/** The quantity of a fact that is read off an instrument. */
export const quantityOf = (path: string): Quantity => metaOf(path).unit as Quantity;

/** A line from an instrument. */
interface Reported {
  readonly quantity?: unknown;
  readonly value?: unknown;
  readonly over?: unknown;
}

/** The value of a line for a fact; undefined where it is of another quantity, or no number. */
export function valueOfLine(path: string, line: unknown): number | undefined {
  const { quantity, value, over } = (typeof line === 'object' && line !== null ? line : {}) as Reported;
  if (quantity !== quantityOf(path)) return undefined;
  if (over === true) return quantity === 'Ω' ? OPEN_OHM : undefined;
  const { min = -Infinity, max = Infinity } = metaOf(path);
  return typeof value === 'number' && value >= min && value <= max ? value : undefined;
}

/** Two values that follow each other are steady where they differ by no more than this share, or by this much. */
const STEADY = { share: 0.01, least: 0.05 };
export const isSteady = (before: number | undefined, now: number): boolean =>
  before !== undefined && Math.abs(now - before) <= Math.max(STEADY.least, Math.abs(now) * STEADY.share);
