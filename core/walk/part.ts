import type { Case, How, ListPath, Station } from '../case';

/** What one look at one marking says: its words, and every fact that it records, by catalogue key. */
export interface Reading {
  readonly label: string;
  readonly says: Readonly<Record<string, string | number>>;
  /** Facts that the meter gives with it, in the order in which they are measured. */
  readonly measures?: readonly string[];
  /** A choice whose drawing stands on the plate: a face, a wire. */
  readonly drawing?: readonly [key: string, value: string];
}

/** A question that is answered at one glance, by one plate that records several facts. */
export interface Glance {
  readonly asks: string;
  /** Facts that its readings may record, by catalogue key. */
  readonly keys: readonly string[];
  /** Usual ones first. */
  readonly readings: (c: Case, usual: Usual, entry?: string) => readonly Reading[];
  readonly how?: How;
}

/** What an office or a person meets again and again, offered as usual values and never taken for granted. */
export type Usual = Readonly<Partial<Record<string, number>>>;

/** What hangs on the wall, touched as one: a name for whoever cannot see the drawing, and the facts found out there. */
export interface Part {
  readonly id: `${Station}/${string}`;
  readonly name: string;
  /** The list whose every entry has this part. */
  readonly list?: ListPath;
  /** Facts that are found out here, by catalogue key, in the order in which they are asked. */
  readonly keys: readonly string[];
  readonly glances?: readonly Glance[];
  /** Plain statements, said together. */
  readonly so?: true;
  /** Stands once for every entry of the list together. */
  readonly every?: true;
  /** Never comes into hand by itself: its facts are asked at another part. Touched, it shows them. */
  readonly later?: true;
  /** Found out with the source running: while a hazard stands it does not come into hand by itself, for nobody is to start it. */
  readonly running?: true;
}
