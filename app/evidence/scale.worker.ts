/**
 * Scales a photo down off the main thread: turned upright as it was taken, without what the camera wrote beside the picture
 * (place, device, time), for a picture drawn anew carries none of it.
 */
const MOST_PX = 1600;
const QUALITY = 0.82;

const hex = (bytes: ArrayBuffer) =>
  [...new Uint8Array(bytes)].map((byte) => byte.toString(16).padStart(2, '0')).join('');

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
  const sha256 = hex(await crypto.subtle.digest('SHA-256', await picture.arrayBuffer()));
  return { picture, sha256, bytes: picture.size, widthPx, heightPx };
}

self.onmessage = ({ data }: MessageEvent<Blob>) => {
  scale(data).then(
    (scaled) => self.postMessage(scaled),
    () => self.postMessage(null),
  );
};
