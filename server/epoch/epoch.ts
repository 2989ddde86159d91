import { randomUUID } from 'node:crypto';
import { mkdir, readFile, rename, writeFile } from 'node:fs/promises';
import { dirname } from 'node:path';
import { eq } from 'drizzle-orm';
import type { RequestHandler } from 'express';
import type { Door } from '../database/client';
import { accounts, offices } from '../database/schema';
import type { SealKeys } from '../ledger/keys';
import { sealRestored } from '../ledger/ledger';
import { Problem } from '../problems';

/** What is known of an office outside of its database: which copy of itself it was, and how far its ledger had come. */
interface Known {
  readonly epoch: string;
  readonly n: number;
}
type KnownOffices = Readonly<Record<string, Known>>;

async function readKnown(file: string): Promise<KnownOffices> {
  const text = await readFile(file, 'utf8').catch((error: NodeJS.ErrnoException) => {
    if (error.code !== 'ENOENT') throw error; // not read is not the same as not there
    return '{}';
  });
  try {
    return JSON.parse(text) as KnownOffices;
  } catch {
    throw new Error(`${file} cannot be read: it is no JSON. Bring back what stood there, or take it away if an older copy of the office has not been brought back.`); // prettier-ignore
  }
}

/** Whole or not at all: a file that was cut off would know nothing. */
async function writeKnown(file: string, known: KnownOffices): Promise<void> {
  await mkdir(dirname(file), { recursive: true });
  const made = `${file}.${process.pid}.part`;
  await writeFile(made, JSON.stringify(known, undefined, 2));
  await rename(made, file);
}

/**
 * Holds each office against the file beside the keys, and writes down there how far it has come. One that is an older copy of itself, or
 * another copy than was served last, begins a new epoch: devices send again what they were told was taken. Its ledger goes on behind
 * the highest number that is known, for no paper's number is ever used again.
 */
export async function settleEpochs(door: Door, keys: SealKeys, file: string): Promise<void> {
  const known = await readKnown(file);
  const now: Record<string, Known> = { ...known };
  for (const office of await door.officeIds())
    now[office] = await door.inOffice(office, async (tx) => {
      const [row] = await tx
        .select({ epoch: offices.epoch, n: offices.ledgerN })
        .from(offices)
        .where(eq(offices.id, office))
        .for('update');
      const before = known[office];
      if (!before || (before.epoch === row!.epoch && before.n <= row!.n)) return row!;
      const epoch = randomUUID();
      await tx.update(offices).set({ epoch }).where(eq(offices.id, office));
      // A session that was ended since the backup was made would come back with it.
      await tx.update(accounts).set({ voidBefore: new Date() }).where(eq(accounts.office, office));
      return { epoch, n: before.n > row!.n ? await sealRestored(tx, keys, office, epoch, before.n) : row!.n };
    });
  if (JSON.stringify(now) !== JSON.stringify(known)) await writeKnown(file, now);
}

/** The epochs of the offices, each asked for once, until they are forgotten. */
export class Epochs {
  private known = new Map<string, string>();
  constructor(private readonly door: Door) {}

  async of(office: string): Promise<string> {
    const known = this.known.get(office);
    if (known !== undefined) return known;
    const [row] = await this.door.inOffice(office, (tx) =>
      tx.select({ epoch: offices.epoch }).from(offices).where(eq(offices.id, office)),
    );
    this.known.set(office, row!.epoch);
    return row!.epoch;
  }

  /** They are asked for anew: an older copy may have come under a server that runs. */
  forget(): void {
    this.known = new Map();
  }
}

/** The header by which the office says which copy of itself it is, and a device which it has last heard. */
const EPOCH_HEADER = 'x-epoch';

/** Says the office's epoch with every answer; takes nothing from a device that has not heard of it yet. */
export const sayEpoch =
  (epochs: Epochs): RequestHandler =>
  async (request, response, next) => {
    const account = request.account ?? request.switchedOff;
    if (!account) return next();
    const epoch = await epochs.of(account.office);
    response.set(EPOCH_HEADER, epoch);
    const heard = request.headers[EPOCH_HEADER];
    if (heard !== undefined && heard !== epoch && request.method !== 'GET')
      throw new Problem(
        412,
        'Another copy',
        'The office was brought back from a backup since this device heard of it last. Nothing was taken; it is sent again.',
      );
    next();
  };
