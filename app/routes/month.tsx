import { Suspense, lazy } from 'react';
import { inside } from '../theme/inside';

const Shown = lazy(async () => ({ default: (await import('../docket/screens')).MonthScreen }));

export default inside(function MonthOfTheOffice() {
  return (
    <Suspense fallback={null}>
      <Shown />
    </Suspense>
  );
});
