import { View } from 'react-native';
import { Plate } from '../plates/plate';
import type { Link } from '../stores/office';
import { dayText } from '../theme/dates';
import { cut, usePalette } from '../theme/theme';
import { Quiet, Words } from '../theme/words';

/** A link that was made just now. */
export interface Shown {
  readonly name: string;
  readonly link: Link;
  /** To a new password of somebody who has an account. */
  readonly reset: boolean;
}

/** A link to be sent: it is shown once, for only its hash is kept. */
export function ShownLink({ name, link, reset, onClose }: Shown & { onClose: () => void }) {
  const palette = usePalette();
  const address = `${window.location.origin}/join${reset ? '?for=password' : ''}#${link.token}`;
  return (
    <View style={[{ backgroundColor: palette.sheet, padding: 12, gap: 8 }, cut(10)]} testID="link">
      <Words style={{ fontWeight: '700' }}>{`For ${name}, to be used once until ${dayText(link.expiresAt)}`}</Words>
      <Words selectable style={{ fontSize: 16 }}>
        {address}
      </Words>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Plate role="button" label="Copy it" onPress={() => void navigator.clipboard?.writeText(address)} />
        <Plate role="button" quiet label="Close" onPress={onClose} />
      </View>
      <Quiet>It is not shown again. Send it to nobody else: whoever opens it first comes in.</Quiet>
    </View>
  );
}
