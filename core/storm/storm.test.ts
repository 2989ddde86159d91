import fc from 'fast-check';
import { uuidOf } from '../test/inspection';
import {
  STORM_ASKS,
  STORM_RELEASES,
  nextAsk,
  readStormEntry,
  stormHouses,
  whyNotEntry,
  whyNotRelease,
  type KnownHouse,
  type SaidInStorm,
  type StormAnswers,
  type StormRelease,
} from '.';

const STORM = { id: uuidOf(1), name: 'Ice of November', day: '2026-11-26' };
const SAFE: StormAnswers = {
  source: 'off',
  cord: 'out',
  transfer: 'seen',
  damage: 'none',
  water: 'none',
  acts: 'owner',
};
let n = 10;
const said = (address: string, by: string, release?: StormRelease, answers: StormAnswers = SAFE): SaidInStorm => ({
  id: uuidOf(++n),
  storm: STORM.id,
  at: `2026-11-26T15:${String(n % 60).padStart(2, '0')}:00Z`,
  address,
  by,
  kind: release ? 'seen' : 'taken',
  ...(release && { release, answers: answers as never }),
});

test('a house is released where everything was seen, and all of it is off, out, dry and whole', () => {
  expect(whyNotRelease(SAFE, 'release')).toBeUndefined();
  const all = fc.record(
    Object.fromEntries(
      Object.entries(STORM_ASKS).map(([ask, { answers }]) => [
        ask,
        fc.constantFrom(undefined, ...Object.keys(answers)),
      ]),
    ),
  );
  fc.assert(
    fc.property(all, (answers) => {
      const given = answers as StormAnswers;
      const free = whyNotRelease(given, 'release') === undefined;
      expect(free).toBe(
        nextAsk(given) === undefined &&
          ['off', 'gone'].includes(given.source!) &&
          ['out', 'none'].includes(given.cord!) &&
          (given.transfer === 'seen' || (given.transfer === 'not-seen' && given.source === 'gone')) &&
          given.damage === 'none' &&
          given.water === 'none',
      );
      // What may be released may be called isolated too, and anything that is answered may be held back.
      if (free) expect(whyNotRelease(given, 'isolated')).toBeUndefined();
      if (nextAsk(given) === undefined) expect(whyNotRelease(given, 'hold')).toBeUndefined();
    }),
  );
});

test('a house with an order in force is not released, however it is written; held back or isolated it may be, and once the order is lifted released', () => {
  const order = (state: 'posted' | 'limited' | 'lifted') => [
    { address: '4 Alder Lane, Windfall', docket: { orders: [{ kind: 'do-not-use', ground: 'An outlet is fed.', state }] } },
  ] as unknown as KnownHouse[]; // prettier-ignore
  const why = (release: StormRelease, known: readonly KnownHouse[], address = '4 ALDER LANE, Windfall') =>
    whyNotEntry(STORM, said(address, 'Joss', release), known);
  for (const state of ['posted', 'limited'] as const)
    expect(why('release', order(state))).toMatch(/^An order is in force here \(do not use: An outlet is fed\.\)/);
  expect(why('release', order('lifted'))).toBeUndefined();
  expect(why('release', order('posted'), '5 Alder Lane, Windfall')).toBeUndefined();
  for (const release of ['isolated', 'hold'] as const) expect(why(release, order('posted'))).toBeUndefined();
});

test('an entry is of the day; on the next it is an inspection', () => {
  const one = said('4 Alder Lane', 'Joss', 'release');
  expect(whyNotEntry(STORM, one, [])).toBeUndefined();
  expect(whyNotEntry(STORM, { ...one, at: '2026-11-27T15:00:00Z' }, [])).toContain('is an inspection');
  expect(whyNotEntry(STORM, { ...one, release: undefined }, [])).toBe('Say whether the house is released.');
  expect(whyNotEntry(STORM, said('4 Alder Lane', 'Joss'), [])).toBeUndefined();
});

test('an entry reads back as it was; an answer that there is not is refused', () => {
  const { by: _, ...one } = said('4 Alder Lane', 'Joss', 'hold');
  expect(readStormEntry(JSON.parse(JSON.stringify(one)))).toEqual(one);
  expect(() => readStormEntry({ ...one, answers: { ...SAFE, cord: 'perhaps' } })).toThrow(
    'Cord: there is no such answer.',
  );
  expect(() => readStormEntry({ ...one, address: { toString: 'x' } })).toThrow('no name that can be kept');
  expect(Object.keys(STORM_RELEASES)).toHaveLength(3);
});

test('two people at one house clash however they write it; the gravest of what each said last holds', () => {
  const [house, other] = stormHouses(
    [
      said('12 Orchard  Loop', 'Joss', 'release'),
      said('12 orchard loop.', 'Ilse', 'hold', { ...SAFE, source: 'running' }),
      said('30 Ladder Lane', 'Joss'),
    ].toReversed(),
  );
  expect([other!.address, other!.clash]).toEqual(['12 Orchard  Loop', true]);
  expect([house!.address, house!.clash, house!.release]).toEqual(['30 Ladder Lane', false, undefined]);
  expect(other).toMatchObject({ people: ['Joss', 'Ilse'], release: 'hold' });
  const mended = stormHouses([...other!.seen, said('12 Orchard Loop', 'Ilse', 'release')]);
  expect(mended[0]).toMatchObject({ release: 'release', clash: true });
});
