import { NOT_SEEN } from '@careful-latch/core/case';
import { n, type Place } from './geometry';

export { arc, box, cutBox, dot, line, type Place } from './geometry';

/** What a line or an area is, of which the theme makes a color. Outcome colors never color a thing. */
export type Ink =
  | 'ink'
  | 'paper'
  | 'sheet'
  | 'quiet'
  | 'hairline'
  | 'copper'
  /** Ink laid thinly over paper: a cover, a body, a bar. */
  | 'steel'
  | 'body'
  | 'bar'
  /** The throw of a handle, slots, a recess; what lies light in it, and what is stamped on that. */
  | 'dark'
  | 'light'
  | 'onLight'
  /** Black rubber, and the legend along it. */
  | 'jacket'
  | 'onJacket'
  | 'aluminum'
  | 'violation'
  | 'unproven';

/** What lies over what: marks of one depth do not overlap, so that all of one style are one path. */
export const DEPTH = {
  ground: 0,
  box: 1,
  boxLine: 2,
  inside: 3,
  wire: 4,
  wireCore: 5,
  wireMark: 6,
  body: 7,
  recess: 8,
  metal: 9,
  handle: 10,
  fitting: 11,
  stamp: 12,
  over: 13,
  overLine: 14,
  overStamp: 15,
  frame: 16,
  frameLine: 17,
  tag: 18,
  tagLine: 19,
} as const;
type Depth = keyof typeof DEPTH;

interface Style {
  readonly fill?: Ink;
  readonly stroke?: Ink;
  readonly width?: number;
  readonly dash?: string;
}

export interface Area extends Style {
  readonly depth: Depth;
  readonly d: string;
}
export interface Lettering {
  readonly depth: Depth;
  readonly x: number;
  readonly y: number;
  readonly words: string;
  readonly size: number;
  readonly ink: Ink;
  readonly anchor: 'start' | 'middle' | 'end';
  readonly face: 'mono' | 'text';
  readonly bold: boolean;
  /** Stamped: it stands there in the world. Ours: it is on a tag, or names what nobody has looked at. */
  readonly whose: 'stamped' | 'ours';
}
/** A drawing: what is filled and lined, deepest first, one path a style; and what is written. */
export interface DisplayList {
  readonly areas: readonly Area[];
  readonly letterings: readonly Lettering[];
}

/** How a feature stands: nobody has looked, recorded, recorded as not there, not seen; or it does not apply, and is not drawn. */
export type Look = 'ghost' | 'solid' | 'bare' | 'crossed' | 'none';

/** How a fact stands that is drawn by its value; `bare` where the value says that there is nothing. */
export function lookOf(value: unknown, isBare = false): Look {
  return value === undefined ? 'ghost' : value === NOT_SEEN ? 'crossed' : isBare ? 'bare' : 'solid';
}

/** Draws a thing: gathers what is filled, lined and written, by depth. */
export class Pen {
  private readonly areas = new Map<string, { style: Omit<Area, 'd'>; d: string[] }>();
  private readonly letterings: Lettering[] = [];

  draw(depth: Depth, d: string, style: Style): void {
    const key = `${DEPTH[depth]} ${style.fill ?? ''} ${style.stroke ?? ''} ${style.width ?? 0} ${style.dash ?? ''}`;
    const area = this.areas.get(key) ?? { style: { ...style, depth }, d: [] };
    area.d.push(d);
    this.areas.set(key, area);
  }

  /** A line alone. */
  stroke(depth: Depth, d: string, width = 2, stroke: Ink = 'ink', dash?: string): void {
    this.draw(depth, d, { stroke, width, ...(dash !== undefined && { dash }) });
  }
  /** A filled form with its outline. */
  solid(depth: Depth, d: string, fill: Ink, width = 2): void {
    this.draw(depth, d, { fill, stroke: 'ink', width });
  }
  /** What nobody has looked at: hairline, unfilled. */
  ghost(depth: Depth, d: string): void {
    this.draw(depth, d, { stroke: 'quiet', width: 1.25 });
  }
  /** Looked for and not seen: one diagonal. */
  cross(depth: Depth, [x, y, width, height]: Place): void {
    this.stroke(depth, `M${n(x - 3)} ${n(y + height + 3)}L${n(x + width + 3)} ${n(y - 3)}`, 2, 'quiet');
  }
  /** Not there: the four corners of its place. */
  bare(depth: Depth, [x, y, w, h]: Place, q = Math.min(9, w / 3, h / 3)): void {
    this.stroke(
      depth,
      `M${n(x)} ${n(y + q)}V${n(y)}H${n(x + q)}M${n(x + w - q)} ${n(y)}H${n(x + w)}V${n(y + q)}M${n(x + w)} ${n(y + h - q)}V${n(y + h)}H${n(x + w - q)}M${n(x + q)} ${n(y + h)}H${n(x)}V${n(y + h - q)}`,
    );
  }
  /** A form as it stands: true where it is solid, so that what is on it may be drawn. */
  form(depth: Depth, look: Look, d: string, fill: Ink, at: Place): boolean {
    if (look === 'solid') this.solid(depth, d, fill);
    else if (look === 'bare') this.bare(depth, at);
    else if (look !== 'none') {
      this.ghost(depth, d);
      if (look === 'crossed') this.cross('fitting', at);
    }
    return look === 'solid';
  }

  /** Words that stand there in the world. */
  stamp(x: number, y: number, words: string | number, how: Partial<Omit<Lettering, 'whose'>> = {}): void {
    this.write(x, y, String(words), { whose: 'stamped', ...how });
  }
  /** Words of ours. */
  say(x: number, y: number, words: string, how: Partial<Omit<Lettering, 'whose'>> = {}): void {
    this.write(x, y, words, { whose: 'ours', face: 'text', ...how });
  }
  private write(x: number, y: number, words: string, how: Partial<Lettering> & Pick<Lettering, 'whose'>): void {
    this.letterings.push({ depth: 'stamp', x, y, words, size: 15, ink: 'ink', anchor: 'start', face: 'mono', bold: false, ...how }); // prettier-ignore
  }

  list(): DisplayList {
    return {
      areas: [...this.areas.values()]
        .map(({ style, d }) => ({ ...style, d: d.join('') }))
        .toSorted((a, b) => DEPTH[a.depth] - DEPTH[b.depth]),
      letterings: this.letterings,
    };
  }
}
