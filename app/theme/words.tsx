import { Text } from './elements';
import type { TextProps } from 'react-native';
import { READING_FONT, usePalette } from './theme';

type Props = TextProps & { color?: string };

export const Words = ({ color, style, ...rest }: Props) => <Text {...rest} style={[color ? { color } : null, style]} />;

export const Title = ({ style, ...rest }: Props) => (
  <Words role="heading" aria-level={1} {...rest} style={[{ fontSize: 28, lineHeight: 34, fontWeight: '700' }, style]} />
);

export const Heading = ({ style, ...rest }: Props) => (
  <Words role="heading" aria-level={2} {...rest} style={[{ fontSize: 20, lineHeight: 26, fontWeight: '700' }, style]} />
);

export function Quiet({ style, color, ...rest }: Props) {
  const palette = usePalette();
  return <Words color={color ?? palette.quiet} {...rest} style={[{ fontSize: 16, lineHeight: 22 }, style]} />;
}

/** A number to be read at arm's length. */
export const Reading = ({ style, ...rest }: Props) => (
  <Words
    {...rest}
    style={[{ fontFamily: READING_FONT, fontWeight: '500', fontSize: 20, fontVariant: ['tabular-nums'] }, style]}
  />
);
