import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** What the program of a package says of its record, run by itself as whoever is given the package does. */
export function verified(program: Uint8Array, record: string) {
  const folder = mkdtempSync(join(tmpdir(), '.careful-latch-'));
  writeFileSync(join(folder, 'verify.mjs'), program);
  writeFileSync(join(folder, 'record.json'), record);
  const { statement } = JSON.parse(record) as { statement: string };
  const { keys } = JSON.parse(Buffer.from(statement.split('.')[1]!, 'base64url').toString()) as { keys: string[] };
  const { status, stdout } = spawnSync(process.execPath, ['verify.mjs', '--key', keys.at(-1)!], {
    cwd: folder,
    encoding: 'utf8',
  });
  rmSync(folder, { recursive: true });
  return { status, stdout };
}
