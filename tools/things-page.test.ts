import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { thingsPage } from './things-page';

test('the published page of what the drawings show says what they show', () => {
  const published = readFileSync(join(__dirname, '..', 'docs', 'things.md'), 'utf8');
  expect(published.replace(/\s+/g, ' ').trim()).toBe(thingsPage().replace(/\s+/g, ' ').trim());
});
