import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { whoPage } from './who-page';

const cells = (text: string) => text.replace(/[ -]*\|[ -]*/g, '|');

test('the published page of who may do what says what the code says', () => {
  const published = readFileSync(join(__dirname, '..', 'docs', 'who-may-what.md'), 'utf8');
  expect(cells(published).trim()).toBe(cells(whoPage()).trim());
});
