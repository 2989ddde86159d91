/** npm run docs: writes what is published from the code itself. */
import { writeFileSync } from 'node:fs';
import { format, resolveConfig } from 'prettier';
import { caseJsonSchema } from '@careful-latch/core/formats';
import { profileJsonSchema } from '@careful-latch/core/profile';
import { rulebookPage } from './rulebook-page';
import { whoPage } from './who-page';

const docs = new URL('../docs/', import.meta.url);
const write = async (name: string, text: string) => {
  const options = await resolveConfig(new URL(name, docs));
  writeFileSync(new URL(name, docs), await format(text, { ...options, filepath: name }));
};
await write('case.schema.json', JSON.stringify(caseJsonSchema()));
await write('profile.schema.json', JSON.stringify(profileJsonSchema()));
writeFileSync(new URL('rulebook.md', docs), rulebookPage());
await write('who-may-what.md', whoPage());
