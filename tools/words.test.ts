import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';

const root = join(__dirname, '..');
const page = readFileSync(join(root, 'docs', 'words.md'), 'utf8');
const listed = (text: string) => text.split(/,\s+/).map((one) => one.trim());

/** The last column of the table, and the spellings below it. */
const WRONG = [
  ...page
    .split('\n')
    .filter((line) => /^\| [^-W]/.test(line))
    .flatMap((line) => listed(line.split('|')[3]!)),
  ...listed(/Not: ([^.]+)\./.exec(page)![1]!.replace(/\s+/g, ' ')),
];

/** What carries the old spelling on, because files and records of before hold it. */
const OF_BEFORE = ['core/case/upgrade.ts', 'core/verdict/verdict.ts', 'docs/words.md'];

/** Everything that somebody reads, and everything that texts are made in; tests may say what is wrong. */
function files(folder: string): string[] {
  return readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' })
    .map((file) => join(folder, file))
    .filter((file) => /\.(tsx?|mjs|md|json|csv|html)$/.test(file))
    .filter(
      (file) => !/node_modules|(^|\/)dist\/|\.test\.tsx?$|migrations|\.expo/.test(file) && !OF_BEFORE.includes(file),
    );
}

/** Words that name something in code as well: only texts count. */
const inWords = (file: string, text: string): string =>
  /\.(md|json|csv|html)$/.test(file)
    ? text
    : [...text.matchAll(/'(?:[^'\\\n]|\\.)*'|`[^`]*`|>[^<>{}]+<|\/\*\*[^]*?\*\//g)].map(([one]) => one).join('\n');

test('nothing that people read says a word that we do not say', () => {
  expect(WRONG).toEqual(expect.arrayContaining(['transfer means', 'second visit', 'energise', 'licence']));
  const odd = new RegExp(
    `\\b(${WRONG.filter((one) => !['pass', 'fail', 'N/A', 'blank', 'critical', 'major', 'minor'].includes(one)).join('|')})\\b`,
    'i',
  );
  const all = ['core', 'app', 'server', 'tools', 'docs', 'examples', 'profiles'].flatMap(files).concat('README.md');
  expect(all.length).toBeGreaterThan(300);
  const found = all.flatMap((file) =>
    inWords(file, readFileSync(join(root, file), 'utf8'))
      .split('\n')
      .filter((line) => odd.test(line))
      .map((line) => `${file}: ${line.trim().slice(0, 100)}`),
  );
  expect(found).toEqual([]);
});
