import { factAt, factLabel, isKnown, valueText, type Case } from '../case';
import { GLANCES as G } from './glances';
import { isMetered } from './meter';
import type { Glance, Reading } from './part';

/** What is read off a part whatever its state. What is seen, tried, measured or judged of it is never offered from another house. */
const OF_KIND: ReadonlySet<Glance> = new Set([
  G.nameplate, G.watts, G.outlet, G.plug, G.connector, G.jacket, G.inletFace, G.inletBox, G.cable, G.breakerFace, G.mechanism,
  G.equipmentLabel, G.utilitySide, G.bus, G.preset, G.handle, G.wire,
]); // prettier-ignore

/**
 * What a marking says at another house, as one reading: the usual one that says most of it, with whatever it says beyond.
 * `paths` are the addresses of the glance's facts by catalogue key. Undefined where nothing of it is known there, or where
 * the glance is not about what kind of part it is.
 */
export function readingAt(
  other: Case,
  glance: Glance,
  readings: readonly Reading[],
  paths: ReadonlyMap<string, string>,
): Reading | undefined {
  if (!OF_KIND.has(glance)) return undefined;
  const known = [...paths].flatMap(([key, path]) => {
    const value = factAt(other, path);
    return isKnown(value) && !isMetered(key) ? [[key, value as string | number] as const] : [];
  });
  if (known.length === 0) return undefined;
  const there = new Map(known);
  const [usual] = readings
    .filter(({ says }) => Object.entries(says).every(([key, value]) => there.get(key) === value))
    .toSorted((a, b) => Object.keys(b.says).length - Object.keys(a.says).length);
  const beyond = known.filter(([key]) => usual?.says[key] === undefined);
  if (usual && beyond.length === 0) return usual;
  const words = beyond.map(([key, value]) => `${factLabel(key)}: ${valueText(key, value)}`);
  return { ...usual, label: [...(usual ? [usual.label] : []), ...words].join(', '), says: Object.fromEntries(known) };
}
