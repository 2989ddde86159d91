import { Suspense, lazy } from 'react';
import { inside } from '../theme/inside';

const Shown = lazy(async () => ({ default: (await import('../people/screens')).OwnAccountScreen }));

export default inside(function Account() {
  return (
    <Suspense fallback={null}>
      <Shown />
    </Suspense>
  );
});
