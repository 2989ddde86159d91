/** npm run things [-- FILE]: every thing as each sound house and each value of its facts has it, both themes, on one page. */
import { writeFileSync } from 'node:fs';
import { withFact, type Case } from '@careful-latch/core/case';
import { inksOf } from '../app/drawn/inks';
import { svgOf } from '../app/drawn/svg';
import { pictureAt } from '../app/drawn/picture';
import { THINGS } from '../app/drawn/things';
import { THING_WIDTH } from '../app/drawn/things/thing';
import { valuesOf } from '../app/drawn/things/values';
import { DAY, NIGHT } from '../app/theme/palette';
import { soundHouses } from './sound-houses';

const houses = soundHouses();
const only = process.argv[3];
const figures = Object.entries(THINGS)
  .filter(([station]) => only === undefined || station === only)
  .flatMap(([station, thing]) => {
    const shown = (title: string, site: Case) =>
      [DAY, NIGHT].map(
        (palette) =>
          `<figure style="background:${palette.paper};color:${palette.ink}"><svg width="${THING_WIDTH}" height="${thing.height}" viewBox="0 0 ${THING_WIDTH} ${thing.height}">${svgOf(pictureAt(thing, site), inksOf(palette))}</svg><figcaption>${title}</figcaption></figure>`,
      );
    return [
      `<h2>${station}</h2>`,
      ...houses.flatMap(([name, site]) => shown(name, site)),
      ...thing.shows.flatMap((key) =>
        valuesOf(
          key,
          houses.map(([, site]) => site),
        ).flatMap(({ path, value, site }) => shown(`${key}: ${String(value)}`, withFact(site, path, value))),
      ),
    ];
  });
const file = process.argv[2] ?? 'things.html';
writeFileSync(
  file,
  `<!doctype html><meta charset="utf-8"><title>Things</title><style>body{font:14px sans-serif;display:flex;flex-wrap:wrap;gap:8px}h2{width:100%}figure{margin:0;padding:4px}</style>${figures.join('\n')}`,
);
console.log(`${file}: ${figures.length} pictures`);
