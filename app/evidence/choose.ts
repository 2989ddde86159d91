/** Asks the device for photos: its camera at once, or what it has. None where nobody chose any. */
export function choosePhotos(camera: boolean): Promise<File[]> {
  const input = document.createElement('input');
  input.type = 'file';
  input.accept = 'image/*';
  if (camera) input.capture = 'environment';
  else input.multiple = true;
  return new Promise((resolve) => {
    input.onchange = () => resolve([...(input.files ?? [])]);
    input.oncancel = () => resolve([]);
    input.click();
  });
}
