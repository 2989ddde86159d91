import { requestOf } from './log';

test.each([
  ['/api/inspections?search=Marrow%20Lane', '/api/inspections'],
  ['/calendar/9f0c2b7d.ics?v=1', '/calendar/…'],
  ['/api/changes', '/api/changes'],
])('of a request to %s the log tells %s', (url, told) => {
  expect(requestOf({ id: 1, method: 'GET', url })).toEqual({ id: 1, method: 'GET', url: told });
});
