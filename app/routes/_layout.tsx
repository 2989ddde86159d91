import { Slot } from 'expo-router';
import { useEffect } from 'react';
import { resume } from '../stores/session';
import { DRAWING_PICTURES } from '../theme/first-picture';
import { Appearance } from '../theme/theme';

export { ErrorBoundary } from '../theme/error-boundary';

// Asked before anything is drawn, so that the first screen need not wait for it.
if (!DRAWING_PICTURES) void resume();

export default function Layout() {
  useEffect(() => {
    if ('serviceWorker' in navigator && process.env.NODE_ENV === 'production')
      void navigator.serviceWorker.register('/worker.js');
  }, []);
  return (
    <Appearance>
      <Slot />
    </Appearance>
  );
}
