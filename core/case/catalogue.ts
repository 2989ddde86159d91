import { caseSchema } from './schema';
import type { FactMeta, Schema } from './fact';
import { perPath } from './path';

/** Catalogue key of a fact: its address without list positions, `cord.sizeAwg`. */
export const catalogueKey = perPath((path) => (path.includes('[') ? path.replace(/\[\d+\]/g, '') : path));

function collect(node: Schema, path: string, into: Map<string, FactMeta>) {
  const fact = node.meta()?.fact;
  if (fact) into.set(path, fact);
  if (node.innerType) collect(node.innerType, path, into);
  for (const [key, field] of Object.entries(node.fields ?? {})) collect(field, path ? `${path}.${key}` : key, into);
}

const catalogue = new Map<string, FactMeta>();
collect(caseSchema as unknown as Schema, '', catalogue);

const LOCAL_PREFIX = 'local.';
/** Whether an address is an item of a local profile rather than a fact of the catalogue. */
export const isLocal = (path: string): boolean => path.startsWith(LOCAL_PREFIX);
const LOCAL: FactMeta = {
  kind: 'yes-no',
  label: '',
  ask: 'the local office’s own checklist',
  unit: '',
  choices: [
    { value: 'yes', label: 'Yes' },
    { value: 'no', label: 'No' },
  ],
};

/** All facts, in the order in which they are asked. */
export const CATALOGUE: ReadonlyMap<string, FactMeta> = catalogue;

/** What is known of the fact at an address. Throws on an address that is none. */
export function metaOf(path: string): FactMeta {
  if (isLocal(path)) return { ...LOCAL, label: path.slice(LOCAL_PREFIX.length).replaceAll('-', ' ') };
  const meta = catalogue.get(catalogueKey(path));
  if (!meta) throw new Error(`no fact is recorded at ${path}`);
  return meta;
}

/** Position of a list entry in an address, counted as people count: `cord[0].…` → "cord 1". */
export function partName(path: string): string | undefined {
  const match = path.includes('[') && /(?:^|\.)(\w+)\[(\d+)\]/.exec(path);
  return match
    ? `${{ stretches: 'run', circuits: 'circuit' }[match[1]!] ?? match[1]} ${Number(match[2]) + 1}`
    : undefined;
}

/** How a fact is called in a sentence, with the part it belongs to where there are several. */
export function factLabel(path: string): string {
  const part = partName(path);
  return part ? `${metaOf(path).label} (${part})` : metaOf(path).label;
}

/** A recorded value in words, with its unit. */
export function valueText(path: string, value: unknown): string {
  if (value === undefined) return 'not looked at yet';
  if (value === 'not-seen') return 'looked, not seen';
  const meta = metaOf(path);
  const named = meta.choices.find((one) => one.value === String(value))?.label;
  // A number that has a name, as an open circuit has, is told by it; a plate that says the number again in °C is no name.
  if (named !== undefined && (meta.unit === '' || !named.startsWith(String(value)))) return named;
  return meta.unit ? `${String(value)} ${meta.unit}` : String(value);
}
