import type { Decision, DecisionKind, Header, Photo } from '@careful-latch/core/record';
import type { FactPath } from '@careful-latch/core/case';
import type { DemoLogin } from './people';

/** The day on which the days below are true; where the demo is loaded later, all of them follow. */
export const DEMO_DAY = '2026-11-26';

/** One invented property of Windfall township: what was found there, and what was decided. */
export interface DemoProperty {
  readonly id: string;
  readonly header: Omit<Header, 'edition'>;
  readonly opened: string;
  /** Who opened it; the lead where nobody is named. */
  readonly openedBy?: DemoLogin;
  /** Who recorded it and decided; the lead where nobody is named. */
  readonly by?: DemoLogin;
  /** A worked case of examples/ whose facts were recorded here; none for a house nobody has looked at. */
  readonly from?: string;
  readonly facts?: Readonly<Partial<Record<FactPath, string | number | null>>>;
  readonly decision?: {
    readonly kind: DecisionKind;
    readonly at: string;
    readonly conditions?: readonly { readonly text: string; readonly dueOn: string }[];
    readonly dueOn?: string;
    readonly order?: Decision['order'];
    readonly handover?: string;
    /** Whether everything found has one cause, and is one violation; else each is one. */
    readonly oneCause?: boolean;
  };
  /** What was photographed before it was decided. */
  readonly photos?: readonly DemoPhoto[];
  /** What the contractor says he has corrected: violations by number, and what he shows of it. */
  readonly claims?: Readonly<Record<number, string>>;
  readonly claimed?: Readonly<Record<number, DemoPhoto>>;
  /** What follows beside that: the permit, who does the work, an appeal; `violation` by its number. */
  readonly follows?: readonly DemoFollow[];
  /** The next visit. */
  readonly visit?: { readonly day: string; readonly inspector: DemoLogin };
  /** What was found after the decision, at the reinspection. */
  readonly later?: Readonly<Partial<Record<FactPath, string | number | null>>>;
}

/** A picture of server/demo/photos, drawn for it. */
export interface DemoPhoto {
  readonly file: string;
  /** The fact or rule that it shows; for a claim its violation. */
  readonly about?: string;
  readonly text: string;
  readonly marks: Photo['marks'];
}
const ring = (x: number, y: number) => [{ kind: 'ring', x, y, turnDeg: 0 }] as const;

type DemoFollow =
  | { readonly type: 'permit'; readonly until: string }
  | { readonly type: 'installer'; readonly name: string; readonly license: string }
  | { readonly type: 'appeal'; readonly violation: number; readonly filedBy: string; readonly words: string };

const id = (n: number) => `0dd0a7c4-1f5e-4b7a-9c00-${String(n).padStart(12, '0')}`;

