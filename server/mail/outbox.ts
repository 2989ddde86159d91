import { randomUUID } from 'node:crypto';
import { mkdir, rename, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { and, asc, eq, isNull } from 'drizzle-orm';
import { createTransport } from 'nodemailer';
import type { Door, Transaction } from '../database/client';
import { mails } from '../database/schema';

interface Mail {
  readonly office: string;
  readonly to: string;
  readonly subject: string;
  readonly body: string;
  /** What it is about: it is made once. */
  readonly key?: string;
}

/** Puts a mail into the office’s outbox, in the transaction of what it is about: either both are, or neither. */
export async function postMail(tx: Transaction, { key, ...mail }: Mail): Promise<void> {
  await tx
    .insert(mails)
    .values({ ...mail, id: randomUUID(), key: key ?? randomUUID() })
    .onConflictDoNothing();
}

const FROM = 'Careful Latch <office@localhost>';
/** Written out at once, in the order in which they were made. */
const PORTION = 50;

/**
 * Writes what waits in every outbox as `.eml` files, from which whatever sends the office's mail takes them. Throws where the
 * folder cannot be written: the queue tries again later.
 */
export async function writeMails(door: Door, folder: string): Promise<number> {
  const composer = createTransport({ streamTransport: true, buffer: true });
  await mkdir(folder, { recursive: true, mode: 0o700 });
  let written = 0;
  for (const office of await door.officeIds())
    written += await door.inOffice(office, async (tx) => {
      const rows = await tx
        .select()
        .from(mails)
        .where(and(eq(mails.office, office), isNull(mails.writtenAt)))
        .orderBy(asc(mails.madeAt))
        .limit(PORTION)
        .for('update', { skipLocked: true }); // another process writes those
      for (const { id, to, subject, body, madeAt } of rows) {
        const made = await composer.sendMail({ from: FROM, to, subject, text: body, date: madeAt, messageId: `<${id}@careful-latch>` }); // prettier-ignore
        const file = join(folder, `${madeAt.toISOString().slice(0, 10)}-${id}.eml`);
        await writeFile(`${file}.part`, made.message as Buffer, { mode: 0o600 });
        await rename(`${file}.part`, file);
        await tx
          .update(mails)
          .set({ writtenAt: new Date() })
          .where(and(eq(mails.office, office), eq(mails.id, id)));
      }
      return rows.length;
    });
  return written;
}
