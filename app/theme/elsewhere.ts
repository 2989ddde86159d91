/** Whether keys are somebody's words now, or for a sheet that lies over the screen. */
export const isElsewhere = (event: KeyboardEvent): boolean =>
  (event.target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(event.target.tagName)) ||
  event.ctrlKey ||
  event.metaKey ||
  event.altKey ||
  document.querySelector('[aria-modal="true"]') !== null;
