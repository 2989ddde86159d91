import { Suspense, lazy } from 'react';
import { inside } from '../theme/inside';

const Shown = lazy(async () => ({ default: (await import('../docket/screens')).KeepingScreen }));

export default inside(function KeepingOfTheOffice() {
  return (
    <Suspense fallback={null}>
      <Shown />
    </Suspense>
  );
});
