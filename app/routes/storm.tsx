import { Suspense, lazy } from 'react';
import { inside } from '../theme/inside';

const Shown = lazy(async () => ({ default: (await import('../storm/storm-screen')).StormScreen }));

export default inside(function StormDay() {
  return (
    <Suspense fallback={null}>
      <Shown />
    </Suspense>
  );
});
