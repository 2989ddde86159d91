import type { Case } from '@careful-latch/core/case';
import type { Positions } from '@careful-latch/core/interlock';
import { Pen, type DisplayList } from './list';
import { Shown, type Thing } from './things/thing';

/** What a thing looks like, drawn from its facts. */
export function pictureOf(thing: Thing, shown: Shown, at: Positions = {}): DisplayList {
  const pen = new Pen();
  thing.draw(pen, shown, at);
  return pen.list();
}

/** What it looks like at a house; `entry`: which cord, stretch or circuit. */
export const pictureAt = (thing: Thing, site: Case, entry = 0): DisplayList =>
  pictureOf(thing, new Shown(site, thing.stations, entry));
