// Installs the packages when they are missing or older than the lock file.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** Makes node_modules what package-lock.json says, if it is not yet. */
export function installPackages(root, say) {
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  const stamp = join(root, 'node_modules', '.careful-latch-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  say('installing packages (about two minutes the first time)');
  const run = spawnSync('npm', ['ci', '--include=dev', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: root,
    encoding: 'utf8',
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  if (run.status !== 0)
    throw new Error(
      `The packages could not be installed:\n${(run.stderr || run.stdout || String(run.error)).trim().split('\n').slice(-12).join('\n')}`,
    );
  writeFileSync(stamp, lock);
}
