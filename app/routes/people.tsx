import { Suspense, lazy } from 'react';
import { inside } from '../theme/inside';

const Shown = lazy(async () => ({ default: (await import('../people/screens')).PeopleScreen }));

export default inside(function People() {
  return (
    <Suspense fallback={null}>
      <Shown />
    </Suspense>
  );
});
