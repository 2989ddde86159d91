import { create } from 'zustand';
import type { Device, KeptPhoto } from './device';
import { Refused, Unreachable, office, photoAddress } from './office';

/** How many photos the office does not have whole yet, and its sentence where it refuses one. */
export const usePhotos = create<{ readonly waiting: number; readonly trouble: string | undefined }>(() => ({
  waiting: 0,
  trouble: undefined,
}));
const { setState: set } = usePhotos;

/** Bytes sent at once: on a slow line a break costs no more than this. */
const PIECE_BYTES = 256 * 1024;

let device: Device | undefined;
/** Whether an inspection names a photo: one whose taking was undone is not sent. */
let isNamed: (photo: KeptPhoto) => boolean = () => false;
let sending: Promise<void> | undefined;

export function openPhotos(own: Device, named: typeof isNamed): void {
  device = own;
  isNamed = named;
  void countPhotos();
}

export function closePhotos(): void {
  device = undefined;
  set({ waiting: 0, trouble: undefined });
}

const unsentAt = async (target: Device) => (await target.unsentPhotos()).filter(isNamed);

/** Counts anew what waits: a photo waits once an inspection names it. */
export async function countPhotos(): Promise<void> {
  const target = device;
  const unsent = target ? await unsentAt(target).catch(() => []) : [];
  if (device === target) set({ waiting: unsent.length });
}

/** Keeps a photo on this device until the office has it, and after that. Throws where the device cannot. */
export async function keepPhoto(inspection: string, sha256: string, picture: Blob): Promise<void> {
  if (!device) throw new Error('No store is open.');
  await device.keepPhoto({ sha256, inspection, picture, held: 0, whole: false });
}

/** Where a photo is to be seen: on this device, else at the office. */
export async function photoUrl(inspection: string, sha256: string): Promise<string> {
  const kept = await device?.photo(sha256).catch(() => undefined);
  return kept ? URL.createObjectURL(kept.picture) : photoAddress(inspection, sha256);
}

/** A photo itself, from this device, else from the office; undefined where it is at neither. */
export async function photoBlob(inspection: string, sha256: string): Promise<Blob | undefined> {
  const kept = await device?.photo(sha256).catch(() => undefined);
  if (kept) return kept.picture;
  const answer = await fetch(photoAddress(inspection, sha256)).catch(() => undefined);
  return answer?.ok ? answer.blob() : undefined;
}

async function send(target: Device, photo: KeptPhoto): Promise<void> {
  let now = photo;
  while (!now.whole && device === target) {
    const piece = now.picture.slice(now.held, now.held + PIECE_BYTES);
    now = { ...now, ...(await office.piece(now.inspection, now.sha256, now.held, piece)) };
    await target.keepPhoto(now);
  }
}

/** Sends what the office does not have of the photos, piece by piece; what breaks off goes on from there the next time. */
export function sendPhotos(): Promise<void> {
  const target = device;
  if (!target) return Promise.resolve();
  sending ??= (async () => {
    let trouble: string | undefined;
    const tried = new Set<string>();
    const next = async () => (await unsentAt(target)).find(({ sha256 }) => !tried.has(sha256)); // one may come meanwhile
    for (let photo = await next(); photo; photo = await next()) {
      tried.add(photo.sha256);
      try {
        await send(target, photo);
      } catch (error) {
        if (error instanceof Unreachable) return; // the next time that the office is reached
        if (!(error instanceof Refused)) throw error;
        // One that came damaged begins anew.
        if (error.status === 422) await target.keepPhoto({ ...photo, held: 0 });
        trouble = error.message;
      }
    }
    set({ trouble });
  })()
    .catch(() => undefined) // the store was closed meanwhile
    .finally(() => {
      sending = undefined;
      void countPhotos();
    });
  return sending;
}
