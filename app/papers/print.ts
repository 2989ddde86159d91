import { printedPaper, type Paper, type Size } from '@careful-latch/core/papers';
import { photoBlob } from '../stores/photos';

/** print.worker.ts as tools/build.mjs bundles it. */
const WORKER = '/paper-worker.js';

const asDataUrl = (blob: Blob): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.onerror = () => reject(new Error('The photo cannot be read.'));
    reader.readAsDataURL(blob);
  });

/** A photo as it is on this device, else at the office; undefined where it is at neither. */
async function photoOf(inspection: string, sha256: string): Promise<string | undefined> {
  const picture = await photoBlob(inspection, sha256);
  return picture && asDataUrl(picture).catch(() => undefined);
}

/** Prints a paper as PDF, off the main thread. Throws an Error with a sentence where that fails. */
export async function printPaper(paper: Paper, size: Size, inspection: string): Promise<Blob> {
  const shas = paper.blocks.flatMap((one) => (one.kind === 'photo' ? [one.photo.sha256] : []));
  const found = await Promise.all(shas.map(async (sha) => [sha, await photoOf(inspection, sha)] as const));
  const photos = Object.fromEntries(found.filter((one): one is [string, string] => one[1] !== undefined));
  const worker = new Worker(WORKER);
  return new Promise<Blob>((resolve, reject) => {
    const fail = () =>
      reject(new Error('The paper could not be printed here. Load the application again, and try anew.'));
    worker.onmessage = ({ data }: MessageEvent<{ pdf?: Blob }>) => (data.pdf ? resolve(data.pdf) : fail());
    worker.onerror = fail;
    worker.postMessage(printedPaper(paper, size, photos));
  }).finally(() => worker.terminate());
}
