import { Suspense, lazy } from 'react';
import { inside } from '../theme/inside';

const Shown = lazy(async () => ({ default: (await import('../people/screens')).RulesScreen }));

export default inside(function Rules() {
  return (
    <Suspense fallback={null}>
      <Shown />
    </Suspense>
  );
});
