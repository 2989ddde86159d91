/** Asks the device for files: of some kind, several of them, or its camera at once. None where nobody chose any. */
export function chooseFiles(wanted: { accept: string; multiple?: boolean; capture?: string }): Promise<File[]> {
  const input = Object.assign(document.createElement('input'), { type: 'file', ...wanted });
  return new Promise((resolve) => {
    input.onchange = () => resolve([...(input.files ?? [])]);
    input.oncancel = () => resolve([]);
    input.click();
  });
}

/** Gives the device a file to save. */
export function saveBlob(name: string, blob: Blob): void {
  const url = URL.createObjectURL(blob);
  Object.assign(document.createElement('a'), { href: url, download: name }).click();
  setTimeout(() => URL.revokeObjectURL(url), 60_000); // some browsers begin to save only later
}

export const saveFile = (name: string, type: string, text: string): void => saveBlob(name, new Blob([text], { type }));
