/**
 * The page arrives with a picture of the screen that it will become, drawn when the application was built (tools/build.mjs).
 * It covers the application until that has a screen of its own to show.
 */
const picture = () => (typeof document === 'undefined' ? null : document.getElementById('picture'));

/** True while the pictures are drawn, at build time. */
export const DRAWING_PICTURES = typeof window === 'undefined';

const NAME = 'autocomplete'; // what tells the fields of a picture apart, and pairs them with the real ones
const typed = new Map<string, string>();
let typing: string | null = null;

function look(cover: HTMLElement): void {
  for (const input of cover.querySelectorAll('input')) typed.set(input.getAttribute(NAME) ?? '', input.value);
  if (cover.contains(document.activeElement)) typing = document.activeElement!.getAttribute(NAME);
}

/** What somebody has typed into the picture already. */
export function typedIntoPicture(autoComplete: string): string {
  const cover = picture();
  if (cover) look(cover);
  return typed.get(autoComplete) ?? '';
}

/** Takes the picture away. */
export function liftPicture(): void {
  const cover = picture();
  if (!cover) return;
  look(cover);
  cover.remove();
  resumeTyping();
}

/** Whoever was typing into the picture goes on in the real field. */
export function resumeTyping(): void {
  const field = typing && document.querySelector<HTMLInputElement>(`#root input[${NAME}="${typing}"]`);
  if (!field || picture()) return;
  typing = null;
  field.focus();
}
