// Finds a Chromium, or installs Debian's.
import { debianProgram } from './database.mjs';

/** Path of a Chromium on this machine; installs one where it may. */
export const chromium = (say = () => {}) =>
  process.env.CHROMIUM || debianProgram(['chromium', 'chromium-browser'], 'chromium', 'Chromium', say);
