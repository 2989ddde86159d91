import { existsSync, mkdtempSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { spawnSync } from 'node:child_process';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';

const logFileModule = pathToFileURL(join(__dirname, 'log-file.mjs')).href;

test('a log is its owner’s alone, and never larger than two of its size', () => {
  const folder = mkdtempSync(join(tmpdir(), 'careful-latch-log-'));
  const path = join(folder, 'server.log');
  writeFileSync(path, 'from before\n', { mode: 0o644 });
  const script = `
    import { logFile } from ${JSON.stringify(logFileModule)};
    const log = logFile(${JSON.stringify(path)}, 100);
    for (let i = 0; i < 50; i++) log.write(Buffer.from('line ' + i + '\\n'));
    log.close();`;
  const run = spawnSync(process.execPath, ['--input-type=module', '-e', script], { encoding: 'utf8' });
  expect(run.stderr).toBe('');
  for (const file of [path, `${path}.1`]) {
    expect(statSync(file).mode & 0o777).toBe(0o600);
    expect(statSync(file).size).toBeLessThanOrEqual(100);
  }
  expect(readFileSync(path, 'utf8')).toContain('line 49');
  expect(existsSync(`${path}.2`)).toBe(false);
});
