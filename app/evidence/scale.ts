/** A photo as it is kept: upright, scaled down, with nothing of where and with what it was taken. */
interface Scaled {
  readonly picture: Blob;
  readonly sha256: string;
  readonly bytes: number;
  readonly widthPx: number;
  readonly heightPx: number;
}

/** A camera's own file is a tenth of this; what is larger would fill a phone's memory before it is scaled. */
const MOST_FILE_BYTES = 80_000_000;

/** scale.worker.ts as tools/build.mjs bundles it. */
const WORKER = '/photo-worker.js';

/** Scales a photo down in a worker. Throws an Error with a sentence where it is none that can be read. */
export function scalePhoto(file: File): Promise<Scaled> {
  if (file.size > MOST_FILE_BYTES)
    return Promise.reject(new Error(`${file.name} has ${Math.round(file.size / 1e6)} MB. Take one of at most 80 MB.`));
  const worker = new Worker(WORKER);
  return new Promise<Scaled>((resolve, reject) => {
    const unreadable = () =>
      reject(
        new Error(`${file.name} is no photo that can be read here. Take a JPEG or a PNG; nothing else was changed.`),
      );
    worker.onmessage = ({ data }: MessageEvent<Scaled | null>) => (data ? resolve(data) : unreadable());
    worker.onerror = unreadable;
    worker.postMessage(file);
  }).finally(() => worker.terminate());
}
