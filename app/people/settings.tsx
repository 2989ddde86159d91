import type { ReactNode } from 'react';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { inspects, isOutside, roleName } from '@careful-latch/core/record';
import { toSend } from '../inspection/save-line';
import { Plate, Plates } from '../plates/plate';
import { useInspections } from '../stores/inspections';
import { usePhotos } from '../stores/photos';
import { usePreferences } from '../stores/preferences';
import { signOut, useSession } from '../stores/session';
import { Page } from '../theme/overlay';
import { useWide } from '../theme/screen';
import { Heading, Quiet, Words } from '../theme/words';

type Screen = '/morning' | '/calendar' | '/month' | '/storm' | '/keeping' | '/all' | '/rules' | '/people' | '/account';

/** Who is signed in, the office’s own screens, day or night, help on or off, and the way out. */
export function Settings({ onClose }: { onClose: () => void }) {
  const router = useRouter();
  const account = useSession((one) => one.account);
  const firm = useSession((one) => one.office?.firm);
  const waiting = useInspections((one) => one.waiting);
  const photos = usePhotos((one) => one.waiting);
  const inspector = account !== null && inspects(account.role);
  const { appearance, help, leftHanded, setAppearance, setHelp, setLeftHanded } = usePreferences();
  const go = (screen: Screen) => {
    onClose();
    router.navigate(screen as never);
  };
  const wide = useWide();
  const outside = account !== null && isOutside(account.role);
  const places: readonly (readonly [label: string, screen: Screen])[] = [
    ['Morning', '/morning'],
    ['Calendar', '/calendar'],
    ...(inspector
      ? ([
          ['Storm day', '/storm'],
          ['Month', '/month'],
        ] as const)
      : []),
    [outside ? 'All of yours' : 'All of the office', '/all'],
    ...(account && !outside ? ([['Rules of the office', '/rules']] as const) : []),
    ...(account?.role === 'lead' || account?.role === 'firm-lead' ? ([['People', '/people']] as const) : []),
    ...(account?.role === 'lead' ? ([['Kept, and destroyed', '/keeping']] as const) : []),
    ['Password, sessions', '/account'],
  ];
  const half = { flexGrow: 1, flexBasis: wide ? '30%' : '46%', minHeight: 56 } as const;
  return (
    <Page
      label="Settings"
      onClose={onClose}
      act={
        <View style={{ gap: 8 }}>
          <Quiet>
            {waiting + photos > 0
              ? `${toSend(waiting, photos)} not sent yet: they stay on this phone when you sign out, and go when you sign in here again.`
              : 'Signing out takes off this phone what the office has.'}
          </Quiet>
          <View style={{ flexDirection: 'row', gap: 8, justifyContent: 'space-between' }}>
            <Plate role="button" quiet label="Sign out" onPress={() => void signOut()} />
            <Plate role="button" label="Close" onPress={onClose} />
          </View>
        </View>
      }
    >
      <View>
        <Heading>{account?.name}</Heading>
        {account && <Quiet>{[roleName(account.role), firm].filter(Boolean).join(', ')}</Quiet>}
      </View>
      <View role="navigation" aria-label="Places" style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {places.map(([label, screen]) => (
          <Plate key={screen} role="button" label={label} style={half} onPress={() => go(screen)} />
        ))}
      </View>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 24, rowGap: 12, marginTop: 12 }}>
        <Choice label="Appearance">
          {(['device', 'day', 'night'] as const).map((one) => (
            <Plate
              key={one}
              label={{ device: 'As the device', day: 'Day', night: 'Night' }[one]}
              selected={appearance === one}
              onPress={() => setAppearance(one)}
            />
          ))}
        </Choice>
        <Choice label="Help under each fact">
          <Plate label="Shown" selected={help} onPress={() => setHelp(true)} />
          <Plate label="Folded away" selected={!help} onPress={() => setHelp(false)} />
        </Choice>
        <Choice label="Hand">
          <Plate label="Right" selected={!leftHanded} onPress={() => setLeftHanded(false)} />
          <Plate label="Left" selected={leftHanded} onPress={() => setLeftHanded(true)} />
        </Choice>
      </View>
    </Page>
  );
}

function Choice({ label, children }: { label: string; children: ReactNode }) {
  return (
    <View style={{ gap: 6 }}>
      <Words style={{ fontWeight: '700' }}>{label}</Words>
      <Plates label={label}>{children}</Plates>
    </View>
  );
}
