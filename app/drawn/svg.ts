import type { Ink } from './list';
import { DEPTH, type DisplayList } from './list';

const escaped = (words: string) => words.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/"/g, '&quot;');

/** A display list as the inside of an SVG, for paper and for the page of all things. */
export function svgOf({ areas, letterings }: DisplayList, inks: Readonly<Record<Ink, string>>): string {
  const filled = areas.map(({ depth, d, fill, stroke, width, dash }) => ({
    depth: DEPTH[depth],
    text: `<path d="${d}" fill="${fill ? inks[fill] : 'none'}"${stroke ? ` stroke="${inks[stroke]}" stroke-width="${width ?? 1}"` : ''}${dash === undefined ? '' : ` stroke-dasharray="${dash}"`}/>`,
  }));
  const written = letterings.map(({ depth, x, y, words, size, ink, anchor, face, bold }) => ({
    depth: DEPTH[depth],
    text: `<text x="${x}" y="${y}" font-family="${face === 'mono' ? 'IBM Plex Mono, monospace' : 'Atkinson Hyperlegible, sans-serif'}" font-size="${size}" font-weight="${bold ? 700 : face === 'mono' ? 500 : 400}" fill="${inks[ink]}" text-anchor="${anchor}">${escaped(words)}</text>`,
  }));
  return [...filled, ...written]
    .toSorted((a, b) => a.depth - b.depth)
    .map((one) => one.text)
    .join('');
}
