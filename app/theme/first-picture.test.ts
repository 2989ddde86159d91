import { liftPicture, resumeTyping, typedIntoPicture } from './first-picture';

const PICTURE = (field: string) => `<div id="picture"><input autocomplete="${field}"></div>`;
const SCREEN = (field: string) => `<div id="root"><input autocomplete="${field}" id="real"></div>`;

function typeInto(html: string, text: string) {
  document.body.innerHTML = html;
  document.querySelector('input')!.value = text;
  document.querySelector('input')!.focus();
}

test('what was typed into the picture is known by the field it was typed into', () => {
  typeInto(PICTURE('username'), 'o’harrow');
  expect(typedIntoPicture('username')).toBe('o’harrow');
  expect(typedIntoPicture('current-password')).toBe('');
});

test('whoever types into the picture goes on in the real field', () => {
  typeInto(PICTURE('email') + SCREEN('email'), 'x');
  liftPicture();
  expect(document.getElementById('picture')).toBeNull();
  expect(document.activeElement?.id).toBe('real');
});

test('what was typed is still known, and typing goes on, when the screen comes only after the picture has gone', () => {
  typeInto(PICTURE('name'), 'ilse');
  liftPicture();
  expect(typedIntoPicture('name')).toBe('ilse');
  document.body.innerHTML = SCREEN('name');
  resumeTyping();
  expect(document.activeElement?.id).toBe('real');
});

test('a picture that nobody typed into takes no focus along, and a page without one is left alone', () => {
  document.body.innerHTML = PICTURE('tel') + SCREEN('tel');
  liftPicture();
  expect(document.activeElement).toBe(document.body);
  liftPicture();
  expect(document.getElementById('real')).not.toBeNull();
  expect(typedIntoPicture('tel')).toBe('');
});
