import { Suspense, lazy } from 'react';
import { useWalk } from '../inspection/use-inspection';

const load = () => import('./screens');
const SCREENS = {
  decide: lazy(async () => ({ default: (await load()).DecisionForm })),
  record: lazy(async () => ({ default: (await load()).RecordScreen })),
  paper: lazy(async () => ({ default: (await load()).PaperScreen })),
  history: lazy(async () => ({ default: (await load()).HistoryScreen })),
  visit: lazy(async () => ({ default: (await load()).VisitScreen })),
};

/** A screen of what the office follows up at a house; it comes once it is asked for, for the walk needs none of it. */
export function DocketScreen({ name }: { name: keyof typeof SCREENS }) {
  const walk = useWalk();
  const Screen = SCREENS[name];
  return walk ? (
    <Suspense fallback={null}>
      <Screen walk={walk} />
    </Suspense>
  ) : null;
}