export const DEMO_PROPERTIES: readonly DemoProperty[] = [
  {
    id: id(1),
    header: { address: '3 Windfall Lane', owner: 'Pell Tarrowby', permit: 'WT-26-0411' },
    opened: '2026-10-12T15:05:00Z',
    from: 'case-1-interlock-holds',
    decision: { kind: 'approved', at: '2026-10-12T15:31:00Z' },
  },
  {
    id: id(2),
    header: { address: '8 Pippin Row', owner: 'Anouk O’Dell-Varr', permit: 'WT-26-0418' },
    opened: '2026-11-16T16:20:00Z',
    openedBy: 'maro',
    from: 'case-2-breaker-50-before-inlet-30',
    decision: {
      kind: 'corrections-required',
      at: '2026-11-16T16:48:00Z',
      dueOn: '2026-12-01',
      oneCause: true,
      handover: 'Panel in the garage, left of the door. The dog is friendly.',
    },
    photos: [
      {
        file: 'breaker-50',
        about: 'breaker.ratingA',
        text: 'The backfed breaker, as found.',
        marks: [...ring(0.33, 0.46)],
      },
    ],
    claims: { 1: 'The 50 A breaker is out, a 30 A breaker with its hold-down is in.' },
    claimed: { 1: { file: 'breaker-30', text: '30 A, and the hold-down.', marks: [] } },
    visit: { day: '2026-11-26', inspector: 'joss' },
  },
  {
    id: id(3),
    header: { address: '11 Russet Hill', owner: 'Bram Quillon', permit: 'WT-26-0396' },
    opened: '2026-10-29T09:10:00Z',
    from: 'case-3-attic-68c',
    photos: [
      {
        file: 'cable-in-attic',
        about: 'feeder.stretches[0].ambientF',
        text: 'Thermometer on the joist beside it.',
        marks: [...ring(0.79, 0.73)],
      },
    ],
    decision: { kind: 'corrections-required', at: '2026-10-29T09:52:00Z', dueOn: '2026-11-24' },
    follows: [{ type: 'permit', until: '2026-12-20' }],
    later: {
      'feeder.stretches[0].sizeAwg': '8',
      'feeder.stretches[1].sizeAwg': '8',
      'feeder.stretches[0].groundAwg': 'not-seen',
    },
  },
  {
    id: id(4),
    header: { address: '5 Blossom Turn', owner: 'Sunniva Peake', permit: 'WT-26-0422' },
    opened: '2026-11-18T11:00:00Z',
    from: 'case-5-bonded-unswitched',
    decision: { kind: 'corrections-required', at: '2026-11-18T11:26:00Z', dueOn: '2026-12-09' },
    follows: [
      { type: 'permit', until: '2026-12-14' },
      { type: 'installer', name: 'Tillane Electric', license: 'WT-E-0093' },
    ],
    visit: { day: '2026-12-03', inspector: 'ilse' },
  },
  {
    id: id(5),
    header: { address: '2 Cider Press Road', owner: 'Orsolo Vint', permit: 'WT-26-0389' },
    opened: '2026-10-20T13:40:00Z',
    from: 'case-4-thwn-75c-terminals',
    photos: [{ file: 'written-sign', about: 'labels.inletSign', text: 'Written by hand on paper.', marks: [] }],
    decision: {
      kind: 'approved-with-conditions',
      at: '2026-10-20T14:15:00Z',
      conditions: [{ text: 'A durable sign at the inlet in place of the written one.', dueOn: '2026-11-24' }],
    },
  },
  {
    id: id(6),
    header: { address: '17 Graftwood Lane', owner: 'Ludo Hesper', permit: 'WT-26-0430' },
    opened: '2026-11-24T10:00:00Z',
    from: 'ok-load-side-switch',
    facts: { 'feeder.stretches[0].ambientF': null, 'neutral.switched': 'not-seen', 'labels.inletSign': null },
  },
  {
    id: id(7),
    header: { address: '21 Quince Court', owner: 'Maeve Ostrander-Bly', permit: 'WT-26-0433' },
    opened: '2026-11-24T14:30:00Z',
    from: 'ok-transfer-panel',
    facts: { 'breaker.interruptingKa': 'not-seen', 'panel.directoryTrue': null, 'function.hertz': null },
  },
  {
    id: id(8),
    header: { address: '40 Dry Creek Spur', owner: 'Casimir Holloway-Tunn', permit: 'WT-26-0377' },
    opened: '2026-09-30T08:30:00Z',
    from: 'ok-whole-house-automatic',
    decision: { kind: 'approved', at: '2026-09-30T09:05:00Z' },
  },
  {
    id: id(9),
    header: { address: '9 Perry Bend', owner: 'Inge Falkrow', permit: 'WT-26-0425' },
    opened: '2026-11-20T15:15:00Z',
    from: 'ok-whole-house-manual',
    facts: { 'transfer.torqueLbIn': null, 'transfer.torqueTool': null, 'function.drillShown': 'no' },
  },
  {
    id: id(10),
    header: { address: '14 Scion Street', owner: 'Tobiah Wrenmoor', permit: 'WT-26-0427' },
    opened: '2026-11-23T09:45:00Z',
    from: 'ok-single-circuit-switch',
    facts: { 'transfer.boxConductors': 10 },
    visit: { day: '2026-11-27', inspector: 'joss' },
  },
  {
    id: id(11),
    header: { address: '6 Harvest Gate', owner: 'Wilhelmina Astley-Roe', permit: '' },
    opened: '2026-11-05T17:20:00Z',
    from: 'ok-cords-only',
    decision: { kind: 'approved', at: '2026-11-05T17:31:00Z' },
  },
  {
    id: id(12),
    header: { address: '30 Ladder Lane', owner: 'Ferris Mundle', permit: 'WT-26-0424' },
    opened: '2026-11-19T18:02:00Z',
    from: 'stop-backfed-dryer',
    photos: [
      { file: 'order-posted', about: 'transfer/no-outlet-backfeed', text: 'Posted on the panel’s door.', marks: [] },
    ],
    decision: {
      kind: 'stop-work',
      at: '2026-11-19T18:11:00Z',
      dueOn: '2026-11-26',
      order: {
        kind: 'do-not-use',
        ground: 'The house can be fed through the dryer outlet with the utility connected.',
        covers: 'Every connection of a generator to this house',
        mayDo: 'Taking out the cord and the outlet behind it',
        told: 'Ferris Mundle, at the house',
      },
    },
  },
  {
    id: id(14),
    header: { address: '12 Orchard Loop', owner: 'Perpetua Dunmore', permit: 'WT-26-0401' },
    opened: '2026-11-02T09:00:00Z',
    by: 'joss',
    from: 'case-1-interlock-holds',
    facts: { 'panel.directoryTrue': 'no', 'panel.openingsClosed': 'no' },
    decision: { kind: 'corrections-required', at: '2026-11-02T09:40:00Z', dueOn: '2026-11-23' },
    follows: [
      {
        type: 'appeal',
        violation: 2,
        filedBy: 'Perpetua Dunmore',
        words: 'The opening is behind the dead front, and nothing reaches through it.',
      },
    ],
    visit: { day: '2026-11-26', inspector: 'joss' },
  },
  {
    id: id(13),
    header: { address: '1 Bin Yard', owner: 'Odile Marchbanks', permit: 'WT-26-0436' },
    opened: '2026-11-25T07:50:00Z',
    visit: { day: '2026-11-26', inspector: 'joss' },
  },
  {
    id: id(15),
    header: { address: '7 Sapling Close', owner: 'Runa Hallewell', permit: '' },
    opened: '2026-11-25T13:20:00Z',
    by: 'maro',
    openedBy: 'maro',
    from: 'ok-load-side-switch',
    facts: { 'panel.directoryTrue': null, 'function.hertz': null },
  },
];

/** A storm day that lies behind: houses with how they were left, and by whom. */
export const DEMO_STORM = {
  id: '0dd0a7c4-1f5e-4b7a-9c00-0000000e0001',
  name: 'Ice on the lines',
  day: '2026-11-21',
  houses: [
    { address: '3 Windfall Lane', by: 'joss', release: 'release', answers: { source: 'off', cord: 'out', transfer: 'seen', damage: 'none', water: 'none', acts: 'owner' } }, // prettier-ignore
    { address: '11 Windfall Lane', by: 'joss', release: 'isolated', answers: { source: 'off', cord: 'out', transfer: 'not-seen', damage: 'not-seen', water: 'near', acts: 'contractor' } }, // prettier-ignore
    { address: '30 Ladder Lane', by: 'ilse', release: 'hold', answers: { source: 'running', cord: 'in', transfer: 'outlet', damage: 'none', water: 'none', acts: 'nobody' } }, // prettier-ignore
  ],
} as const;
