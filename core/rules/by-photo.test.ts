import { metaOf } from '../case';
import { BY_PHOTO, mayBeByPhoto } from './by-photo';
import { RULES } from '.';

const named = (id: string) => RULES.find((rule) => rule.id === id)!;

test('where the office says nothing else a photo settles labels, the directory and closed openings, and nothing more', () => {
  const labels = RULES.filter(({ id }) => id.startsWith('labels/')).map(({ id }) => id);
  expect(labels.length).toBeGreaterThan(3);
  expect([...BY_PHOTO].sort()).toEqual([...labels, 'panel/directory-true', 'panel/openings-closed'].sort());
});

test.each([
  ['panel/directory-true', true],
  ['panel/openings-closed', true],
  ['inlet/lockable', true],
  ['cord/outdoor-hard-usage', true],
  ['cord/ampacity', false], // measured
  ['cord/locks-and-pull-tested', false], // tried by hand
  ['breaker/held-down', false],
  ['neutral/matrix', false],
  ['transfer/no-outlet-backfeed', false],
])('%s: an office may let a photo settle it: %s', (id, may) => {
  expect(named(id)).toBeDefined();
  expect(mayBeByPhoto(named(id))).toBe(may);
});

test('no office lets a photo settle a hazard, or what was measured at the station', () => {
  const may = RULES.filter(mayBeByPhoto);
  expect(may.map(({ severity }) => severity)).not.toContain('hazard');
  const measured = may.filter(({ station, facts }) =>
    facts.some((fact) => fact.startsWith(`${station}.`) && metaOf(fact).kind === 'amount'),
  );
  expect(measured).toEqual([]);
});
