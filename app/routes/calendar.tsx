import { Suspense, lazy } from 'react';
import { inside } from '../theme/inside';

const Shown = lazy(async () => ({ default: (await import('../docket/screens')).CalendarScreen }));

export default inside(function CalendarOfTheOffice() {
  return (
    <Suspense fallback={null}>
      <Shown />
    </Suspense>
  );
});
