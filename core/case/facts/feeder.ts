import {
  INSULATION_C,
  METHODS,
  fahrenheitToC,
  RACEWAY_SIZES,
  buildingWireSizes,
  type InsulationName,
  type MethodName,
  type WiringMethod,
} from '../../codebook';
import { amount, choice, wireSize, yesNo } from '../fact';
import { labeled, several, station } from '../parts';

type Stretch = Readonly<Record<string, unknown>>;
const method = (stretch: Stretch): WiringMethod | undefined => METHODS[stretch.method as MethodName];
const metalPath = (stretch: Stretch) => method(stretch)?.metalGround !== undefined;
const isRaceway = (stretch: Stretch) => method(stretch)?.raceway === true;
const hasLooseConductors = (stretch: Stretch) =>
  method(stretch) !== undefined && method(stretch)!.insulationC === undefined;
/** So long a straight run of PVC in the sun moves by more than ¼ in over the year, ft (352.44). */
const EXPANDS_FT = 15;
/** A raceway as long as this or shorter may be a nipple, ft (Chapter 9 note 4). */
const NIPPLE_FT = 2;
const underground = (stretch: Stretch) => stretch.place === 'underground';

const stretch = {
  place: choice(
    { indoors: 'Indoors', attic: 'Attic', outdoors: 'Outdoors', underground: 'Underground', wall: 'Through a wall' },
    { label: 'Where this one runs', ask: 'follow it' },
  ),
  method: choice<MethodName>(
    labeled(Object.keys(METHODS) as MethodName[], (name) => METHODS[name].label),
    { label: 'Wiring method', ask: 'read the jacket, or name the raceway' },
  ),
  insulation: choice<InsulationName>(
    labeled(Object.keys(INSULATION_C) as InsulationName[], (name) => name),
    { label: 'Insulation', ask: 'read it off a conductor where it leaves the raceway', when: hasLooseConductors },
  ),
  metal: choice(
    { copper: 'Copper', aluminum: 'Aluminum' },
    { label: 'Metal', ask: 'look at a stripped end, or read the jacket' },
  ),
  sizeAwg: wireSize(buildingWireSizes('copper'), { label: 'Conductor size', ask: 'read the jacket or the conductor' }),
  neutralAwg: wireSize(buildingWireSizes('copper'), {
    label: 'Neutral size',
    ask: 'read the jacket or the white conductor',
  }),
  groundBy: choice(
    { conductor: 'A conductor', raceway: 'The metal raceway or armor' },
    {
      label: 'Equipment ground is',
      ask: 'open a fitting: is there a bare or green conductor inside',
      when: metalPath,
    },
  ),
  fittings: yesNo({
    label: 'Fittings listed and wrench-tight',
    ask: 'turn every coupling, connector and locknut of the metal path by hand: none may move',
    when: (stretch) => metalPath(stretch) && stretch.groundBy === 'raceway',
  }),
  flexes: yesNo({
    label: 'It has to flex after it is fitted',
    says: ['It flexes', 'It stays'],
    ask: 'look what hangs on it: a thing that moves or shakes, or a box that stays',
    sound: 'no',
    when: (stretch) => method(stretch)?.metalGround === 'short' && stretch.groundBy === 'raceway',
  }),
  groundAwg: wireSize(buildingWireSizes('copper'), {
    label: 'Equipment ground size',
    ask: 'read the jacket, or the bare or green conductor',
    when: (stretch) => !(metalPath(stretch) && stretch.groundBy === 'raceway'),
  }),
  lengthFt: amount('ft', [1, 1000], [40, 10, 20, 30, 50, 75, 100, 5], { label: 'Length', ask: 'tape, or pace it' }),
  ambientF: amount(
    '°F',
    [-40, 185],
    [79, 86, 95, 104, 115, 122, 133, 140].map(
      (degrees) => [degrees, `${degrees} (${fahrenheitToC(degrees)} °C)`] as const,
    ),
    {
      label: 'Hottest ambient',
      ask: 'thermometer on a hot day, or the design value for such a place',
    },
  ),
  conditioned: yesNo({
    label: 'This attic is heated and cooled',
    ask: 'look for insulation above it and a register in it; else read the thermometer again on a hot day',
    when: (stretch, site) =>
      stretch.place === 'attic' &&
      Number(stretch.ambientF ?? Infinity) <
        Number((site as { source?: { airF?: unknown } }).source?.airF ?? -Infinity),
  }),
  otherCarrying: amount('', [0, 60], [0, 2, 4, 6], {
    label: 'Other current-carrying conductors with it',
    ask: 'in the same raceway, cable or bundle of more than 24 in: hots, spares, and neutrals of two-wire circuits; not grounds, and not what can never be energized with it',
  }),
  nipple: yesNo({
    label: 'A nipple between two enclosures',
    ask: 'look: 24 in or less, from one box or cabinet straight into another',
    sound: 'no',
    when: (stretch) => isRaceway(stretch) && Number(stretch.lengthFt ?? Infinity) <= NIPPLE_FT,
  }),
  racewayIn: choice(
    RACEWAY_SIZES.toSorted((a, b) => Number(a === '3/8') - Number(b === '3/8')).map(
      (size) => [size, `${size} in`] as const,
    ),
    { label: 'Trade size', ask: 'read it off the raceway', when: isRaceway },
  ),
  othersInRaceway: amount('', [0, 60], [0, 2, 3, 4], {
    label: 'Other conductors in the raceway',
    ask: 'count every other conductor, grounds too; counted as large as these',
    when: isRaceway,
  }),
  sunMarked: yesNo({
    label: 'Marked sunlight resistant',
    ask: 'read the jacket',
    when: (stretch) => stretch.method === 'UF-B' && stretch.place === 'outdoors',
  }),
  wetMarked: yesNo({
    label: 'Marked for wet places',
    ask: 'read it: MC with a jacket over its armor, TC-ER and SE as their marking says',
    when: (stretch) => method(stretch)?.wetIfMarked === true && (stretch.place === 'outdoors' || underground(stretch)),
  }),
  burialMarked: yesNo({
    label: 'Marked for direct burial, or protected from corrosion',
    ask: 'read the jacket or the raceway; EMT in the earth needs protection that is approved for the soil',
    when: (stretch) => method(stretch)?.burialIfMarked === true && underground(stretch),
  }),
  burialIn: amount('in', [0, 120], [24, 18, 12, 6], {
    label: 'Cover',
    ask: 'tape: top of cable or raceway to finished grade',
    when: underground,
  }),
  burialUnder: choice(
    {
      general: 'Lawn or garden',
      driveway: 'Driveway of the dwelling',
      street: 'Street, or a drive that several houses share',
      slab: 'Concrete slab of 4 in, no vehicles',
      concrete: 'Trench covered with 2 in of concrete',
      building: 'A building',
    },
    { label: 'Buried under', ask: 'look what is above it, all the way', when: underground },
  ),
  wetRaceway: choice(
    {
      none: 'In none that is wet',
      'box-back': 'Only through the back of a rain-tight box',
      wet: 'In a raceway outdoors or in the earth',
    },
    {
      label: 'NM-B in a raceway that is wet inside',
      ask: 'follow the cable to its ends: a raceway outdoors is wet inside, its back entry into a box is not',
      sound: 'none',
      when: (stretch) => stretch.method === 'NM-B' && stretch.place === 'wall',
    },
  ),
  expansion: yesNo({
    label: 'Expansion fitting in a long run',
    ask: 'look on a sunny wall: a straight run of PVC moves a quarter of an inch and more between seasons',
    sound: 'yes',
    when: (stretch) =>
      stretch.place === 'outdoors' &&
      (stretch.method === 'PVC' || stretch.method === 'PVC-80') &&
      Number(stretch.lengthFt ?? 0) >= EXPANDS_FT,
  }),
  fastened: yesNo({
    label: 'Fastened as its method asks',
    ask: 'look for straps: cable within 12 in of each box (8 in without clamps) and every 4½ ft, raceway within 3 ft; buried parts count as held',
  }),
  protected: yesNo({
    label: 'Protected from damage',
    ask: 'look where it can be hit, nailed or mown: guards, nail plates, conduit from 18 in below grade to 8 ft above',
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

/** Some runs are of copper and others of aluminum. */
const ofTwoMetals = ({ stretches }: Readonly<Record<string, unknown>>): boolean =>
  new Set(
    ((stretches ?? []) as readonly { metal?: unknown }[]).flatMap(({ metal }) =>
      metal === 'copper' || metal === 'aluminum' ? [metal] : [],
    ),
  ).size > 1;

export const feeder = station({
  inletTerminal: terminal('Terminals at the inlet'),
  houseTerminal: terminal('Terminals at the breaker or switch'),
  stretches: several(stretch, 'run'),
  identified: yesNo({
    label: 'Conductors told apart by color',
    ask: 'look at both ends: white or gray neutral, green or bare ground, neither of these on a hot',
  }),
  bushings: yesNo({
    label: 'Bushings and connectors fitted',
    ask: 'look where it enters inlet box and panel: a connector on every cable, a bushing where 4 AWG or larger turns at a raceway',
  }),
  splices: choice(
    {
      none: 'None, or like to like',
      lugs: 'None: copper and aluminum land on lugs of their own',
      rated: 'Copper to aluminum, connector marked for it',
      unrated: 'Copper to aluminum, connector not marked',
    },
    {
      label: 'Splices of copper to aluminum',
      so: 'No splice of copper to aluminum',
      ask: 'open every box on the way; read the connector',
      // Two metals on one way meet somewhere: there it is no plain statement that they do not.
      offered: { none: (feeder) => !ofTwoMetals(feeder), lugs: (feeder) => ofTwoMetals(feeder) },
    },
  ),
  terminalsAluminum: yesNo({
    label: 'Terminals on aluminum are marked for it',
    ask: 'read the lugs where aluminum lands: AL, or AL-CU',
    sound: 'yes',
    when: (feeder) => ((feeder.stretches ?? []) as Stretch[]).some(({ metal }) => metal === 'aluminum'),
  }),
  groundDesigned: yesNo({
    label: 'A qualified person sized the ground, and is named',
    ask: 'ask for the calculation with a name on it; leave it open if there is none',
  }),
  together: yesNo({
    label: 'All conductors in one raceway or cable',
    ask: 'follow hots, neutral and ground: none may go its own way',
  }),
});
