import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { readCase, type Case } from '../case';
import { readExample, type Expected } from '../formats';

/** Where the examples are; programs of ours run in the project's folder, tests in one of its parts. */
const folder = ['examples', '../examples'].map((one) => join(process.cwd(), one)).find(existsSync)!;
const names = (of: string): string[] =>
  readdirSync(of)
    .filter((file) => file.endsWith('.json'))
    .map((file) => file.slice(0, -'.json'.length))
    .sort();

/** Names of all examples, and of the sound houses that they are told by. */
export const EXAMPLES = names(folder);
export const BASES = names(join(folder, 'bases'));

const parsed = (name: string): unknown => JSON.parse(readFileSync(join(folder, `${name}.json`), 'utf8'));
const baseOf = (name: string) => (BASES.includes(name) ? readCase(parsed(`bases/${name}`)) : undefined);

interface Whole {
  readonly case: Case;
  readonly base: string;
  readonly expect: Expected;
}
const wholes = new Map<string, Whole>();

/** An example with what is expected of it; each is read once. */
export function exampleWith(name: string): Whole {
  const known = wholes.get(name);
  if (known) return known;
  const read = readExample(parsed(name), baseOf);
  if (!read.ok) throw new Error(`${name}: ${read.errors.join('\n')}`);
  wholes.set(name, read);
  return read;
}

/** An example as the whole case that it stands for. */
export const example = (name: string): Case => exampleWith(name).case;
