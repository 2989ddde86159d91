import { spawnSync } from 'node:child_process';
import { join } from 'node:path';

const root = join(__dirname, '..');

test('mistakes planted in rules are noticed, and counted', () => {
  const run = spawnSync(process.execPath, ['tools/run.mjs', 'tools/mutate.ts', 'rules/siting'], {
    cwd: root,
    encoding: 'utf8',
  });
  const [, planted, noticed, accepted, survived] =
    /(\d+) mistakes, (\d+) noticed, (\d+) accepted with a reason, (\d+) survived/.exec(run.stdout)?.map(Number) ?? [];
  expect(run.stderr).toBe('');
  expect(planted).toBeGreaterThan(10);
  expect([noticed! + accepted!, survived, run.status]).toEqual([planted, 0, 0]);
}, 120_000);
