import { mkdir, readFile, readdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import type { Door } from '../database/client';
import { offices } from '../database/schema';
import type { SealKeys } from './keys';
import { sealDay } from './ledger';

/** How far an office's ledger had come on a day. */
export interface Anchor {
  readonly day: string;
  readonly office: string;
  readonly n: number;
  readonly head: string;
}

/**
 * Signs the day's line, and writes today's anchor: for each office how many lines its ledger has, and the SHA-256 of the last. Printed, or sent elsewhere,
 * it shows later what was cut off or rewritten by whoever has the database and the keys.
 */
export async function writeAnchor(door: Door, keys: SealKeys, folder: string): Promise<void> {
  const day = new Date().toISOString().slice(0, 10);
  const rows = [];
  for (const office of await door.officeIds())
    rows.push(
      ...(await door.inOffice(office, async (tx) => {
        await sealDay(tx, keys, office);
        return tx
          .select({ id: offices.id, n: offices.ledgerN, head: offices.ledgerHead })
          .from(offices)
          .where(eq(offices.id, office));
      })),
    );
  await mkdir(folder, { recursive: true });
  const before = (await readAnchors(folder)).filter((one) => one.day === day);
  const lines = rows.map(({ id, n, head }) => {
    // What was vouched for earlier today stays so, whatever has become of the database since.
    const known = before.find((one) => one.office === id && (one.n > n || (one.n === n && one.head !== head)));
    return `${day} ${id} ${known?.n ?? n} ${known?.head ?? head}\n`;
  });
  await writeFile(join(folder, `${day}.txt`), lines.join(''));
}

/** The anchors of a folder, the oldest first; none where there is no such folder. */
export async function readAnchors(folder: string): Promise<Anchor[]> {
  const files = await readdir(folder).catch(() => []);
  const texts = await Promise.all(files.sort().map((file) => readFile(join(folder, file), 'utf8')));
  return texts.flatMap((text) =>
    [...text.matchAll(/^(\d{4}-\d\d-\d\d) (\S+) (\d+) ([0-9a-f]*)$/gm)].map(([, day, office, n, head]) => ({
      day: day!,
      office: office!,
      n: Number(n),
      head: head!,
    })),
  );
}
