import { array, mixed, object, string, type InferType, type ObjectShape } from 'yup';
import {
  CONFIGURATIONS,
  CONFIGURATION_NAMES,
  EDITIONS,
  INSULATION_C,
  METHODS,
  STANDARD_DEVICE_A,
  buildingWireSizes,
  cordSizes,
  type ConfigurationName,
  type Edition,
} from '../codebook';
import { amount, choice, quoted, wireSize, yesNo } from './fact';

export const FORMAT = 'careful-latch/case';
export const VERSION = 1;
/** More cords or stretches than anyone will meet; a limit that keeps a broken file from costing time. */
export const MOST_PARTS = 20;

function closest(word: string, words: readonly string[]): string | undefined {
  const lower = word.toLowerCase();
  return words.find((one) => one.toLowerCase() === lower || one.toLowerCase().startsWith(lower.slice(0, 4)));
}

/** An object whose unknown keys are errors, never silently dropped. */
function part<S extends ObjectShape>(shape: S) {
  const keys = Object.keys(shape);
  return object(shape)
    .typeError(
      ({ path, value }: { path: string; value: unknown }) =>
        `${path}: ${quoted(value)} is no group of facts; right would be { … }`,
    )
    .nonNullable('null is no group of facts; right would be { … }')
    .test('keys', (value, context) => {
      const stray = value && Object.keys(value).find((key) => !keys.includes(key));
      if (stray === undefined || value === undefined) return true;
      const meant = closest(stray, keys);
      return context.createError({
        message: `${quoted(stray)} is no fact known here; ${meant ? `"${meant}" may be meant` : `known are ${keys.join(', ')}`}`,
      });
    });
}

const station = <S extends ObjectShape>(shape: S) => part(shape).default(undefined).optional();

function several<S extends ObjectShape>(shape: S, word: string) {
  return array(part(shape).default(undefined).required(`a ${word} must be a group of facts { … }`))
    .typeError(
      ({ path, value }: { path: string; value: unknown }) =>
        `${path}: ${quoted(value)} is no list; right would be [ … ]`,
    )
    .nonNullable('null is no list; right would be [ … ]')
    .max(MOST_PARTS, `more than ${MOST_PARTS} entries`)
    .default(undefined)
    .optional();
}

const labelled = <K extends string>(names: readonly K[], label: (name: K) => string) =>
  Object.fromEntries(names.map((name) => [name, label(name)])) as Record<K, string>;

const configuration = (label: string, ask: string, drawing: 'configuration' = 'configuration') =>
  choice<ConfigurationName>(
    labelled(CONFIGURATION_NAMES, (name) => name),
    { label, ask, drawing },
  );

const device = (label: string, ask: string, usual: readonly number[]) =>
  amount('A', [1, 400], usual, { label, ask, drawing: 'device' });

export const TRANSFER_KINDS = {
  'retrofit-interlock': 'Interlock on the panel',
  'load-side-switch': 'Load-side transfer switch',
  'transfer-panel': 'Transfer panel',
  'whole-house-manual': 'Whole-house switch, manual',
  'whole-house-automatic': 'Whole-house switch, automatic',
  'single-circuit-switch': 'Single-circuit switch with inlet',
  'none-cords': 'None: extension cords only',
  'none-backfed': 'None: house backfed',
} as const;
export type TransferKind = keyof typeof TRANSFER_KINDS;

const isRaceway = (stretch: Readonly<Record<string, unknown>>) => {
  const method = METHODS[stretch.method as keyof typeof METHODS];
  return method !== undefined && !('insulationC' in method);
};

const source = station({
  kind: choice(
    { engine: 'Engine', 'power-station': 'Battery power station' },
    { label: 'Kind of source', ask: 'look: an engine with exhaust, or a battery unit' },
  ),
  voltage: choice(
    [
      ['120/240', '120/240 V'],
      ['120', '120 V only'],
    ],
    { label: 'Voltage', ask: 'nameplate: volts and phases' },
  ),
  fuel: choice(
    { gasoline: 'Gasoline', propane: 'Propane', 'natural-gas': 'Natural gas', diesel: 'Diesel', battery: 'Battery' },
    { label: 'Fuel', ask: 'nameplate and tank, or the hose that feeds it' },
  ),
  runningW: amount('W', [100, 50_000], [7000, 5000, 6000, 8000, 9500, 12_000, 3500, 2000], {
    label: 'Running watts',
    ask: 'nameplate: rated or running watts, not starting',
  }),
  outlet: configuration('Receptacle in use', 'look at the face of the receptacle that feeds the cord'),
  outletBreakerA: device(
    'Outlet breaker',
    'read the number on the breaker or button that feeds this receptacle',
    [30, 50, 20, 15, 40],
  ),
  neutralBond: choice(
    { floating: 'Floating', bonded: 'Bonded to frame' },
    { label: 'Neutral of the source', ask: 'meter: neutral to frame, engine off, nothing plugged in' },
  ),
});

