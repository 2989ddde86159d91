import { deleteDB, openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { readCase } from '@careful-latch/core/case';
import { EMPTY_DOCKET, ofOldDevice, type Change, type Inspection } from '@careful-latch/core/record';

interface Shelves extends DBSchema {
  inspections: { key: string; value: Inspection };
  /** Changes that the office has not taken in yet, in their order. */
  queue: { key: number; value: Change };
  /** Changes that the office cannot take, with its sentence; kept until somebody has read it. */
  aside: { key: number; value: SetAside };
  /** How far the office had counted when it was asked last, under `cursor`; which copy of itself it was, under `epoch`. */
  meta: { key: string; value: number | string };
  /** Changes that the office has taken, with when: sent again, where it is brought back from a backup that lacks them. */
  sent: { key: number; value: Sent };
  /** Photos that were taken here, by their SHA-256. */
  photos: { key: string; value: KeptPhoto };
}

/** A photo on this device, and how much of it the office has. */
export interface KeptPhoto {
  readonly sha256: string;
  readonly inspection: string;
  readonly picture: Blob;
  readonly held: number;
  readonly whole: boolean;
}

interface Sent {
  readonly at: number;
  readonly change: Change;
}
/** So long a device can tell an office what it was told. */
const SENT_KEPT_MS = 90 * 86_400_000;

export interface Waiting {
  readonly key: number;
  readonly change: Change;
}

/** A change that was refused: nothing that was entered is thrown away unread. */
export interface SetAside {
  readonly change: Change;
  readonly why: string;
}

const nameOf = (account: string) => `careful-latch-${account}`;

/** Where what was said on storm days is kept: of its own, for it is opened on such a day alone (`app/storm`). */
export const stormShelf = (account: string) => `${nameOf(account)}-storm`;

/** The device's own store: one for each account, so that two people on one phone never mix. */
export class Device {
  private constructor(private readonly db: IDBPDatabase<Shelves>) {}

  static async open(account: string): Promise<Device> {
    const db = await openDB<Shelves>(nameOf(account), 5, {
      upgrade(shelves, from) {
        if (from < 1) {
          shelves.createObjectStore('inspections', { keyPath: 'id' });
          shelves.createObjectStore('queue', { autoIncrement: true });
        }
        if (from < 2) shelves.createObjectStore('aside', { autoIncrement: true });
        if (from < 3) shelves.createObjectStore('photos', { keyPath: 'sha256' });
        if (from < 4) shelves.createObjectStore('meta');
        if (from < 5) shelves.createObjectStore('sent', { autoIncrement: true });
      },
    });
    return new Device(db);
  }

  /** Takes away what the office has of an account; all of it, where nothing was sent lately. */
  static async remove(account: string, now: number): Promise<void> {
    const device = await Device.open(account);
    await device.forget(now);
    const keeps = (await device.sent(now)).length > 0;
    device.close();
    if (!keeps) await deleteDB(nameOf(account));
    const storm = await openDB(stormShelf(account));
    const waits = storm.objectStoreNames.contains('waiting') && (await storm.count('waiting')) > 0;
    storm.close();
    if (!waits) await deleteDB(stormShelf(account));
  }

  async everything(): Promise<{
    inspections: Inspection[];
    queue: Waiting[];
    aside: Map<number, SetAside>;
    cursor: number;
    epoch: string | undefined;
  }> {
    const tx = this.db.transaction(['inspections', 'queue', 'aside', 'meta']);
    const [inspections, keys, changes, asideKeys, aside, cursor = 0, epoch] = await Promise.all([
      tx.objectStore('inspections').getAll(),
      tx.objectStore('queue').getAllKeys(),
      tx.objectStore('queue').getAll(),
      tx.objectStore('aside').getAllKeys(),
      tx.objectStore('aside').getAll(),
      tx.objectStore('meta').get('cursor'),
      tx.objectStore('meta').get('epoch'),
    ]);
    return {
      cursor: Number(cursor),
      epoch: epoch === undefined ? undefined : String(epoch),
      inspections: inspections.map(carriedOver),
      queue: keys.map((key, i) => ({ key, change: ofOldDevice(changes[i]) as Change })),
      aside: new Map(
        asideKeys.map((key, i) => [key, { ...aside[i]!, change: ofOldDevice(aside[i]!.change) as Change }]),
      ),
    };
  }

  /** Keeps an inspection together with the change that made it so: both or neither. */
  async keep(inspection: Inspection, change: Change): Promise<number> {
    const tx = this.db.transaction(['inspections', 'queue'], 'readwrite', { durability: 'strict' });
    const kept = [tx.objectStore('queue').add(change), tx.objectStore('inspections').put(inspection), tx.done] as const;
    tx.commit(); // does not wait until this page hears of either, for it may be left before
    return (await Promise.all(kept))[0];
  }

  /** Takes changes out of the queue once the office has answered for them: sets aside those that it refused, and keeps for a while what it took. */
  async settle(
    keys: readonly number[],
    refused: readonly SetAside[],
    taken: readonly Change[],
    at: number,
  ): Promise<number[]> {
    const tx = this.db.transaction(['queue', 'aside', 'sent'], 'readwrite');
    const [added] = await Promise.all([
      Promise.all(refused.map((one) => tx.objectStore('aside').add(one))),
      ...taken.map((change) => tx.objectStore('sent').add({ at, change })),
      ...keys.map((key) => tx.objectStore('queue').delete(key)),
      tx.done,
    ]);
    return added;
  }

  /** What the office has taken, in its order; what is too old goes. */
  async sent(now: number): Promise<Waiting[]> {
    await this.dropOld(now);
    const tx = this.db.transaction('sent');
    const [keys, all] = await Promise.all([tx.store.getAllKeys(), tx.store.getAll()]);
    return keys.map((key, i) => ({ key, change: all[i]!.change }));
  }

  /** Lets go of what was taken too long ago to be sent again; the oldest stand first, and no younger one is looked at. */
  async dropOld(now: number): Promise<void> {
    const tx = this.db.transaction('sent', 'readwrite');
    for (let one = await tx.store.openCursor(); one && one.value.at < now - SENT_KEPT_MS; one = await one.continue())
      await one.delete();
    await tx.done;
  }

  /** Sets aside what the office does not take again. */
  async setAside(keys: readonly number[], refused: readonly SetAside[]): Promise<number[]> {
    const tx = this.db.transaction(['sent', 'aside'], 'readwrite');
    const [added] = await Promise.all([
      Promise.all(refused.map((one) => tx.objectStore('aside').add(one))),
      ...keys.map((key) => tx.objectStore('sent').delete(key)),
      tx.done,
    ]);
    return added;
  }

  /** Keeps which copy of itself the office is; of another one nothing is known, and no photo is whole there. */
  async keepEpoch(epoch: string, isOther: boolean): Promise<void> {
    const tx = this.db.transaction(['meta', 'photos'], 'readwrite');
    const photos = isOther ? await tx.objectStore('photos').getAll() : [];
    await Promise.all([
      tx.objectStore('meta').put(epoch, 'epoch'),
      ...(isOther ? [tx.objectStore('meta').put(0, 'cursor')] : []),
      ...photos.map((one) => tx.objectStore('photos').put({ ...one, held: 0, whole: false })),
      tx.done,
    ]);
  }

  /** Takes what the office has off the device, but for what was sent to it lately, with its photos. */
  async forget(now: number): Promise<void> {
    const named = new Set(
      (await this.sent(now)).flatMap(({ change }) => (change.type === 'evidence' ? (change.is?.photo?.sha256 ?? []) : [])), // prettier-ignore
    );
    const tx = this.db.transaction(['inspections', 'meta', 'photos'], 'readwrite');
    const photos = await tx.objectStore('photos').getAllKeys();
    await Promise.all([
      tx.objectStore('inspections').clear(),
      tx.objectStore('meta').delete('cursor'),
      ...photos.filter((sha256) => !named.has(sha256)).map((sha256) => tx.objectStore('photos').delete(sha256)),
      tx.done,
    ]);
  }

  /** Takes what was set aside away, once its sentence was read. */
  async read(keys: readonly number[]): Promise<void> {
    const tx = this.db.transaction('aside', 'readwrite');
    await Promise.all([...keys.map((key) => tx.store.delete(key)), tx.done]);
  }

  /** Keeps what the office has, and lets go what rests there, together with how far it had counted. */
  async mirror(put: readonly Inspection[], cursor?: number, gone: readonly string[] = []): Promise<void> {
    const tx = this.db.transaction(['inspections', 'meta'], 'readwrite');
    await Promise.all([
      ...gone.map((id) => tx.objectStore('inspections').delete(id)),
      ...put.map((one) => tx.objectStore('inspections').put(one)),
      ...(cursor === undefined ? [] : [tx.objectStore('meta').put(cursor, 'cursor')]),
      tx.done,
    ]);
  }

  async keepPhoto(photo: KeptPhoto): Promise<void> {
    const tx = this.db.transaction('photos', 'readwrite', { durability: 'strict' });
    const kept = [tx.store.put(photo), tx.done];
    tx.commit();
    await Promise.all(kept);
  }

  photo(sha256: string): Promise<KeptPhoto | undefined> {
    return this.db.get('photos', sha256);
  }

  /** Photos of which the office does not have the whole yet. */
  async unsentPhotos(): Promise<KeptPhoto[]> {
    return (await this.db.getAll('photos')).filter(({ whole }) => !whole);
  }

  close(): void {
    this.db.close();
  }
}

/** An inspection as a version of the application kept it that knew neither photos nor violations yet. */
type Kept = Omit<Inspection, 'evidence' | 'docket'> & Partial<Inspection>;

/** An inspection whose case an older version of the application kept, as this one reads it; one that it cannot read as it is. */
export function carriedOver(kept: Kept): Inspection {
  const inspection = { ...kept, evidence: kept.evidence ?? [], docket: kept.docket ?? EMPTY_DOCKET };
  if ((inspection.case.version as number) !== 1) return inspection;
  const read = readCase(inspection.case);
  return read.ok ? { ...inspection, case: read.case } : inspection;
}
