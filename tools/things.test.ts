import { withFact } from '@careful-latch/core/case';
import { THINGS } from '../app/drawn/things';
import type { DisplayList } from '../app/drawn/list';
import { pictureAt } from '../app/drawn/picture';
import type { Thing } from '../app/drawn/things/thing';
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