const siting = station({
  place: choice(
    { outdoors: 'Outdoors, open', porch: 'Porch or under a roof', garage: 'Garage or carport', indoors: 'Indoors' },
    { label: 'Where it runs', ask: 'look where it stands when it runs, not where it is kept' },
  ),
  openingFt: amount('ft', [0, 500], [20, 25, 15, 10, 5, 3], {
    label: 'Nearest door, window or vent',
    ask: 'tape: exhaust to the nearest opening of any dwelling',
  }),
});

const cord = several(
  {
    sourceEnd: configuration('Plug at the source', 'look at the blades of the plug'),
    inletEnd: configuration('End at the house', 'look at the face that goes to the inlet or the load'),
    inletEndGender: choice(
      { connector: 'Sockets (connector)', plug: 'Blades (plug)' },
      { label: 'House end has', ask: 'look: sockets, or bare blades', drawing: 'pins' },
    ),
    sizeAwg: wireSize(cordSizes(), { label: 'Conductor size', ask: 'read the jacket: the number before the slash' }),
    wires: choice(
      [
        ['4', '4 wires'],
        ['3', '3 wires'],
      ],
      { label: 'Wires', ask: 'read the jacket: the number after the slash' },
    ),
    lengthFt: amount('ft', [1, 500], [20, 25, 10, 30, 50, 75, 100], { label: 'Length', ask: 'tape or tag' }),
  },
  'cord',
);

const inlet = station({
  gender: choice(
    { pins: 'Pins (male inlet)', sockets: 'Sockets (receptacle)' },
    { label: 'Face of the inlet', ask: 'lift the lid and look: pins or sockets', drawing: 'pins' },
  ),
  configuration: configuration('Inlet configuration', 'read the marking in the face, or compare with the drawings'),
  ratingA: device('Inlet rating, marked', 'read the marking on the inlet', [30, 50, 20, 15]),
});

const stretch = {
  place: choice(
    { indoors: 'Indoors', attic: 'Attic', outdoors: 'Outdoors', underground: 'Underground', wall: 'Through a wall' },
    { label: 'Where this stretch runs', ask: 'follow it' },
  ),
  method: choice(
    labelled(Object.keys(METHODS) as (keyof typeof METHODS)[], (name) => METHODS[name].label),
    { label: 'Wiring method', ask: 'read the jacket, or name the raceway' },
  ),
  insulation: choice(
    labelled(Object.keys(INSULATION_C) as (keyof typeof INSULATION_C)[], (name) => name),
    { label: 'Insulation', ask: 'read it off a conductor where it leaves the raceway', when: isRaceway },
  ),
  metal: choice(
    { copper: 'Copper', aluminium: 'Aluminium' },
    { label: 'Metal', ask: 'look at a stripped end, or read the jacket' },
  ),
  sizeAwg: wireSize(buildingWireSizes('copper'), { label: 'Conductor size', ask: 'read the jacket or the conductor' }),
  groundAwg: wireSize(buildingWireSizes('copper'), {
    label: 'Equipment ground size',
    ask: 'read the jacket, or the bare or green conductor',
  }),
  lengthFt: amount('ft', [1, 1000], [40, 10, 20, 30, 50, 75, 100, 5], { label: 'Length', ask: 'tape, or pace it' }),
  ambientC: amount('°C', [-40, 85], [26, 30, 35, 40, 46, 50, 56, 60], {
    label: 'Hottest ambient',
    ask: 'thermometer on a hot day, or the design value for such a place',
  }),
  otherCarrying: amount('', [0, 60], [0, 2, 4, 6], {
    label: 'Other current-carrying conductors with it',
    ask: 'count hots of other circuits in the same raceway or bundle',
  }),
};

const terminal = (label: string) =>
  choice(
    [
      ['75', '75 °C'],
      ['60', '60 °C'],
      ['unmarked', 'Unmarked'],
    ],
    { label, ask: 'read the marking at the terminal; no marking counts as 60 °C' },
  );

const feeder = station({
  inletTerminal: terminal('Terminals at the inlet'),
  houseTerminal: terminal('Terminals at the breaker or switch'),
  stretches: several(stretch, 'stretch'),
});

