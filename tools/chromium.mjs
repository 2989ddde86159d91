// Finds a Chromium, or installs Debian's.
import { spawnSync } from 'node:child_process';
import { installDebianPackage } from './database.mjs';

/** Path of a Chromium on this machine; installs one where it may. */
export function chromium(say = () => {}) {
  const find = () =>
    process.env.CHROMIUM ||
    ['chromium', 'chromium-browser']
      .map((name) => spawnSync('sh', ['-c', `command -v ${name}`], { encoding: 'utf8' }).stdout.trim())
      .find(Boolean);
  if (!find()) installDebianPackage('chromium', 'Chromium', say);
  return find();
}
