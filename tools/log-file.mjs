// A log that only its owner can read and that does not grow without end: a file, and the one before it.
import { chmodSync, closeSync, existsSync, openSync, renameSync, statSync, writeSync } from 'node:fs';

const MOST_BYTES = 5_000_000;

/** Writes to `path`; what is full becomes `path.1`, in place of the one before. */
export function logFile(path, mostBytes = MOST_BYTES) {
  let file;
  let bytes;
  const open = () => {
    file = openSync(path, 'a', 0o600);
    chmodSync(path, 0o600); // one from before may be open to others
    bytes = statSync(path).size;
  };
  open();
  return {
    write(chunk) {
      if (bytes > 0 && bytes + chunk.length > mostBytes) {
        closeSync(file);
        renameSync(path, `${path}.1`);
        open();
      }
      bytes += writeSync(file, chunk);
    },
    close: () => closeSync(file),
    /** Both files, the older first, for whoever looks for last words. */
    parts: () => [`${path}.1`, path].filter((one) => existsSync(one)),
  };
}
