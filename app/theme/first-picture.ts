import { useLayoutEffect } from 'react';

/**
 * The page arrives with a picture of the screen that it will become, drawn when the application was built (tools/build.mjs).
 * It covers the application until that has a screen of its own to show.
 */
const picture = () => (typeof document === 'undefined' ? null : document.getElementById('picture'));

/** True while the pictures are drawn, at build time. */
export const DRAWING_PICTURES = typeof window === 'undefined';

const NAME = 'autocomplete'; // what tells the fields of a picture apart, and pairs them with the real ones

declare global {
  /** Name of the button or plate pressed in the picture last; the script in public/index.html keeps it. */
  var pressedInPicture: string | undefined;
}

/** What somebody has typed into the picture already. */
export const typedIntoPicture = (autoComplete: string): string =>
  picture()?.querySelector<HTMLInputElement>(`input[${NAME}="${autoComplete}"]`)?.value ?? '';

/**
 * Takes the picture away. Whoever was typing into it goes on in the real field, and the button that was pressed there is
 * pressed: so the screen that it pictured must be there, with what was typed, and nothing may come between (a layout effect).
 */
export function liftPicture(): void {
  const cover = picture();
  if (!cover) return;
  const typing = cover.contains(document.activeElement) ? document.activeElement!.getAttribute(NAME) : null;
  cover.remove();
  if (typing) document.querySelector<HTMLElement>(`#root input[${NAME}="${typing}"]`)?.focus();
  [...document.querySelectorAll<HTMLElement>('#root [role="button"], #root [role="radio"]')]
    .find((button) => (button.dataset.testid || button.textContent) === globalThis.pressedInPicture)
    ?.click();
  globalThis.pressedInPicture = undefined;
}

/** Stands after the screen that takes the picture's place. */
export function Lift(): null {
  useLayoutEffect(liftPicture, []);
  return null;
}
