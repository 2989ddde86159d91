import type { Station } from '@careful-latch/core/case';
import { CORD } from './cord';
import { FEEDER } from './feeder';
import { GROUNDING } from './grounding';
import { INLET } from './inlet';
import { LABELS } from './labels';
import { NEUTRAL } from './neutral';
import { PANEL } from './panel';
import { SOURCE } from './source';
import type { Thing } from './thing';
import { FUNCTION, TRANSFER } from './transfer';

/** The things of the wall, by their station. */
export const THINGS: Readonly<Partial<Record<Station, Thing>>> = {
  source: SOURCE,
  cord: CORD,
  inlet: INLET,
  feeder: FEEDER,
  breaker: PANEL,
  panel: PANEL,
  labels: LABELS,
  neutral: NEUTRAL,
  grounding: GROUNDING,
  transfer: TRANSFER,
  function: FUNCTION,
};
