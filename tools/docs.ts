/** npm run docs: writes what is published from the code itself, and the sound answers to new facts into the bases of the examples. */
import { readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { format, resolveConfig } from 'prettier';
import { readCase, withSound } from '@careful-latch/core/case';
import { caseJsonSchema, exampleJsonSchema } from '@careful-latch/core/formats';
import { profileJsonSchema } from '@careful-latch/core/profile';
import { rulebookPage } from './rulebook-page';
import { thingsPage } from './things-page';
import { whoPage } from './who-page';

const docs = new URL('../docs/', import.meta.url);
const write = async (name: string, text: string) => {
  const options = await resolveConfig(new URL(name, docs));
  writeFileSync(new URL(name, docs), await format(text, { ...options, filepath: name }));
};
await write('case.schema.json', JSON.stringify(caseJsonSchema()));
await write('example.schema.json', JSON.stringify(exampleJsonSchema()));
await write('profile.schema.json', JSON.stringify(profileJsonSchema()));
const bases = new URL('../examples/bases/', import.meta.url);
for (const file of readdirSync(bases)) {
  const read = readCase(JSON.parse(readFileSync(new URL(file, bases), 'utf8')));
  if (!read.ok) throw new Error(`${file}: ${read.errors.join(' ')}`);
  await write(`../examples/bases/${file}`, JSON.stringify(withSound(read.case)));
}
writeFileSync(new URL('rulebook.md', docs), rulebookPage());
await write('who-may-what.md', whoPage());
await write('things.md', thingsPage());
