import { Button } from './elements';
import type { ErrorBoundaryProps } from 'expo-router';
import { useEffect } from 'react';
import { View } from 'react-native';
import { liftPicture } from './first-picture';
import { Appearance, usePalette } from './theme';
import { Quiet, Title } from './words';

function Trouble({ error, retry }: ErrorBoundaryProps) {
  const palette = usePalette();
  useEffect(liftPicture, []);
  return (
    <View style={{ flex: 1, backgroundColor: palette.paper, padding: 24, justifyContent: 'center', gap: 16 }}>
      <Title>This screen failed</Title>
      <Quiet>
        Nothing that was entered is lost: it is kept on this phone. Open the screen again; if it fails again, go back to
        the list.
      </Quiet>
      <Quiet>{error.message}</Quiet>
      <Button title="Open it again" onPress={() => void retry()} />
    </View>
  );
}

/** What a screen shows when it fails: what happened, that nothing was lost, and what to do. */
export function ErrorBoundary(props: ErrorBoundaryProps) {
  return (
    <Appearance>
      <Trouble {...props} />
    </Appearance>
  );
}
