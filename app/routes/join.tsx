import { Suspense, lazy } from 'react';

const Shown = lazy(async () => ({ default: (await import('../docket/screens')).JoinScreen }));

export default function Join() {
  return (
    <Suspense fallback={null}>
      <Shown />
    </Suspense>
  );
}
