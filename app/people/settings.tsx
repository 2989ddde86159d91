import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { inspects, isOutside, roleName } from '@careful-latch/core/record';
import { toSend } from '../inspection/save-line';
import { Plate, Plates } from '../plates/plate';
import { useInspections } from '../stores/inspections';
import { usePhotos } from '../stores/photos';
import { usePreferences } from '../stores/preferences';
import { signOut, useSession } from '../stores/session';
import { Overlay } from '../theme/overlay';
import { Heading, Quiet, Words } from '../theme/words';

/** Who is signed in, the office’s own screens, day or night, help on or off, and the way out. */
export function Settings({ onClose }: { onClose: () => void }) {
  const router = useRouter();
  const account = useSession((one) => one.account);
  const firm = useSession((one) => one.office?.firm);
  const waiting = useInspections((one) => one.waiting);
  const photos = usePhotos((one) => one.waiting);
  const inspector = account !== null && inspects(account.role);
  const { appearance, help, leftHanded, setAppearance, setHelp, setLeftHanded } = usePreferences();
  const go = (
    screen: '/morning' | '/calendar' | '/month' | '/storm' | '/keeping' | '/all' | '/rules' | '/people' | '/account',
  ) => {
    onClose();
    router.navigate(screen as never);
  };
  return (
    <Overlay label="Settings" onClose={onClose}>
      <View>
        <Heading>{account?.name}</Heading>
        {account && <Quiet>{[roleName(account.role), firm].filter(Boolean).join(', ')}</Quiet>}
      </View>
      <Words style={{ fontWeight: '700' }}>Appearance</Words>
      <Plates label="Appearance">
        {(['device', 'day', 'night'] as const).map((one) => (
          <Plate
            key={one}
            label={{ device: 'As the device', day: 'Day', night: 'Night' }[one]}
            selected={appearance === one}
            onPress={() => setAppearance(one)}
          />
        ))}
      </Plates>
      <Words style={{ fontWeight: '700' }}>Help under each fact</Words>
      <Plates label="Help under each fact">
        <Plate label="Shown" selected={help} onPress={() => setHelp(true)} />
        <Plate label="Folded away" selected={!help} onPress={() => setHelp(false)} />
      </Plates>
      <Words style={{ fontWeight: '700' }}>Hand</Words>
      <Plates label="Hand">
        <Plate label="Right" selected={!leftHanded} onPress={() => setLeftHanded(false)} />
        <Plate label="Left" selected={leftHanded} onPress={() => setLeftHanded(true)} />
      </Plates>
      <Quiet>
        {waiting + photos > 0
          ? `${toSend(waiting, photos)} not sent yet: they stay on this phone when you sign out, and go when you sign in here again.`
          : 'Signing out takes off this phone what the office has.'}
      </Quiet>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Plate role="button" label="Morning" onPress={() => go('/morning')} />
        <Plate role="button" label="Calendar" onPress={() => go('/calendar')} />
        {inspector && <Plate role="button" label="Storm day" onPress={() => go('/storm')} />}
        {inspector && <Plate role="button" label="Month" onPress={() => go('/month')} />}
        <Plate
          role="button"
          label={account && isOutside(account.role) ? 'All of yours' : 'All of the office'}
          onPress={() => go('/all')}
        />
        {account && !isOutside(account.role) && (
          <Plate role="button" label="Rules of the office" onPress={() => go('/rules')} />
        )}
        {(account?.role === 'lead' || account?.role === 'firm-lead') && (
          <Plate role="button" label="People" onPress={() => go('/people')} />
        )}
        {account?.role === 'lead' && <Plate role="button" label="Kept, and destroyed" onPress={() => go('/keeping')} />}
        <Plate role="button" label="Password, sessions" onPress={() => go('/account')} />
      </View>
      <View style={{ flexDirection: 'row', gap: 8, justifyContent: 'space-between' }}>
        <Plate role="button" quiet label="Sign out" onPress={() => void signOut()} />
        <Plate role="button" label="Close" onPress={onClose} />
      </View>
    </Overlay>
  );
}
