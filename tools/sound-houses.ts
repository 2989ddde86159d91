import { readFileSync, readdirSync } from 'node:fs';
import { readCase, type Case } from '@careful-latch/core/case';

const bases = new URL('../examples/bases/', import.meta.url);

/** The sound houses of the examples, one a kind of connection, by name. */
export const soundHouses = (): readonly (readonly [string, Case])[] =>
  readdirSync(bases).map((file) => {
    const read = readCase(JSON.parse(readFileSync(new URL(file, bases), 'utf8')));
    if (!read.ok) throw new Error(`${file}: ${read.errors.join(' ')}`);
    return [file.replace('.json', ''), read.case];
  });
