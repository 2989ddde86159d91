import { emptyCase, withFact, type Case } from '@careful-latch/core/case';
import { OPENING, ZONES, besideSource, sitingPlan } from './siting-plan';
import type { Place } from './list';
import { WIDTH } from './spot';

const site = (facts: Record<string, unknown>): Case =>
  Object.entries(facts).reduce((c, [key, value]) => withFact(c, `siting.${key}`, value), emptyCase('2020'));

const apart = ([x, y, w, h]: Place, [a, b, v, i]: Place) => x + w <= a || a + v <= x || y + h <= b || b + i <= y;
/** The drawing's part above its plates. */
const within = ([x, y, w, h]: Place) => x >= 0 && y >= 0 && x + w <= WIDTH && y + h <= 204;

const NUMBERS = [
  {},
  { leastOpeningFt: 6, advisedOpeningFt: 6 },
  { advisedOpeningFt: 200 },
  { leastOpeningFt: 20, advisedOpeningFt: 25 },
];

test.each(NUMBERS)(
  'whatever an office’s limits, each target is large, in the drawing, and clear of the others: %j',
  (numbers) => {
    for (const makerFt of [undefined, 1, 10, 200]) {
      const { rings } = sitingPlan(site({ makerFt }), numbers);
      const targets = [...ZONES.map((one) => one.at), ...rings.flatMap(({ at }) => (at ? [at] : []))];
      expect(targets.length).toBeGreaterThanOrEqual(ZONES.length + 2);
      for (const [i, target] of targets.entries()) {
        expect(Math.min(target[2], target[3])).toBeGreaterThanOrEqual(48);
        expect(within(target)).toBe(true);
        for (const other of targets.slice(i + 1)) expect(apart(target, other)).toBe(true);
      }
    }
  },
);

test('every limit that is usual has its target', () => {
  expect(sitingPlan(site({ makerFt: 10 })).rings.map(({ feet, at }) => [feet, at !== undefined])).toEqual([
    [5, true],
    [10, true],
    [20, true],
    [25, true],
  ]);
});

test('the source stands on the ring of its distance, and what is farther stays in the drawing', () => {
  const far = (feet: number) => {
    const { source } = sitingPlan(site({ place: 'outdoors', openingFt: feet }));
    return { feet: Math.hypot(source.x - OPENING[0], source.y - OPENING[1]), source };
  };
  const { rings } = sitingPlan(site({}));
  expect(far(20).feet).toBeCloseTo(rings[1]!.radius, 5);
  expect(far(25).feet).toBeCloseTo(rings[2]!.radius, 5);
  expect(far(10).feet).toBeLessThan(far(20).feet);
  for (const feet of [0, 5, 25, 500]) expect(within(far(feet).source.at)).toBe(true);
});

test.each(['porch', 'garage', 'indoors'] as const)(
  'in the %s it stands there, and leaves the place itself to be touched',
  (place) => {
    const { source, place: here } = sitingPlan(site({ place, openingFt: 3 }));
    const zone = ZONES.find((one) => one.place === place)!;
    expect(here).toBe(place);
    expect(source.x > zone.at[0] && source.x < zone.at[0] + zone.at[2]).toBe(true);
    expect(apart(besideSource(zone.at), source.at)).toBe(true);
  },
);

test('what nobody has seen is not drawn as known', () => {
  expect(sitingPlan(site({ place: 'not-seen', openingFt: 'not-seen', exhaustAway: 'not-seen' }))).toMatchObject({
    place: undefined,
    openingFt: undefined,
    exhaust: undefined,
    source: { known: false },
  });
});
