import { deleteDB, openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { readCase } from '@careful-latch/core/case';
import { EMPTY_DOCKET, ofOldDevice, type Change, type Inspection } from '@careful-latch/core/record';

interface Shelves extends DBSchema {
  inspections: { key: string; value: Inspection };
  /** Changes that the office has not taken in yet, in their order. */
  queue: { key: number; value: Change };
  /** Changes that the office cannot take, with its sentence; kept until somebody has read it. */
  aside: { key: number; value: SetAside };
  /** How far the office had counted when it was asked last, under `cursor`. */
  meta: { key: string; value: number };
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
    const db = await openDB<Shelves>(nameOf(account), 4, {
      upgrade(shelves, from) {
        if (from < 1) {
          shelves.createObjectStore('inspections', { keyPath: 'id' });
          shelves.createObjectStore('queue', { autoIncrement: true });
        }
        if (from < 2) shelves.createObjectStore('aside', { autoIncrement: true });
        if (from < 3) shelves.createObjectStore('photos', { keyPath: 'sha256' });
        if (from < 4) shelves.createObjectStore('meta');
      },
    });
    return new Device(db);
  }

  /** Takes away all that is kept here for an account. */
  static async remove(account: string): Promise<void> {
    await deleteDB(nameOf(account));
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
  }> {
    const tx = this.db.transaction(['inspections', 'queue', 'aside', 'meta']);
    const [inspections, keys, changes, asideKeys, aside, cursor = 0] = await Promise.all([
      tx.objectStore('inspections').getAll(),
      tx.objectStore('queue').getAllKeys(),
      tx.objectStore('queue').getAll(),
      tx.objectStore('aside').getAllKeys(),
      tx.objectStore('aside').getAll(),
      tx.objectStore('meta').get('cursor'),
    ]);
    return {
      cursor,
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

  /** Takes changes out of the queue once the office has answered for them, and sets aside those that it refused. */
  async settle(keys: readonly number[], refused: readonly SetAside[]): Promise<number[]> {
    const tx = this.db.transaction(['queue', 'aside'], 'readwrite');
    const [added] = await Promise.all([
      Promise.all(refused.map((one) => tx.objectStore('aside').add(one))),
      ...keys.map((key) => tx.objectStore('queue').delete(key)),
      tx.done,
    ]);
    return added;
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
