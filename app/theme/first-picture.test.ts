import { liftPicture, typedIntoPicture } from './first-picture';

const field = (name: string, id = '') => `<input autocomplete="${name}" id="${id}">`;
const button = (name: string) => `<div role="button">${name}</div>`;
const page = (pictured: string, real: string) =>
  (document.body.innerHTML = `<div id="picture">${pictured}</div><div id="root">${real}</div>`);

test('what was typed into the picture is known by the field it was typed into', () => {
  page(field('username') + field('current-password'), field('username'));
  document.querySelector('input')!.value = 'o’harrow';
  expect(typedIntoPicture('username')).toBe('o’harrow');
  expect(typedIntoPicture('current-password')).toBe('');
  liftPicture();
  expect(typedIntoPicture('username')).toBe('');
});

test('whoever types into the picture goes on in the real field', () => {
  page(field('email'), field('email', 'real'));
  document.querySelector('input')!.focus();
  liftPicture();
  expect(document.getElementById('picture')).toBeNull();
  expect(document.activeElement?.id).toBe('real');
});

test('a button pressed in the picture is pressed when the real one is there, once', () => {
  const pressed = jest.fn();
  document.addEventListener('click', (event) => pressed((event.target as HTMLElement).textContent));
  page(button('Sign in'), button('Sign in to the demo') + button('Sign in'));
  globalThis.pressedInPicture = 'Sign in'; // by the script of the page
  liftPicture();
  page(button('Sign in'), button('Sign in'));
  liftPicture();
  expect(pressed.mock.calls).toEqual([['Sign in']]);
});

test('a picture that nobody typed into takes no focus along, and a page without one is left alone', () => {
  page(field('tel'), field('tel', 'real'));
  liftPicture();
  expect(document.activeElement).toBe(document.body);
  liftPicture();
  expect(document.getElementById('real')).not.toBeNull();
  expect(typedIntoPicture('tel')).toBe('');
});
