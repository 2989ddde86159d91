import { Suspense, lazy } from 'react';
import { inside } from '../theme/inside';

const Shown = lazy(async () => ({ default: (await import('../inspections/new-screen')).NewScreen }));

export default inside(function New() {
  return (
    <Suspense fallback={null}>
      <Shown />
    </Suspense>
  );
});
