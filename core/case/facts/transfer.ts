import { BOX_TYPES, FILL_BY_EYE_PERCENT, SERVICE_SIZES, boxConductorSizes, type BoxName } from '../../codebook';
import { MECHANISMS, goesWith, type MechanismName } from '../mechanisms';
import { amount, choice, wireSize, yesNo } from '../fact';
import { device, labeled, station, withInlet, withTrait } from '../parts';
import { TRANSFER_KINDS, type TransferKind } from '../traits';

const interlock = withTrait('onPanel');
const withWholeHouse = withTrait('wholeHouse');
const withMovedCircuits = withTrait('movedCircuits');
const single = withTrait('singleCircuit');
const automatic = withTrait('automatic');
/** A switch that feeds the panel, rather than a collar at the meter. */
const aheadOfPanel: typeof withWholeHouse = (transfer, site) =>
  withWholeHouse(transfer, site) && (transfer.location === 'first' || transfer.location === 'behind');
const withFirstSwitch: typeof withWholeHouse = (transfer, site) =>
  withWholeHouse(transfer, site) && transfer.location === 'first';
/** Mechanisms that reach no handle but their own. */
const ONE_PIECE: readonly unknown[] = ['circuit-handles', 'double-throw', 'automatic'];
const between = (percent: unknown, [room, full]: readonly [number, number]): boolean =>
  typeof percent === 'number' && percent > room && percent <= full;
const splicedIn = withTrait('splicedIn');

