import type { Station } from '@careful-latch/core/case';
import { CORD } from './cord';
import { FEEDER } from './feeder';
import { INLET } from './inlet';
import { LABELS } from './labels';
import { PANEL } from './panel';
import { SOURCE } from './source';
import type { Thing } from './thing';

/** The things of the wall, by their station. */
export const THINGS: Readonly<Partial<Record<Station, Thing>>> = {
  source: SOURCE,
  cord: CORD,
  inlet: INLET,
  feeder: FEEDER,
  breaker: PANEL,
  panel: PANEL,
  labels: LABELS,
};
