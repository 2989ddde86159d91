import { memo, type ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import Svg, { Path, Text as SvgText } from 'react-native-svg';
import type { PartHere, PartState } from '@careful-latch/core/walk';
import { READING_FONT, TEXT_FONT, usePalette } from '../theme/theme';
import type { Palette } from '../theme/palette';
import { unitedText } from '../theme/words';
import type { Place } from './list';
import { Sign } from './signs';

/** A part as a drawing shows it. */
export interface Seen {
  readonly id: string;
  readonly name: string;
  readonly state: PartState;
  /** What is recorded, in a few readings; empty where nobody has looked. */
  readonly value: string;
  readonly inHand: boolean;
}

/** A part of a station as it hangs in a thing. */
export interface Hung extends Seen {
  readonly here: PartHere;
  /** Whether a record of it contradicts another. */
  readonly doubted: boolean;
}

export const WIDTH = 358;

/** Hairline where nobody has looked, solid where known, broken where violated. */
function lineOf(palette: Palette, state: PartState) {
  switch (state) {
    case 'hazard':
    case 'violated':
      return { stroke: palette.violation, strokeWidth: 3, strokeDasharray: '16 6' };
    case 'known':
      return { stroke: palette.ink, strokeWidth: 2.5 };
    case 'open':
      return { stroke: palette.unproven, strokeWidth: 2, strokeDasharray: '5 4' };
    default:
      return { stroke: palette.quiet, strokeWidth: 1 };
  }
}

const SIGN = {
  hazard: 'violation',
  violated: 'violation',
  known: 'holds',
  open: 'unproven',
  untouched: 'unproven',
} as const;
const STATE_WORDS = {
  hazard: 'hazard',
  violated: 'violated',
  known: 'known',
  open: 'not finished',
  untouched: 'nobody has looked',
} as const;

/** A text in as many lines as there is room for. */
function lines(text: string, width: number, letter: number, most: number): readonly string[] {
  const letters = Math.floor((width - 14) / letter);
  const made: string[] = [];
  let line = '';
  for (const word of unitedText(text).split(' ')) {
    if (line !== '' && line.length + 1 + word.length > letters) {
      made.push(line);
      line = word;
    } else line = line === '' ? word : `${line} ${word}`;
  }
  made.push(line);
  if (made.length <= most) return made.map((one) => short(one, width, letter));
  return [...made.slice(0, most - 1), short(made.slice(most - 1).join(' '), width, letter)];
}

const short = (text: string, width: number, letter: number) => {
  const most = Math.floor((width - 14) / letter);
  return text.length > most ? `${text.slice(0, most - 1)}…` : text;
};

/** A part drawn as a plate on the wall: its outline says how it stands, its name and reading what it is. Drawn anew where one of these changed. */
const Spot = memo(function Spot({
  at: [x, y, width, height],
  drawing,
  ...seen
}: Seen & { at: Place; drawing?: ReactNode }) {
  const palette = usePalette();
  const line = lineOf(palette, seen.state);
  const outline = `M${x} ${y}H${x + width - 9}L${x + width} ${y + 9}V${y + height}H${x}Z`;
  const color = seen.state === 'violated' || seen.state === 'hazard' ? palette.violation : palette.ink;
  return (
    <>
      <Path d={outline} fill={palette.sheet} {...line} />
      {seen.inHand && (
        <Path
          d={`M${x - 4} ${y - 4}H${x + width - 6}L${x + width + 4} ${y + 6}V${y + height + 4}H${x - 4}Z`}
          fill="none"
          stroke={palette.copper}
          strokeWidth={3}
        />
      )}
      <SvgText
        x={x + 8}
        y={y + 18}
        fontFamily={TEXT_FONT}
        fontSize={14}
        fill={seen.value ? palette.quiet : palette.ink}
      >
        {short(seen.name, width - (seen.state === 'untouched' ? 0 : 18), 7)}
      </SvgText>
      {seen.value !== '' &&
        lines(seen.value, width, 8.4, Math.max(1, Math.floor((height - 24) / 16))).map((line, i) => (
          <SvgText
            key={i}
            x={x + 8}
            y={y + 37 + i * 16}
            fontFamily={READING_FONT}
            fontWeight="500"
            fontSize={14}
            fill={color}
          >
            {line}
          </SvgText>
        ))}
      {drawing}
    </>
  );
});

const percent = (part: number, of: number) => `${(part / of) * 100}%` as const;

/** Lies over a place of a drawing, whatever its size on the screen. */
export const placed = ([x, y, width, tall]: Place, height: number, of = WIDTH) =>
  ({
    position: 'absolute',
    left: percent(x, of),
    top: percent(y, height),
    width: percent(width, of),
    height: percent(tall, height),
  }) as const;

/** Where a part hangs, and how wide and high the drawing is. */
interface In {
  readonly at: Place;
  readonly of: number;
  readonly height: number;
}

/** The sign of a part, at its corner: how it stands is told by shape, too. */
const Corner = memo(function Corner({ state, at: [x, y, width], of, height }: Pick<Seen, 'state'> & In) {
  if (state === 'untouched') return null;
  return (
    <View
      pointerEvents="none"
      style={{ position: 'absolute', left: percent(x + width - 26, of), top: percent(y + 10, height) }}
    >
      <Sign kind={SIGN[state]} hazard={state === 'hazard'} size={state === 'hazard' ? 20 : 16} />
    </View>
  );
});

/** A drawing with its parts as targets over it: real buttons in walking order; the picture itself is hidden from screen readers. */
export function Sheet({
  width: of = WIDTH,
  height,
  parts,
  places,
  onTouch,
  children,
  over,
  drawings = {},
}: {
  /** Of the drawing, in its own units; a phone’s by default. */
  width?: number;
  height: number;
  parts: readonly Seen[];
  places: Readonly<Record<string, Place>>;
  onTouch: (id: string) => void;
  children?: ReactNode;
  /** What else is touched in the drawing, beside its parts. */
  over?: ReactNode;
  drawings?: Readonly<Record<string, ReactNode>>;
}) {
  const here = parts.flatMap((seen) => {
    const at = places[seen.id.split(' ')[0]!];
    return at ? [[seen, at] as const] : [];
  });
  return (
    <View style={{ width: '100%', aspectRatio: of / height, maxWidth: of * 1.8, alignSelf: 'center' }}>
      <Svg width="100%" height="100%" viewBox={`0 0 ${of} ${height}`} aria-hidden>
        {children}
        {here.map(([seen, at]) => (
          <Spot key={seen.id} {...seen} at={at} drawing={drawings[seen.id.split(' ')[0]!]} />
        ))}
      </Svg>
      {here.map(([seen, at]) => (
        <Corner key={seen.id} state={seen.state} at={at} of={of} height={height} />
      ))}
      {over}
      {here.map(([seen, at]) => (
        <Target key={seen.id} {...seen} at={at} of={of} height={height} onTouch={onTouch} />
      ))}
    </View>
  );
}

/** What is touched: invisible over its drawing. */
export const Target = memo(function Target({
  id,
  name,
  value,
  state,
  inHand,
  at,
  of,
  height,
  onTouch,
}: Seen & In & { onTouch: (id: string) => void }) {
  return (
    <Pressable
      role="button"
      aria-label={`${name}${value ? `, ${value}` : ''}, ${STATE_WORDS[state]}`}
      aria-pressed={inHand}
      testID={`part-${id}`}
      onPress={() => onTouch(id)}
      style={placed(at, height, of)}
    />
  );
});
