import { BOX_TYPES, boxConductorSizes, type BoxName } from '../../codebook';
import { MECHANISMS, type MechanismName } from '../mechanisms';
import { amount, choice, wireSize, yesNo } from '../fact';
import {
  TRANSFER_KINDS,
  device,
  labelled,
  station,
  withKinds,
  type TransferKind,
  withInlet,
  withMovedCircuits,
} from '../parts';

const interlock = withKinds('retrofit-interlock');
const splicedIn = withKinds('load-side-switch', 'single-circuit-switch');

export const transfer = station({
  kind: choice<TransferKind>(TRANSFER_KINDS, {
    label: 'Transfer means',
    ask: 'look what keeps the source and the utility apart',
  }),
  backfeedsOutlet: yesNo({
    label: 'A cord feeds the house through an outlet',
    ask: 'look at dryer, range, welder and air-conditioner outlets, and for a cord with two plugs',
  }),
  mechanism: choice<MechanismName>(
    labelled(Object.keys(MECHANISMS) as MechanismName[], (name) => MECHANISMS[name].label),
    {
      label: 'How it keeps them apart',
      ask: 'look at what moves: a plate, a linkage between handles, or one handle with two ends',
      when: withInlet,
    },
  ),
  fit: choice(
    {
      sound: 'Sound',
      loose: 'Loose: it lifts or turns',
      'wrong-spacing': 'Does not reach a handle',
      'tie-missing': 'Common tie missing',
    },
    { label: 'How it sits', ask: 'pull, lift and turn it by hand, both ways', when: withInlet },
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
    'Rated amps of the transfer means',
    'read its label; for an interlock the breaker’s own',
    [30, 50, 60, 100, 200],
    withInlet,
  ),
  ratingV: amount('V', [120, 600], [240, 120], {
    label: 'Rated volts of the transfer means',
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
    when: withInlet,
  }),
  torqueTool: yesNo({
    label: 'Torque tool was used',
    ask: 'see the tool and its calibration date',
    when: withInlet,
  }),
  gfciAfciKept: yesNo({
    label: 'GFCI and AFCI protection kept',
    ask: 'compare each moved circuit with what it had before',
    when: withMovedCircuits,
  }),
  leadsLanded: yesNo({
    label: 'Lettered leads landed in pairs',
    ask: 'follow each pair: line lead to the breaker, load lead to the circuit',
    when: splicedIn,
  }),
  neutralTraced: yesNo({
    label: 'Neutral of the circuit goes through the switch',
    ask: 'load neutral on the load lead, line neutral on the line lead; meter with both off',
    when: withKinds('single-circuit-switch'),
  }),
  circuitLimitA: device(
    'Largest circuit the switch is rated for',
    'read the label of the switch; 30 A if it says nothing',
    [30, 20, 50],
    withKinds('load-side-switch'),
  ),
  box: choice<BoxName>(
    labelled(Object.keys(BOX_TYPES) as BoxName[], (name) => BOX_TYPES[name].label),
    { label: 'Box with the splices', ask: 'read or measure it', when: withKinds('single-circuit-switch') },
  ),
  boxAwg: wireSize(boxConductorSizes(), {
    label: 'Largest conductor in the box',
    ask: 'read it',
    when: withKinds('single-circuit-switch'),
  }),
  boxConductors: amount('', [0, 40], [4, 6, 8, 3, 5], {
    label: 'Insulated conductors in the box',
    ask: 'count each that enters or passes; a loop counts once',
    when: withKinds('single-circuit-switch'),
  }),
  boxGrounds: amount('', [0, 20], [3, 2, 4], {
    label: 'Equipment grounds in the box',
    ask: 'count them',
    when: withKinds('single-circuit-switch'),
  }),
  boxClamps: yesNo({
    label: 'Clamps inside the box',
    ask: 'look for clamps that take room inside',
    when: withKinds('single-circuit-switch'),
  }),
  boxDevices: amount('', [0, 4], [1, 0, 2], {
    label: 'Switches or receptacles in the box',
    ask: 'count the yokes',
    when: withKinds('single-circuit-switch'),
  }),
  conductorFillPercent: amount('%', [0, 100], [20, 30, 40], {
    label: 'Conductors fill the panel gutter',
    ask: 'fullest cross-section: share of the gutter that conductors take',
    when: splicedIn,
  }),
  spliceFillPercent: amount('%', [0, 100], [30, 50, 75], {
    label: 'Conductors and splices fill the panel gutter',
    ask: 'fullest cross-section: share of the gutter that conductors, splices and taps take',
    when: splicedIn,
  }),
  loadManaged: yesNo({
    label: 'Load is managed automatically',
    ask: 'look for load-shed modules or a listed controller',
    when: withKinds('whole-house-automatic'),
  }),
  transferredW: amount('W', [100, 100_000], [5000, 7000, 9500, 12_000, 20_000], {
    label: 'Load that transfers by itself',
    ask: 'calculated load of everything the switch connects',
    when: withKinds('whole-house-automatic'),
  }),
});
