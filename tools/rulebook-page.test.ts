import { readFileSync } from 'node:fs';
import { RULES } from '@careful-latch/core/rules';
import { rulebookPage } from './rulebook-page';

test('docs/rulebook.md is the current one and names every rule', () => {
  const page = readFileSync(`${__dirname}/../docs/rulebook.md`, 'utf8');
  expect(page).toBe(rulebookPage());
  for (const { id } of RULES) expect(page).toContain(`### ${id}\n`);
});
