import { signInFor, wayOn } from './way-on';

test.each([
  ['/inspection/1/breaker', '/inspection/1/breaker'],
  ['/', '/'],
  [undefined, '/'],
  [['/new', '/new'], '/'],
  ['//elsewhere/path', '/'],
  ['/\\elsewhere/path', '/'],
  ['https://elsewhere/path', '/'],
  ['/sign-in', '/'],
])('after the sign-in, %j leads to %s', (to, on) => {
  expect(wayOn(to)).toBe(on);
});

test('the address asked for comes back from the sign-in; the list is no address to keep', () => {
  expect(wayOn(signInFor('/inspection/1/breaker').params.to)).toBe('/inspection/1/breaker');
  expect(signInFor('/').params).toEqual({});
});
