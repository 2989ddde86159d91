import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import ts from 'typescript';

const root = join(__dirname, '..');

const MAY_NOT: [file: string, line: string][] = [
  ['core/verdict/x.ts', "export { useState } from 'react';"],
  ['core/case/x.ts', "export { readFileSync } from 'node:fs';"],
  ['core/case/x.ts', "export * from '../rules';"],
  ['core/codebook/x.ts', "export * from '../case';"],
  ['core/rules/cord/x.ts', "export * from '../verdict';"],
  ['core/rules/cord/x.ts', "export * from './ampacity';"],
  ['core/rules/cord/x.ts', "export * from '../breaker/held-down';"],
  ['core/electrical/x.ts', "export * from '../../server/app';"],
  ['core/papers/x.ts', "export { readFileSync } from 'node:fs';"],
  ['core/record/kinds/x.ts', "export * from '../../papers';"],
  ['core/record/x.ts', 'export const now = () => Date.now();'],
  ['core/record/x.ts', 'export const now = () => new Date();'],
  ['core/record/x.ts', 'export const chance = () => Math.random();'],
  ['core/record/x.ts', 'export const page = () => window;'],
  ['server/sessions/x.ts', "export { useState } from 'react';"],
  ['server/sessions/x.ts', "export * from '../../app/stores/office';"],
  ['app/stores/x.ts', "export * from '../../server/problems';"],
  ['app/stores/x.ts', "export * from 'drizzle-orm';"],
];
const MAY: typeof MAY_NOT = [
  ['core/rules/cord/x.ts', "export * from '../../codebook';"],
  ['core/verdict/x.ts', "export * from '../rules';"],
  ['server/sessions/x.ts', "export * from '@careful-latch/core/record';"],
  ['app/stores/x.ts', "export * from '@careful-latch/core/record';"],
];

/** ESLint is a module of its own kind, so it runs in a process of its own: all lines at once. */
const script = `
  import { ESLint } from 'eslint';
  const eslint = new ESLint();
  const said = [];
  for (const [filePath, line] of JSON.parse(process.argv[1])) {
    const [result] = await eslint.lintText(line + '\\n', { filePath });
    said.push(result.messages.map((one) => one.ruleId).filter((rule) => rule?.startsWith('no-restricted')));
  }
  console.log(JSON.stringify(said));
`;

test('the linter keeps the direction of imports', () => {
  const all = [...MAY_NOT, ...MAY];
  const run = spawnSync(process.execPath, ['--input-type=module', '-e', script, JSON.stringify(all)], {
    cwd: root,
    encoding: 'utf8',
  });
  expect(run.stderr).toBe('');
  const said = JSON.parse(run.stdout) as string[][];
  expect(all.filter((_, i) => said[i]!.length > 0)).toEqual(MAY_NOT);
});

/** Folders of the core that hold no program of the application. */
const NO_PROGRAM = ['node_modules', 'test'];

test('every folder of the core has an entry in the linter’s list: none may import what it likes', () => {
  const folders = readdirSync(join(root, 'core'), { withFileTypes: true })
    .filter((one) => one.isDirectory() && !NO_PROGRAM.includes(one.name))
    .map(({ name }) => name);
  const all = folders.map((name) => [`core/${name}/x.ts`, "export * from '../no-such-folder/../../server/app';"]);
  const strange = folders.map((name) => [`core/${name}/x.ts`, "export { readFileSync } from 'node:fs';"]);
  const run = spawnSync(process.execPath, ['--input-type=module', '-e', script, JSON.stringify([...all, ...strange])], {
    cwd: root,
    encoding: 'utf8',
  });
  const said = JSON.parse(run.stdout) as string[][];
  expect(folders.length).toBeGreaterThan(15);
  expect([...all, ...strange].filter((_, i) => said[i]!.length === 0)).toEqual([]);
});

/** The files of ours that a file imports, types too; a folder stands for its index. */
function importsOf(file: string): string[] {
  return ts.preProcessFile(readFileSync(file, 'utf8')).importedFiles.flatMap(({ fileName }) => {
    if (!fileName.startsWith('.') && !fileName.startsWith('@careful-latch/core/')) return [];
    const to = fileName.startsWith('.')
      ? join(dirname(file), fileName)
      : join(root, 'core', fileName.slice('@careful-latch/core/'.length));
    return [`${to}.ts`, `${to}.tsx`, join(to, 'index.ts')].filter((one) => existsSync(one)).slice(0, 1);
  });
}

/** Every circle that a walk along imports comes back to, each as the files on it. */
function circles(files: readonly string[], importing: (file: string) => readonly string[]): string[][] {
  const found: string[][] = [];
  const done = new Set<string>();
  const walk = (file: string, way: readonly string[]) => {
    const at = way.indexOf(file);
    if (at >= 0) found.push([...way.slice(at), file]);
    if (at >= 0 || done.has(file)) return;
    for (const next of importing(file)) walk(next, [...way, file]);
    done.add(file);
  };
  files.forEach((file) => walk(file, []));
  return found;
}

test('no circle of imports, types included', () => {
  expect(circles(['a', 'b', 'c'], (file) => ({ a: ['b'], b: ['c'], c: ['a'] })[file]!)).toEqual([['a', 'b', 'c', 'a']]);
  const files = ['core', 'server', 'app', 'e2e', 'tools'].flatMap((folder) =>
    readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' })
      .filter((file) => /\.tsx?$/.test(file) && !file.includes('node_modules') && !file.startsWith('dist'))
      .map((file) => join(root, folder, file)),
  );
  expect(files.length).toBeGreaterThan(200);
  expect(circles(files, importsOf).map((way) => way.map((file) => relative(root, file)).join(' → '))).toEqual([]);
});
