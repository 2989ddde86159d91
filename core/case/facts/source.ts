import { CONFIGURATIONS, FLOATING_OHM, fahrenheitToC, type ConfigurationName } from '../../codebook';
import { NOT_SEEN, amount, choice, yesNo } from '../fact';
import { configuration, device, station, wired, withInlet } from '../parts';

type Source = Readonly<Record<string, unknown>>;
type Site = Parameters<typeof wired>[1];
const engine = (source: Source) => source.kind !== 'power-station';
const joined = (source: Source) => source.units !== undefined && source.units !== 'one' && source.units !== NOT_SEEN;
const standing = (source: Source, site: Site) =>
  withInlet(source, site) && (source.connection === 'permanent' || Number(source.runningW ?? 0) > 15_000);
const lacksGfci = (source: Source) =>
  engine(source) && (source.receptacles120 === 'some-unprotected' || source.receptacles120 === 'interlocked');
const bondChanged = (source: Source, site: Site) =>
  wired(source, site) && (source.bondAltered === 'jumper' || source.bondAltered === 'removed');
const POLES_OF = (source: Source) => CONFIGURATIONS[source.outlet as ConfigurationName]?.poles;

export const source = station({
  kind: choice(
    { engine: 'Engine', 'power-station': 'Battery power station' },
    { label: 'Kind of source', ask: 'look: an engine with exhaust, or a battery unit' },
  ),
  nameplate: choice(
    { legible: 'Legible', illegible: 'Illegible', missing: 'Missing' },
    { label: 'Nameplate', ask: 'find it on the frame: volts, watts or amps, hertz' },
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
  startingW: amount('W', [100, 80_000], [8750, 6250, 7500, 10_000, 12_000, 15_000, 4400, 2500], {
    label: 'Starting watts',
    ask: 'nameplate: starting, surge or peak watts',
  }),
  makerSiteW: amount('W', [100, 50_000], [], {
    label: 'Maker’s watts for this fuel and site',
    ask: 'manual: output on this fuel, at this altitude and heat; leave it open if the maker gives none',
    when: engine,
  }),
  altitudeFt: amount('ft', [-300, 15_000], [0, 1000, 2000, 3000, 4000, 5000, 6000], {
    label: 'Altitude of the site',
    ask: 'map, or the phone’s own altitude',
    when: engine,
  }),
  airF: amount(
    '°F',
    [-40, 130],
    [77, 87, 97, 107].map((degrees) => [degrees, `${degrees} (${fahrenheitToC(degrees)} °C)`] as const),
    {
      label: 'Hottest air where it runs',
      ask: 'the hottest day on which it is meant to run',
      when: engine,
    },
  ),
  units: choice(
    {
      one: 'One unit',
      'parallel-120': 'Two in parallel, 120 V kit',
      'parallel-split': 'Two in parallel, kit made for 120/240 V',
      'paired-stations': 'Two power stations, one a leg',
    },
    { label: 'Units', ask: 'follow every cord of the source: one unit, or two joined by a kit' },
  ),
  pairListed: yesNo({
    label: 'Kit is the maker’s for these two',
    ask: 'read the kit and both manuals: do they name each other',
    when: joined,
  }),
  pairStops: yesNo({
    label: 'Both stop when one stops',
    ask: 'manual, or stop one and meter the other leg: it must go dead',
    when: (source) => source.units === 'paired-stations' || source.units === 'parallel-split',
  }),
  chargedFromItself: yesNo({
    label: 'Charged from a circuit that it feeds',
    says: ['From one that it feeds', 'From elsewhere'],
    ask: 'follow its charging cord: the outlet must not be on a circuit of this transfer equipment',
    when: (source, site) => source.kind === 'power-station' && wired(source, site),
  }),
  chargesWhileFeeding: yesNo({
    label: 'It takes utility power while it feeds the house',
    says: ['Takes it', 'Takes none'],
    ask: 'manual, and follow its charging cord: a station that passes utility power on, or charges from it while it feeds, ties the two',
    sound: 'no',
    when: (source, site) => source.kind === 'power-station' && wired(source, site),
  }),
  connection: choice(
    { 'cord-and-plug': 'Cord and plug', permanent: 'Wired permanently' },
    { label: 'Connected by', ask: 'look: a cord that a hand can unplug, or fixed wiring', when: withInlet },
  ),
  disconnect: yesNo({
    label: 'Disconnecting means at the source',
    ask: 'look for a lockable switch or breaker that opens all ungrounded conductors, in sight and readily reached',
    when: standing,
  }),
  buildingDisconnect: yesNo({
    label: 'Disconnecting means at the building',
    ask: 'look where the feeder enters for a switch that opens all its ungrounded conductors',
    when: standing,
  }),
  outlet: configuration('Receptacle in use', 'look at the face of the receptacle that feeds the cord'),
  selector: choice(
    { none: 'None fitted', both: 'At 120/240 V', '120': 'At 120 V only' },
    {
      label: 'Voltage selector',
      ask: 'look beside the receptacles for a switch that says 120 V only or 120/240 V',
      when: (source) => source.voltage !== '120' && POLES_OF(source) !== undefined,
    },
  ),
  outletW: amount('W', [100, 50_000], [], {
    label: 'Maker’s watts at this receptacle',
    ask: 'manual: what this 120 V receptacle gives by itself; leave it open if the maker gives none: half the nameplate then, one winding of two',
    when: (source) => source.voltage === '120/240' && source.selector !== '120' && POLES_OF(source) === 2,
  }),
  outletDevice: choice(
    { own: 'Its own breaker', none: 'None' },
    { label: 'Overcurrent device ahead of it', ask: 'look for a breaker or button that belongs to this receptacle' },
  ),
  outletBreakerA: device(
    'Outlet breaker',
    'read the number on the breaker or button that feeds this receptacle',
    [30, 50, 20, 15, 40],
    (source) => source.outletDevice !== 'none' || source.outletBreakerA !== undefined, // a number beside no breaker is asked about again
  ),
  limitsItself: yesNo({
    label: 'Its design prevents overload',
    ask: 'manual: does it say that the source cannot give more than its rated current',
    sound: 'no',
    when: (source) => source.outletDevice === 'none',
  }),
  outletPoles: choice(
    [
      ['1', 'One pole'],
      ['2', 'Two poles'],
    ],
    {
      label: 'Poles of the outlet breaker',
      ask: 'look: one handle, or two joined; each pole lets its whole rating pass',
      when: (source) => source.voltage === '120' && POLES_OF(source) === 3,
    },
  ),
  outletGfci: yesNo({
    label: 'Receptacle in use is GFCI-protected',
    ask: 'look for a test button at the receptacle or its breaker',
    when: withInlet,
  }),
  receptacles120: choice(
    {
      protected: 'All with GFCI',
      interlocked: 'Dead while 240 V is used',
      'some-unprotected': 'Some without GFCI',
      'none-fitted': 'None fitted',
    },
    {
      label: 'Its 120 V, 15 and 20 A receptacles',
      ask: 'look for a test button at each, or one breaker with a test button ahead of all',
      when: engine,
    },
  ),
  madeBefore2015: yesNo({
    label: 'Made before 2015',
    ask: 'date on the nameplate; leave it open if there is none',
    when: lacksGfci,
  }),
  gfciCordSets: yesNo({
    label: 'Listed GFCI cord sets are used with it',
    ask: 'look at the cord sets: a test button within the first foot, and a listing mark',
    when: (source) => source.madeBefore2015 === 'yes' && lacksGfci(source),
  }),
  neutralBond: choice(
    { floating: 'Floating', bonded: 'Bonded to frame' },
    { label: 'Neutral of the source', ask: 'meter: neutral to frame, engine off, nothing plugged in' },
  ),
  neutralFrameOhm: amount('Ω', [0, 1_000_000], [[1_000_000, 'Open (OL)'], 0.1, 0.2, 0.5, 1, 10, 1000], {
    label: 'Neutral to frame, measured',
    ask: 'meter: neutral to frame, engine off, nothing plugged in; write OL as open',
  }),
  hotFrameV: amount('V', [0, 300], [120, 0, 60], {
    label: 'Hot to frame, running',
    ask: 'meter at low impedance: running, nothing plugged in, a hot to the frame; some 120 V where a relay bonds the neutral while it runs, little where it floats',
    when: (source) => source.neutralBond === 'bonded' && Number(source.neutralFrameOhm ?? 0) >= FLOATING_OHM,
  }),
  bondAltered: choice(
    {
      none: 'As it came',
      jumper: 'Jumper added inside',
      plug: 'Bonding plug in a receptacle',
      removed: 'Bond taken out',
    },
    {
      label: 'Bond changed by somebody',
      ask: 'look for a plug with no cord, and for fresh wire behind the panel',
      when: wired,
    },
  ),
  bondChangeProvided: yesNo({
    label: 'The maker provides for the change',
    ask: 'manual: does it say how this bond may be made or opened',
    when: bondChanged,
  }),
  bondChangeMarked: yesNo({
    label: 'The change is marked on the source',
    ask: 'look for a durable label that says bonded or floating, as it is now',
    when: bondChanged,
  }),
});
