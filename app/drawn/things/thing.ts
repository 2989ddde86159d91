import { NOT_SEEN, catalogueKey, factAt, type Case, type Station } from '@careful-latch/core/case';
import type { Positions } from '@careful-latch/core/interlock';
import { factsOf, partsAt } from '@careful-latch/core/walk';
import { lookOf, type Look, type Pen, type Place } from '../list';

/** What a thing is drawn from: the facts of its stations that this house is asked for, by catalogue key. */
export class Shown {
  private readonly values = new Map<string, unknown>();

  /** `entry`: which cord, stretch or circuit is drawn. */
  constructor(
    private readonly c: Case,
    stations: readonly Station[],
    entry: number,
  ) {
    for (const here of stations.flatMap((station) => partsAt(c, station)))
      if (here.index === undefined || here.index === entry)
        for (const path of factsOf(c, here)) {
          const key = catalogueKey(path);
          if (!this.values.has(key) || path.includes(`[${entry}]`)) this.values.set(key, factAt(c, path));
        }
  }

  /** What is recorded; undefined where nobody has looked, where it was not seen, and where it is not asked for. */
  value(key: string): string | number | undefined {
    const value = this.values.get(key);
    return value === NOT_SEEN ? undefined : (value as string | number | undefined);
  }
  is(key: string, ...values: (string | number)[]): boolean {
    const value = this.value(key);
    return value !== undefined && values.includes(value);
  }
  /** As `look`, where these values say that there is rightly nothing: nothing is drawn then. */
  lookUnless(key: string, ...absent: (string | number)[]): Look {
    return this.is(key, ...absent) ? 'none' : this.look(key);
  }
  /** Whether a circuit of the house is recorded in a slot of the panel. */
  hasCircuitIn(slot: number): boolean {
    return (this.c.loads?.circuits ?? []).some((one) => one.slot === slot || (one.volts === '240' && one.slot === slot - 2)); // prettier-ignore
  }
  asked(key: string): boolean {
    return this.values.has(key);
  }
  /** How what a fact tells of stands; `bare` are the values that say it is not there. */
  look(key: string, ...bare: (string | number)[]): Look {
    return this.values.has(key) ? lookOf(this.values.get(key), this.is(key, ...bare)) : 'none';
  }
}

/** Something that hangs at the house, drawn from its facts. */
export interface Thing {
  readonly height: number;
  /** Stations whose facts it shows. */
  readonly stations: readonly Station[];
  /** Where each of its parts is touched, framed and ringed. */
  readonly places: Readonly<Record<string, Place>>;
  /** Where the tag of a part hangs, with what no eye sees of it, and where its string is tied. */
  readonly tags: Readonly<Record<string, Tag>>;
  /** Facts that its picture shows, by catalogue key; all others of its parts stand on tags. */
  readonly shows: readonly string[];
  /** Places of further tags: of parts with neither form nor tag of their own, one after the other. */
  readonly slots?: readonly Tag['at'][];
  /** `at`: where the parts of what moves stand. */
  draw(pen: Pen, f: Shown, at: Positions): void;
}

export interface Tag {
  readonly at: readonly [x: number, y: number, width: number];
  readonly from?: readonly [x: number, y: number];
}

/** Width of every thing: a phone’s. */
export const THING_WIDTH = 390;
