import { Suspense, lazy } from 'react';
import { inside } from '../theme/inside';

const Shown = lazy(async () => ({ default: (await import('../people/screens')).OfficeListScreen }));

export default inside(function All() {
  return (
    <Suspense fallback={null}>
      <Shown />
    </Suspense>
  );
});
