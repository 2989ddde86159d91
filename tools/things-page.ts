import { STATION_NAMES, factLabel, listPathOf, withFact, type Case, type Station } from '@careful-latch/core/case';
import { partsOf } from '@careful-latch/core/walk';
import { pictureAt } from '../app/drawn/picture';
import { THINGS } from '../app/drawn/things';
import type { Thing } from '../app/drawn/things/thing';
import { valuesOf } from '../app/drawn/things/values';
import { soundHouses } from './sound-houses';

const labelOf = (key: string): string => {
  const list = listPathOf(key);
  const label = factLabel(list === undefined ? key : `${list}[0]${key.slice(list.length)}`);
  return label.replace(/ \(\w+ 1\)$/, '');
};

/** Whether a fact changes what is stamped alone: no line of the picture is otherwise between any two of its known values. */
function isStamp(thing: Thing, key: string, houses: readonly Case[]): boolean {
  const known = valuesOf(key, houses).slice(2);
  const forms = known.map(({ path, value, site }) =>
    JSON.stringify(pictureAt(thing, withFact(site, path, value)).areas),
  );
  return new Set(forms).size === 1;
}

/** docs/things.md: what each picture shows, what of it is stamped alone, and what no eye sees. */
export function thingsPage(): string {
  const houses = soundHouses().map(([, site]) => site);
  const said = (keys: readonly string[]) => (keys.length === 0 ? 'nothing' : keys.map(labelOf).join('; '));
  const sections = Object.entries(THINGS).map(([station, thing]) => {
    const keys = partsOf(station as Station).flatMap((part) => part.keys);
    const shown = [...new Set(keys.filter((key) => thing.shows.includes(key)))];
    const stamps = shown.filter((key) => isStamp(thing, key, houses));
    return [
      `## ${STATION_NAMES[station as Station]}`,
      `Drawn in its form: ${said(shown.filter((key) => !stamps.includes(key)))}.`,
      `Stamped alone: ${said(stamps)}.`,
      `On tags, for no picture shows it: ${said([...new Set(keys.filter((key) => !shown.includes(key)))])}.`,
    ].join('\n\n');
  });
  return [
    '# What the drawings show',
    'Written by `npm run docs` from the drawings themselves; `npm run things` draws them all on one page.',
    ...sections,
  ].join('\n\n');
}
