// Finds a Chromium, or installs Debian's.
import { debianProgram } from './database.mjs';

/** Path of a Chromium on this machine; installs one where it may. */
export const chromium = (say = () => {}) =>
  process.env.CHROMIUM || debianProgram(['chromium', 'chromium-browser'], 'chromium', 'Chromium', say);

/** For the tests: Debian's Chromium without windows of its own, which is a fifth faster; any other where it cannot be had. */
export function chromiumForTests(say = () => {}) {
  if (process.env.CHROMIUM) return process.env.CHROMIUM;
  const shell = 'chromium-headless-shell';
  try {
    return debianProgram([shell], shell, 'Chromium', say) ?? chromium(say);
  } catch {
    return chromium(say);
  }
}
