import { NIGHT, type Palette } from '../theme/palette';
import type { Ink } from './list';

const channels = (hex: string) => [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16));
const mix = (over: string, ink: string, share: number): string =>
  `#${channels(over)
    .map((one, i) =>
      Math.round(one + (channels(ink)[i]! - one) * share)
        .toString(16)
        .padStart(2, '0'),
    ) // prettier-ignore
    .join('')}`;

/** Night turns the paper, not the things: what is black stays darker than the paper, what is white lighter. */
function made(palette: Palette): Readonly<Record<Ink, string>> {
  const { paper, ink, sheet, quiet, hairline, copper, violation, unproven } = palette;
  const own = { paper, ink, sheet, quiet, hairline, copper, violation, unproven };
  return palette === NIGHT
    ? {
        ...own,
        steel: mix(paper, ink, 0.1),
        body: mix(paper, ink, 0.2),
        bar: mix(paper, ink, 0.34),
        dark: mix(paper, '#000000', 0.55),
        light: mix(paper, ink, 0.88),
        onLight: paper,
        jacket: '#0B1418',
        onJacket: ink,
        aluminum: '#C9D2D6',
      }
    : {
        ...own,
        steel: mix(paper, ink, 0.07),
        body: mix(paper, ink, 0.17),
        bar: mix(paper, ink, 0.34),
        dark: ink,
        light: sheet,
        onLight: ink,
        jacket: mix(paper, ink, 0.88),
        onJacket: paper,
        aluminum: '#B4BCC0',
      };
}

const known = new Map<Palette, Readonly<Record<Ink, string>>>();

/** The colors of a theme's things. */
export function inksOf(palette: Palette): Readonly<Record<Ink, string>> {
  const inks = known.get(palette) ?? made(palette);
  known.set(palette, inks);
  return inks;
}
