import { caseSchema } from './schema';
import type { FactMeta, Values } from './fact';
import { placeInCase } from './path';

/** A schema, or a part of it. */
interface Schema {
  meta(): { readonly fact?: FactMeta; readonly values?: Values } | undefined;
  readonly fields?: Readonly<Record<string, Schema>>;
  readonly innerType?: Schema;
}

/** Catalogue key of a fact: its address without list positions, `cord.sizeAwg`. */
export const catalogueKey = (path: string) => path.replace(/\[\d+\]/g, '');

function collect(node: Schema, path: string, into: Map<string, FactMeta>) {
  const fact = node.meta()?.fact;
  if (fact) into.set(path, fact);
  if (node.innerType) collect(node.innerType, path, into);
  for (const [key, field] of Object.entries(node.fields ?? {})) collect(field, path ? `${path}.${key}` : key, into);
}

const schema = caseSchema as unknown as Schema;
const catalogue = new Map<string, FactMeta>();
collect(schema, '', catalogue);

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

/** What stands at a place of a case: a fact with the values it takes, a list of groups, or a group of facts, lists and groups. */
export class Shape {
  readonly values: Values | undefined;
  readonly group: ReadonlyMap<string, Shape> | undefined;
  /** Where it stands in the values of a case. */
  readonly place: number;
  private readonly of: Schema | undefined;
  private readonly entries: Shape[] = [];

  constructor(
    of: Schema,
    private readonly path: string,
  ) {
    this.values = of.meta()?.values;
    this.of = of.innerType;
    this.group =
      of.fields &&
      new Map(Object.entries(of.fields).map(([key, field]) => [key, new Shape(field, path ? `${path}.${key}` : key)]));
    this.place = path ? placeInCase(path) : -1;
  }

  get list(): boolean {
    return this.of !== undefined;
  }

  /** Shape of an entry of a list. */
  entry(index: number): Shape {
    return (this.entries[index] ??= new Shape(this.of!, `${this.path}[${index}]`));
  }
}

export const CASE_SHAPE = new Shape(schema, '');

/** What is known of the fact at an address. Throws on an address that is none. */
export function metaOf(path: string): FactMeta {
  const known = metas.get(path);
  if (known) return known;
  if (isLocal(path)) return { ...LOCAL, label: path.slice(LOCAL_PREFIX.length) };
  const meta = catalogue.get(catalogueKey(path));
  if (!meta) throw new Error(`no fact is recorded at ${path}`);
  metas.set(path, meta);
  return meta;
}
/** By address, with its list positions: asked for in every line of a working. */
const metas = new Map<string, FactMeta>();

/** Position of a list entry in an address, counted as people count: `cord[0].…` → "cord 1". */
export function partName(path: string): string | undefined {
  const match = /(?:^|\.)(\w+)\[(\d+)\]/.exec(path);
  return match
    ? `${{ stretches: 'stretch', circuits: 'circuit' }[match[1]!] ?? match[1]} ${Number(match[2]) + 1}`
    : undefined;
}

/** How a fact is called in a sentence, with the part it belongs to where there are several. */
export function factLabel(path: string): string {
  let label = labels.get(path);
  if (label === undefined) {
    const part = partName(path);
    label = part ? `${metaOf(path).label} (${part})` : metaOf(path).label;
    if (!isLocal(path)) labels.set(path, label);
  }
  return label;
}
const labels = new Map<string, string>();

/** A recorded value in words, with its unit. */
export function valueText(path: string, value: unknown): string {
  if (value === undefined) return 'not looked at yet';
  if (value === 'not-seen') return 'looked, not seen';
  const meta = metaOf(path);
  const label =
    meta.kind === 'choice' || meta.kind === 'yes-no'
      ? (meta.choices.find((one) => one.value === value)?.label ?? String(value))
      : String(value);
  return meta.unit ? `${label} ${meta.unit}` : label;
}
