import { Suspense, lazy } from 'react';
import { inside } from '../theme/inside';

const Shown = lazy(async () => ({ default: (await import('../docket/screens')).NewScreen }));

export default inside(function New() {
  return (
    <Suspense fallback={null}>
      <Shown />
    </Suspense>
  );
});
