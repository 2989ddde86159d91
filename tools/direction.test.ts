import { spawnSync } from 'node:child_process';
import { join } from 'node:path';

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
