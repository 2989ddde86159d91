import { memo } from 'react';
import Svg, { Path } from 'react-native-svg';
import { LinkArea } from './link-area';
import { TARGET, usePalette } from './theme';
import { Words } from './words';

/** Back to where this belongs; never loses anything. */
export const Back = memo(function Back({ to, label }: { to: string; label: string }) {
  const palette = usePalette();
  return (
    <LinkArea
      to={to}
      aria-label={`Back to ${label}`}
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: 6,
        minHeight: TARGET,
        alignSelf: 'flex-start',
        paddingRight: 12,
      }}
    >
      <Svg width={18} height={18} viewBox="0 0 18 18" aria-hidden>
        <Path d="M12 2 L5 9 L12 16" fill="none" stroke={palette.ink} strokeWidth={2.5} />
      </Svg>
      <Words numberOfLines={1} style={{ fontSize: 17, fontWeight: '700' }}>
        {label}
      </Words>
    </LinkArea>
  );
});