const breaker = station({
  ratingA: device('Breaker rating', 'read the number on the handle', [30, 50, 20, 40, 60, 25, 15]),
  construction: choice(
    {
      'common-trip': 'Two-pole, common trip',
      'tied-singles': 'Two singles, tied',
      'loose-singles': 'Two singles, loose',
      single: 'One pole',
    },
    { label: 'Construction', ask: 'look: one body with one handle, or two breakers joined' },
  ),
  listedForPanel: yesNo({
    label: 'Type listed on the panel label',
    ask: 'compare the breaker type with the label inside the panel door',
  }),
  heldDown: yesNo({ label: 'Held down by a fastener', ask: 'look for the hold-down screw or bracket at this breaker' }),
  lineLoadMarked: yesNo({ label: 'Marked LINE and LOAD', ask: 'read the side of the breaker' }),
  acrossBothLegs: yesNo({ label: 'One pole on each leg', ask: 'meter: 240 V between its poles, or read the slots' }),
  interruptingKa: amount('kA', [1, 200], [10, 22, 25, 65], {
    label: 'Interrupting rating',
    ask: 'read AIC or kA on the breaker',
  }),
  availableKa: amount('kA', [0.1, 200], [10, 5, 8, 14, 18, 22], {
    label: 'Fault current available',
    ask: 'utility letter, or the value marked on the service',
  }),
  atInterlock: yesNo({
    label: 'In the position the interlock reaches',
    ask: 'move the interlock: it must cover this very handle',
  }),
  displaced: choice(
    {
      none: 'No circuit was moved',
      'moved-matching': 'Moved; breaker and wire match',
      'moved-mismatched': 'Moved; they no longer match',
    },
    { label: 'Circuits moved to make room', ask: 'compare the directory and the wire at each moved breaker' },
  ),
});

const transfer = station({
  kind: choice<TransferKind>(TRANSFER_KINDS, {
    label: 'Transfer means',
    ask: 'look what keeps the source and the utility apart',
  }),
  backfeedsOutlet: yesNo({
    label: 'A cord feeds the house through an outlet',
    ask: 'look at dryer, range, welder and air-conditioner outlets, and for a cord with two plugs',
  }),
  listedForPanel: yesNo({
    label: 'Listed for this very panel or location',
    ask: 'compare the kit’s own list with the panel label',
  }),
  alteration: choice(
    { none: 'As it came', cut: 'Cut or filed', bent: 'Bent', drilled: 'Drilled', 'parts-missing': 'Parts missing' },
    { label: 'Altered to fit', ask: 'look at edges, holes and slots for tool marks' },
  ),
});

const neutral = station({
  switched: choice(
    { no: 'Not switched', yes: 'Switched' },
    {
      label: 'Neutral at the transfer means',
      ask: 'follow the white conductor: does a pole open it, or is it solid to the bar',
    },
  ),
  unbalancedA: amount('A', [0, 200], [0, 6, 12, 20], {
    label: 'Unbalanced current measured or planned',
    ask: 'clamp on the neutral under load; without it only the share is shown',
  }),
});

const labels = station({
  inletSign: choice(
    {
      nonseparately: 'Nonseparately derived, floating neutral only',
      separately: 'Separately derived, bonded neutral only',
      other: 'Some other sign',
      none: 'No sign',
    },
    { label: 'Sign at the inlet', ask: 'read the sign beside the inlet' },
  ),
  generatorBreaker: yesNo({
    label: 'Generator breaker is named',
    ask: 'read the directory and the breaker: does it say generator',
  }),
});

/** The case file: what was recorded at one site, as open JSON. */
export const caseSchema = part({
  format: mixed<typeof FORMAT>()
    .required(`right would be "${FORMAT}"`)
    .test(
      'format',
      ({ value }) => `${quoted(value)} is no case file; right would be "${FORMAT}"`,
      (value) => (value as unknown) === FORMAT,
    ),
  version: mixed<typeof VERSION>()
    .required(`right would be ${VERSION}`)
    .test(
      'version',
      ({ value }) => `${quoted(value)} is a version this program does not read; right would be ${VERSION}`,
      (value) => (value as unknown) === VERSION,
    ),
  edition: mixed<Edition>()
    .required(`right would be one of ${EDITIONS.join(', ')}`)
    .test(
      'edition',
      ({ value }) => `${quoted(value)} is no edition here; right would be one of ${EDITIONS.join(', ')}`,
      (value) => EDITIONS.includes(value as Edition),
    ),
  title: string()
    .typeError(({ path, value }: { path: string; value: unknown }) => `${path}: ${quoted(value)} is no text`)
    .max(300, 'longer than 300 characters')
    .optional(),
  source,
  siting,
  cord,
  inlet,
  feeder,
  breaker,
  transfer,
  neutral,
  labels,
});

type Inferred = InferType<typeof caseSchema>;
export type Case = { readonly [K in keyof Inferred]: Inferred[K] };

/** A case with nothing recorded. */
export function emptyCase(edition: Edition): Case {
  return { format: FORMAT, version: VERSION, edition };
}

export { CONFIGURATIONS, STANDARD_DEVICE_A };
