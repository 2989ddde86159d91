/** A page that was put away draws no more: then nothing waits for it. */
const LONGEST_MS = 100;

let drawing: Promise<void> | undefined;

/**
 * Resolves once the screen shows what was just touched: an answer does not wait for what can be done a frame later. It
 * resolves at once where nothing is drawn, and when the page is put away, reloaded or closed. Its being hidden is told too late
 * for a reload: by then nothing that is begun is finished.
 */
export function drawn(): Promise<void> {
  if (typeof document === 'undefined' || document.hidden) return Promise.resolve();
  return (drawing ??= new Promise<void>((resolve) => {
    const end = () => {
      document.removeEventListener('visibilitychange', end);
      removeEventListener('beforeunload', end);
      clearTimeout(late);
      drawing = undefined;
      resolve();
    };
    const late = setTimeout(end, LONGEST_MS);
    document.addEventListener('visibilitychange', end);
    addEventListener('beforeunload', end);
    requestAnimationFrame(() => setTimeout(end));
  }));
}
