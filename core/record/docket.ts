import type { Appeals } from './kinds/appeal';
import type { Conditions } from './kinds/condition';
import type { Holds } from './kinds/hold';
import type { Installers } from './kinds/installer';
import type { Orders } from './kinds/order';
import type { Papers, SeenOfDecisions } from './kinds/paper';
import type { Permits } from './kinds/permit';
import type { SeenOfFindings, Violations } from './kinds/violation';
import type { Visits } from './kinds/visit';

/** What the office follows up at a house; each kind has its own file in `kinds`. */
export type Docket = Violations & Orders & Conditions & Visits & Papers & Appeals & Permits & Installers & Holds;

export const EMPTY_DOCKET: Docket = { violations: [], notTakenUp: [], orders: [], conditions: [], visits: [] };

/** What the docket cannot know by itself: what the engine still finds, and what was signed. */
export type Seen = SeenOfFindings & SeenOfDecisions;
