import type { Inspection } from '@careful-latch/core/record';
import { homeOf } from '../inspections/screen-of';
import { Back } from '../theme/back';

/** Back from a screen of a house to the house. */
export const BackHome = ({ inspection }: { inspection: Inspection }) => (
  <Back to={homeOf(inspection)} label={inspection.header.address} />
);
