import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Change, Inspection } from '@careful-latch/core/record';

interface Shelves extends DBSchema {
  inspections: { key: string; value: Inspection };
  /** Changes that the office has not taken in yet, in their order. */
  queue: { key: number; value: Change };
}

export interface Waiting {
  readonly key: number;
  readonly change: Change;
}

/** The device's own store: one for each account, so that two people on one phone never mix. */
export class Device {
  private constructor(private readonly db: IDBPDatabase<Shelves>) {}

  static async open(account: string): Promise<Device> {
    const db = await openDB<Shelves>(`careful-latch-${account}`, 1, {
      upgrade(fresh) {
        fresh.createObjectStore('inspections', { keyPath: 'id' });
        fresh.createObjectStore('queue', { autoIncrement: true });
      },
    });
    return new Device(db);
  }

  async everything(): Promise<{ inspections: Inspection[]; queue: Waiting[] }> {
    const tx = this.db.transaction(['inspections', 'queue']);
    const [inspections, keys, changes] = await Promise.all([
      tx.objectStore('inspections').getAll(),
      tx.objectStore('queue').getAllKeys(),
      tx.objectStore('queue').getAll(),
    ]);
    return { inspections, queue: keys.map((key, i) => ({ key, change: changes[i]! })) };
  }

  /** Keeps an inspection together with the change that made it so: both or neither. */
  async keep(inspection: Inspection, change: Change): Promise<number> {
    const tx = this.db.transaction(['inspections', 'queue'], 'readwrite', { durability: 'strict' });
    const [key] = await Promise.all([
      tx.objectStore('queue').add(change),
      tx.objectStore('inspections').put(inspection),
      tx.done,
    ]);
    return key;
  }

  /** Takes changes out of the queue once the office has answered for them. */
  async settle(keys: readonly number[]): Promise<void> {
    const tx = this.db.transaction('queue', 'readwrite');
    await Promise.all([...keys.map((key) => tx.store.delete(key)), tx.done]);
  }

  /** What the office has: put here, and what it no longer has taken away. */
  async mirror(put: readonly Inspection[], away: readonly string[]): Promise<void> {
    const tx = this.db.transaction('inspections', 'readwrite');
    await Promise.all([...put.map((one) => tx.store.put(one)), ...away.map((id) => tx.store.delete(id)), tx.done]);
  }

  close(): void {
    this.db.close();
  }
}
