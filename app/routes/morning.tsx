import { Suspense, lazy } from 'react';
import { inside } from '../theme/inside';

const Shown = lazy(async () => ({ default: (await import('../docket/screens')).MorningScreen }));

export default inside(function Morning() {
  return (
    <Suspense fallback={null}>
      <Shown />
    </Suspense>
  );
});