export const transfer = station({
  kind: choice<TransferKind>(TRANSFER_KINDS, {
    label: 'Transfer equipment',
    ask: 'look what keeps the source and the utility apart',
  }),
  otherKind: choice(
    {
      'panel-with-switching': 'A panel with switching of its own',
      'vehicle-outlet': 'An outlet of a car or truck',
      'meter-collar': 'A collar at the meter',
      'no-utility': 'No utility at all',
      unlike: 'None of these',
    },
    { label: 'What it is', ask: 'look, and read every label on it', when: (transfer) => transfer.kind === 'other' },
  ),
  backfeedsOutlet: yesNo({
    label: 'A cord feeds the house through an outlet',
    says: ['Through an outlet', 'Through none'],
    ask: 'look at dryer, range, welder and air-conditioner outlets, and for a cord with two plugs',
  }),
  mechanism: choice<MechanismName>(
    labeled(Object.keys(MECHANISMS) as MechanismName[], (name) => MECHANISMS[name].label),
    {
      label: 'How it keeps them apart',
      ask: 'look at what moves: a plate, a linkage between handles, or one handle with two ends',
      when: withInlet,
      offered: Object.fromEntries(
        (Object.keys(MECHANISMS) as MechanismName[]).map((name) => [
          name,
          ({ kind }: { kind?: unknown }) =>
            typeof kind !== 'string' || kind === 'other' || goesWith(name, kind as TransferKind),
        ]),
      ),
    },
  ),
  fit: choice(
    {
      sound: 'Sound',
      loose: 'Loose: it lifts or turns',
      'wrong-spacing': 'Does not reach a handle',
      'tie-missing': 'Common tie missing',
    },
    {
      label: 'How it sits',
      ask: 'pull, lift and turn it by hand, both ways; contactors are looked at with everything dead',
      when: withInlet,
      offered: {
        loose: (transfer) => transfer.mechanism !== 'circuit-handles',
        'wrong-spacing': (transfer) => !ONE_PIECE.includes(transfer.mechanism),
        'tie-missing': (transfer) => !['double-throw', 'automatic'].includes(transfer.mechanism as string),
      },
    },
  ),
  listedForPanel: yesNo({
    label: 'Listed for this very panel or location',
    ask: 'compare the kit’s own list with the panel label',
    when: withInlet,
  }),
  alteration: choice(
    { none: 'As it came', cut: 'Cut or filed', bent: 'Bent', drilled: 'Drilled', 'parts-missing': 'Parts missing' },
    { label: 'Altered to fit', ask: 'look at edges, holes and slots for tool marks', when: withInlet },
  ),
  mountedOn: choice(
    { panel: 'Panel or breakers', cover: 'Removable cover' },
    { label: 'Mounted on', ask: 'look what holds it when the cover is off', when: interlock },
  ),
  movesFreely: yesNo({
    label: 'Moves freely and stays put',
    ask: 'move it through its whole way; it must neither bind nor fall',
    when: withInlet,
  }),
  listedAsTransfer: yesNo({
    label: 'Listed as transfer equipment',
    ask: 'read the label: transfer equipment, or interlock kit for this use',
    when: withInlet,
  }),
  ratingA: device(
    'Rated amps of the transfer equipment',
    'read its label; for an interlock the breaker’s own',
    [30, 50, 60, 100, 200],
    withInlet,
  ),
  ratingV: amount('V', [120, 600], [240, 120], {
    label: 'Rated volts of the transfer equipment',
    ask: 'read its label',
    when: withInlet,
  }),
  makerTorqueLbIn: amount('lb-in', [1, 1000], [20, 25, 36, 45, 50], {
    label: 'Torque the maker asks for',
    ask: 'label or sheet of breaker, lug or kit; 1 lb-ft is 12 lb-in, 1 N·m is 8.85 lb-in',
    when: withInlet,
  }),
  torqueLbIn: amount('lb-in', [1, 1000], [20, 25, 36, 45, 50], {
    label: 'Torque found',
    ask: 'torque tool on the terminal, or the installer’s written value',
    // Where nobody measured and nobody signed there is no value to read.
    when: (transfer, site) =>
      withInlet(transfer, site) && (transfer.torqueTool !== 'no' || transfer.torqueSigned === 'yes'),
  }),
  torqueTool: yesNo({
    label: 'Torque tool was used',
    ask: 'see the tool and its calibration date',
    when: withInlet,
  }),
  torqueSigned: yesNo({
    label: 'The installer signed for the torque, with a date',
    ask: 'ask for the sheet: value, name, date; else everything is made dead and it is set again',
    sound: 'no',
    when: (transfer, site) => withInlet(transfer, site) && transfer.torqueTool === 'no',
  }),
  location: choice(
    { first: 'First behind the meter', behind: 'Behind the service disconnect', meter: 'At the meter itself' },
    { label: 'Where the switch stands', ask: 'follow the service conductors from the meter', when: withWholeHouse },
  ),
  serviceEquipment: yesNo({
    label: 'Marked suitable as service equipment',
    ask: 'read its label',
    when: withFirstSwitch,
  }),
  meterListed: yesNo({
    label: 'Listed as a meter-mounted transfer switch, and the utility agrees',
    ask: 'read its label; ask for the utility’s letter',
    when: (transfer, site) => withWholeHouse(transfer, site) && transfer.location === 'meter',
  }),
  utilityA: device(
    'Service or feeder that it switches',
    'read the breaker ahead of it, or the rating of the service',
    [200, 100, 150, 125],
    withWholeHouse,
  ),
  withstandKa: amount('kA', [1, 200], [10, 22, 25, 42, 65], {
    label: 'Short-circuit rating of the switch',
    ask: 'read its label, with the breaker that it names',
    when: withWholeHouse,
  }),
  serviceMetal: choice(
    { copper: 'Copper', aluminum: 'Aluminum' },
    { label: 'Metal of its utility conductors', ask: 'look at a stripped end', when: withWholeHouse },
  ),
  serviceAwg: wireSize(SERVICE_SIZES, {
    label: 'Size of its utility conductors',
    ask: 'read the conductor, AWG or kcmil; the smaller of line and load side',
    when: withWholeHouse,
  }),
  serviceSets: amount('', [1, 4], [1, 2], {
    label: 'Sets of utility conductors in parallel',
    ask: 'count the conductors on one lug: sets of 1/0 AWG and larger may run side by side',
    sound: 1,
    when: (transfer, site) => withWholeHouse(transfer, site) && Number(transfer.utilityA ?? 0) > 200,
  }),
  fourWire: yesNo({
    label: 'Four wires from the switch to the panel',
    ask: 'count: two hots, neutral, and an equipment ground of its own',
    when: aheadOfPanel,
  }),
  surgeProtected: yesNo({
    label: 'Surge protection at the service',
    ask: 'look for a listed surge-protective device, type 1 or 2, in or beside the service equipment',
    sound: 'yes',
    when: withFirstSwitch,
  }),
  emergencyDisconnect: yesNo({
    label: 'Emergency disconnect outdoors, marked',
    ask: 'look outside, in reach: a disconnect marked EMERGENCY DISCONNECT',
    when: withFirstSwitch,
  }),
  workingSpace: yesNo({
    label: 'Working space at the transfer equipment',
    ask: 'tape: 30 in wide, 36 in deep, 6½ ft high, kept clear',
    when: withTrait('ownSpace'),
  }),
  neutralOnGfciBreaker: yesNo({
    label: 'A moved circuit’s neutral stays on a GFCI or AFCI breaker',
    says: ['One stays', 'None stays'],
    so: 'No moved neutral stays on a breaker with a test button',
    ask: 'look in the panel: a moved circuit whose white or pigtail still lands on a breaker with a test button',
    when: withMovedCircuits,
  }),
  gfciAfciKept: yesNo({
    label: 'GFCI and AFCI protection kept',
    ask: 'compare each moved circuit with what it had before',
    when: withMovedCircuits,
  }),
  barsApart: yesNo({
    label: 'Neutrals and grounds apart in the transfer panel',
    ask: 'cover of the transfer panel off, both sources off: its neutral bar insulated, no bonding screw or strap, grounds on a bar of their own',
    sound: 'yes',
    when: withTrait('ownPanel'),
  }),
  leadsLanded: yesNo({
    label: 'Lettered leads landed in pairs',
    ask: 'follow each pair: line lead to the breaker, load lead to the circuit',
    when: splicedIn,
  }),
  neutralTraced: yesNo({
    label: 'Neutral of the circuit goes through the switch',
    ask: 'load neutral on the load lead, line neutral on the line lead; meter with both off',
    when: single,
  }),
  circuitLimitA: device(
    'Largest circuit the switch is rated for',
    'read the label of the switch; 30 A if it says nothing',
    [30, 20, 50],
    withTrait('handlePerPole'),
  ),
  box: choice<BoxName | 'marked'>(
    {
      ...labeled(Object.keys(BOX_TYPES) as BoxName[], (name) => BOX_TYPES[name].label),
      marked: 'Another, volume marked',
    },
    { label: 'Box with the splices', ask: 'read or measure it', when: single },
  ),
  boxIn3: amount('in³', [4, 500], [22.5, 34, 42, 50], {
    label: 'Volume marked in the box',
    ask: 'read it inside the box',
    when: (transfer, site) => single(transfer, site) && transfer.box === 'marked',
  }),
  boxAwg: wireSize(boxConductorSizes(), {
    label: 'Largest conductor in the box',
    ask: 'read it',
    when: single,
  }),
  boxConductors: amount('', [0, 40], [4, 6, 8, 3, 5], {
    label: 'Insulated conductors in the box',
    ask: 'count each that enters or passes; a loop counts once',
    when: single,
  }),
  boxGrounds: amount('', [0, 20], [3, 2, 4], {
    label: 'Equipment grounds in the box',
    ask: 'count them',
    when: single,
  }),
  boxClamps: yesNo({
    label: 'Clamps inside the box',
    ask: 'look for clamps that take room inside',
    when: single,
  }),
  boxDevices: amount('', [0, 4], [1, 0, 2], {
    label: 'Switches or receptacles in the box',
    ask: 'count the yokes',
    when: single,
  }),
  conductorFillPercent: amount('%', [0, 100], [20, 30, 40], {
    label: 'Conductors fill the panel gutter',
    ask: 'fullest cross-section: share of the gutter that conductors take',
    when: splicedIn,
  }),
  fillCounted: yesNo({
    label: 'The fill was worked out, not judged by eye',
    ask: 'by eye a third of conductors and a half with splices is room enough, over half and over three quarters is too much; between, count conductors and areas',
    sound: 'yes',
    when: (transfer, site) =>
      splicedIn(transfer, site) &&
      (between(transfer.conductorFillPercent, FILL_BY_EYE_PERCENT.conductors) ||
        between(transfer.spliceFillPercent, FILL_BY_EYE_PERCENT.splices)),
  }),
  spliceFillPercent: amount('%', [0, 100], [30, 50, 75], {
    label: 'Conductors and splices fill the panel gutter',
    ask: 'fullest cross-section: share of the gutter that conductors, splices and taps take',
    when: splicedIn,
  }),
  loadManaged: yesNo({
    label: 'Load is managed automatically',
    ask: 'look for load-shed modules or a listed controller',
    when: automatic,
  }),
  transferredW: amount('W', [100, 100_000], [5000, 7000, 9500, 12_000, 20_000], {
    label: 'Load that transfers by itself',
    ask: 'calculated load of everything the switch connects',
    when: automatic,
  }),
});
