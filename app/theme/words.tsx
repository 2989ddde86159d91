import { Children, type ReactNode } from 'react';
import { Text, type TextProps } from 'react-native';
import { READING_FONT, TEXT_FONT, stylesOf, usePalette } from './theme';

type Props = TextProps & { color?: string };

const useStyles = stylesOf(({ ink }) => ({
  words: { fontFamily: TEXT_FONT, fontSize: 18, lineHeight: 25, color: ink },
  title: { fontSize: 28, lineHeight: 34, fontWeight: '700' },
  heading: { fontSize: 20, lineHeight: 26, fontWeight: '700' },
  quiet: { fontSize: 16, lineHeight: 22 },
  reading: { fontFamily: READING_FONT, fontWeight: '500', fontSize: 20, fontVariant: ['tabular-nums'] },
}));

/** Units that never stand at the beginning of a line, away from their number. */
const UNITED = /(\d) (?=(?:A|kA|V|W|kW|Ω|Hz|in|ft|lb-in|AWG|kcmil|%|°[CF]|in²|in³)(?![\w]))/g;
/** Two numbers that are read together, as in 7000 / 8750 W. */
const PAIRED = /(\d) \/ (\d)/g;
/** A text in which no number is parted from its unit. */
export const unitedText = (text: string): string =>
  text.replace(PAIRED, '$1\u00a0/\u00a0$2').replace(UNITED, '$1\u00a0');
const united = (one: ReactNode): ReactNode => (typeof one === 'string' ? unitedText(one) : one);

export function Words({ color, style, children, ...rest }: Props) {
  return (
    <Text {...rest} style={[useStyles().words, color ? { color } : null, style]}>
      {Array.isArray(children) ? Children.map(children as ReactNode[], united) : united(children)}
    </Text>
  );
}

export function Title({ style, ...rest }: Props) {
  return <Words role="heading" aria-level={1} {...rest} style={[useStyles().title, style]} />;
}

export function Heading({ style, ...rest }: Props) {
  return <Words role="heading" aria-level={2} {...rest} style={[useStyles().heading, style]} />;
}

export function Quiet({ style, color, ...rest }: Props) {
  const palette = usePalette();
  return <Words color={color ?? palette.quiet} {...rest} style={[useStyles().quiet, style]} />;
}

/** A number to be read at arm's length. */
export function Reading({ style, ...rest }: Props) {
  return <Words {...rest} style={[useStyles().reading, style]} />;
}
