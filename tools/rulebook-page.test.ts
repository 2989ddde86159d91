import { readFileSync } from 'node:fs';
import { format, resolveConfig } from 'prettier';
import { RULES } from '@careful-latch/core/rules';
import { rulebookPage } from './rulebook-page';

test('docs/rulebook.md is the current one and names every rule', async () => {
  const page = readFileSync(new URL('../docs/rulebook.md', import.meta.url), 'utf8');
  expect(page).toBe(
    await format(rulebookPage(), { ...(await resolveConfig('docs/rulebook.md')), filepath: 'rulebook.md' }),
  );
  for (const { id } of RULES) expect(page).toContain(`### ${id}\n`);
});
