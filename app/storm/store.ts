import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { create } from 'zustand';
import { dayAtHouse } from '@careful-latch/core/record';
import { whyNotEntry, type KnownHouse, type SaidInStorm, type Storm, type StormEntry } from '@careful-latch/core/storm';
import { stormShelf } from '../stores/device';
import { useInspections } from '../stores/inspections';
import { Refused, Unreachable, office } from '../stores/office';

interface Shelves extends DBSchema {
  storms: { key: string; value: Storm & { readonly cursor: number } };
  /** What was said of houses, by this device and others; `waiting` is what the office does not have yet. */
  entries: { key: string; value: SaidInStorm };
  waiting: { key: string; value: StormEntry };
}

interface StormState {
  /** The storm day of today; undefined where there is none, or nobody knows of it yet. */
  readonly storm: Storm | undefined;
  readonly entries: readonly SaidInStorm[];
  /** Ids of what the office does not have yet. */
  readonly waiting: readonly string[];
  readonly reach: 'unknown' | 'reached' | 'unreachable';
  /** What the office refused, with its sentence. */
  readonly refused: readonly { readonly address: string; readonly why: string }[];
  readonly trouble: string | undefined;
}

const CLOSED: StormState = {
  storm: undefined,
  entries: [],
  waiting: [],
  reach: 'unknown',
  refused: [],
  trouble: undefined,
};
export const useStorm = create<StormState>(() => CLOSED);
const { setState: set, getState: get } = useStorm;

/** The office takes as many at once. */
const PORTION = 100;

let db: IDBPDatabase<Shelves> | undefined;
let who = '';
let syncing: Promise<void> | undefined;

const today = () => dayAtHouse(new Date().toISOString());

/** Opens what this device knows of storm days, and asks the office for what it does not. Works on without signal. */
export async function openStorms(account: string, name: string): Promise<void> {
  who = name;
  db ??= await openDB<Shelves>(stormShelf(account), 1, {
    upgrade(shelves) {
      shelves.createObjectStore('storms', { keyPath: 'id' });
      shelves.createObjectStore('entries', { keyPath: 'id' });
      shelves.createObjectStore('waiting', { keyPath: 'id' });
    },
  });
  await show();
  await syncStorm();
}

export function closeStorms(): void {
  db?.close();
  db = undefined;
  set(CLOSED);
}

/** Shows what the device has. */
async function show(): Promise<void> {
  if (!db) return;
  const [storms, entries, waiting] = await Promise.all([
    db.getAll('storms'),
    db.getAll('entries'),
    db.getAllKeys('waiting'),
  ]);
  const storm = storms.findLast(({ day }) => day === today());
  set({ storm, entries: entries.filter((one) => one.storm === storm?.id), waiting });
}

/** The houses that this device holds, with their orders. */
export const housesHere = (): KnownHouse[] =>
  Object.values(useInspections.getState().byId).map(({ header, docket }) => ({ address: header.address, docket }));

/** Says something of a house: kept here first, then sent. Throws an Error with a sentence where it cannot be said. */
export async function sayInStorm(over: Pick<StormEntry, 'address' | 'kind'> & Partial<StormEntry>): Promise<void> {
  const { storm } = get();
  if (!db || !storm) throw new Error('There is no storm day today.');
  const entry: StormEntry = { id: crypto.randomUUID(), storm: storm.id, at: new Date().toISOString(), ...over };
  const why = whyNotEntry(storm, entry, housesHere());
  if (why !== undefined) throw new Error(why);
  const tx = db.transaction(['entries', 'waiting'], 'readwrite', { durability: 'strict' });
  const kept = [tx.objectStore('entries').put({ ...entry, by: who }), tx.objectStore('waiting').put(entry), tx.done];
  tx.commit(); // does not wait until this page hears of either, for it may be left before
  await Promise.all(kept);
  await show();
  void syncStorm();
}

/** Opens a storm day for today; the lead’s. */
export async function openStormDay(name: string): Promise<void> {
  await office.openStorm({ id: crypto.randomUUID(), name, day: today() });
  await syncStorm();
}

/** Whether something was said since the sending under way began. */
let saidSince = false;

/** Sends what waits, and asks for what others said. One at a time. */
export function syncStorm(): Promise<void> {
  saidSince = syncing !== undefined;
  syncing ??= sync()
    .then(
      () => set({ reach: 'reached', trouble: undefined }),
      (error: unknown) => {
        if (error instanceof Unreachable) set({ reach: 'unreachable' });
        else if (error instanceof Refused) set({ trouble: error.message });
        else throw error;
      },
    )
    .finally(() => {
      syncing = undefined;
      if (saidSince) void syncStorm();
    });
  return syncing;
}

async function sync(): Promise<void> {
  const own = db;
  if (!own) return;
  const { storms } = await office.storms();
  for (const one of storms) {
    const known = await own.get('storms', one.id);
    if (!known) await own.put('storms', { ...one, cursor: 0 });
  }
  for (const storm of await own.getAll('storms')) {
    const waiting = (await own.getAll('waiting')).filter((one) => one.storm === storm.id);
    for (let at = 0; at < waiting.length; at += PORTION) {
      const sent = waiting.slice(at, at + PORTION);
      const results = await office.saidInStorm(storm.id, sent);
      const refused = results.flatMap(({ id, status, detail }) =>
        status === 'refused'
          ? [{ id, address: sent.find((one) => one.id === id)?.address ?? '', why: detail ?? '' }]
          : [],
      );
      const tx = own.transaction(['waiting', 'entries'], 'readwrite');
      await Promise.all([
        ...sent.map(({ id }) => tx.objectStore('waiting').delete(id)),
        ...refused.map(({ id }) => tx.objectStore('entries').delete(id)),
        tx.done,
      ]);
      if (refused.length > 0) set({ refused: [...get().refused, ...refused] });
    }
    if (storm.day !== today()) continue;
    const { entries, cursor } = await office.stormSaid(storm.id, storm.cursor);
    const tx = own.transaction(['entries', 'storms'], 'readwrite');
    await Promise.all([
      ...entries.map((one) => tx.objectStore('entries').put(one)),
      tx.objectStore('storms').put({ ...storm, cursor }),
      tx.done,
    ]);
  }
  await show();
}
