import { sha256 } from '../stores/sha256';

/**
 * Scales a photo down off the main thread: turned upright as it was taken, without what the camera wrote beside the picture
 * (place, device, time), for a picture drawn anew carries none of it.
 */
const MOST_PX = 1600;
const QUALITY = 0.82;

async function scale(file: Blob) {
  const whole = await createImageBitmap(file, { imageOrientation: 'from-image' });
  const shrink = Math.min(1, MOST_PX / Math.max(whole.width, whole.height));
  const widthPx = Math.max(1, Math.round(whole.width * shrink));
  const heightPx = Math.max(1, Math.round(whole.height * shrink));
  const canvas = new OffscreenCanvas(widthPx, heightPx);
  const context = canvas.getContext('2d')!;
  context.imageSmoothingQuality = 'high';
  context.drawImage(whole, 0, 0, widthPx, heightPx);
  whole.close();
  const picture = await canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY });
  return { picture, sha256: await sha256(await picture.arrayBuffer()), bytes: picture.size, widthPx, heightPx };
}

self.onmessage = ({ data }: MessageEvent<Blob>) => {
  scale(data).then(
    (scaled) => self.postMessage(scaled),
    () => self.postMessage(null),
  );
};
