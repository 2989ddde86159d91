import { withFact, type MechanismName, type Station, type TransferKind } from '@careful-latch/core/case';
import { mechanism, type Positions } from '@careful-latch/core/interlock';
import { partsOf } from '@careful-latch/core/walk';
import { THINGS } from '../app/drawn/things';
import type { DisplayList } from '../app/drawn/list';
import { pictureAt, pictureOf } from '../app/drawn/picture';
import { tagPlace } from '../app/drawn/tags';
import { Shown, type Thing } from '../app/drawn/things/thing';
import { valuesOf } from '../app/drawn/things/values';
import { soundHouses } from './sound-houses';

const HOUSES = soundHouses().map(([, site]) => site);
const things = [...new Set(Object.values(THINGS))];
const withoutOurWords = ({ areas, letterings }: DisplayList) =>
  JSON.stringify({ areas, letterings: letterings.filter((one) => one.whose === 'stamped') });

describe.each(things.flatMap((thing) => thing.shows.map((key): [string, Thing] => [key, thing])))(
  '%s',
  (key, thing) => {
    const values = valuesOf(key, HOUSES);
    test('is asked at one of the sound houses, or at one that is made for it', () =>
      expect(values.length).toBeGreaterThan(2));
    test('each of its values looks otherwise than all others, with our words taken away', () => {
      const looks = new Map<string, unknown>();
      for (const { path, value, site } of values) {
        const look = withoutOurWords(pictureAt(thing, withFact(site, path, value)));
        expect([value, looks.get(look)]).toEqual([value, undefined]);
        looks.set(look, value);
      }
    });
  },
);

test.each(Object.entries(THINGS))('%s: whatever is touched is within the drawing, and large enough for a thumb', (_, thing) => {
  const touched = [...Object.values(thing.places), ...Object.values(thing.tags).map(tagPlace)];
  const wrong = touched.filter(([x, y, width, height]) => x < 0 || y < 0 || x + width > 390 || width < 32 || height < 48);
  expect(wrong).toEqual([]);
}); // prettier-ignore

test.each(Object.entries(THINGS))('%s: each of its parts has a form, a tag or room for one', (station, thing) => {
  const without = partsOf(station as Station).filter(({ id }) => !thing.places[id] && !thing.tags[id]);
  expect(without.slice(thing.slots?.length ?? 0).map((one) => one.id)).toEqual([]);
});

test('what it is drawn from is only what this house is asked for, and what moves is drawn where it stands', () => {
  const [, site] = soundHouses().find(([name]) => name === 'interlock')!;
  const thing = THINGS.transfer!;
  const shut = JSON.stringify(pictureAt(thing, site));
  expect(JSON.stringify(pictureOf(thing, new Shown(site, thing.stations, 0), { utility: 1 }))).not.toBe(shut);
  expect(JSON.stringify(pictureOf(thing, new Shown(site, thing.stations, 0), { plate: 2 }))).not.toBe(shut);
  // A fact that is not asked here changes nothing.
  expect(JSON.stringify(pictureAt(thing, withFact(site, 'transfer.otherKind', 'meter-collar')))).toBe(shut);
});

const KIND_OF = {
  'sliding-plate': 'retrofit-interlock',
  'two-part-plate': 'retrofit-interlock',
  linkage: 'transfer-panel',
  'linked-mains': 'transfer-panel',
  'circuit-handles': 'load-side-switch',
  'double-throw': 'whole-house-manual',
  automatic: 'whole-house-automatic',
} as const;
test.each(Object.entries(KIND_OF) as [Exclude<MechanismName, 'other'>, TransferKind][])('%s: no picture of both sources joined is that of one or none', (name, kind) => {
  const [, sound] = soundHouses().find(([, one]) => one.transfer?.kind === kind)!;
  const site = withFact(sound, 'transfer.mechanism', name);
  const looks = (at: Positions) => JSON.stringify(pictureOf(THINGS.transfer!, new Shown(site, ['transfer'], 0), at));
  let joins = 0;
  for (const defects of [{}, { loose: true }, { trimmed: true }, { tieMissing: true }, { partsMissing: true }, { wrongSpacing: true }, { breakerNotHeld: true }, { coverOff: true }]) {
    const model = mechanism(name, defects);
    const states = Array.from({ length: model.size }, (_, state) => state);
    const apart = new Set(states.filter((one) => !model.parallel(one)).map((one) => looks(model.at(one))));
    for (const state of states.filter(model.parallel)) {
      joins++;
      expect([model.describe(state), apart.has(looks(model.at(state)))]).toEqual([model.describe(state), false]);
    }
  }
  expect(joins).toBeGreaterThan(0);
}); // prettier-ignore
