import { amount, choice, yesNo } from '../fact';
import { configuration, device, station, wired, withInlet } from '../parts';

const engine = (source: Readonly<Record<string, unknown>>) => source.kind !== 'power-station';

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
  airF: amount('°F', [-40, 130], [77, 87, 97, 107], {
    label: 'Hottest air where it runs',
    ask: 'the hottest day on which it is meant to run; 77 °F is 25 °C',
    when: engine,
  }),
  connection: choice(
    { 'cord-and-plug': 'Cord and plug', permanent: 'Wired permanently' },
    { label: 'Connected by', ask: 'look: a cord that a hand can unplug, or fixed wiring', when: withInlet },
  ),
  disconnect: yesNo({
    label: 'Disconnecting means at the source',
    ask: 'look for a lockable switch or breaker that opens all ungrounded conductors',
    when: (source) => source.connection === 'permanent' || Number(source.runningW ?? 0) > 15_000,
  }),
  outlet: configuration('Receptacle in use', 'look at the face of the receptacle that feeds the cord'),
  outletDevice: choice(
    { own: 'Its own breaker', none: 'None' },
    { label: 'Overcurrent device ahead of it', ask: 'look for a breaker or button that belongs to this receptacle' },
  ),
  outletBreakerA: device(
    'Outlet breaker',
    'read the number on the breaker or button that feeds this receptacle',
    [30, 50, 20, 15, 40],
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
  neutralBond: choice(
    { floating: 'Floating', bonded: 'Bonded to frame' },
    { label: 'Neutral of the source', ask: 'meter: neutral to frame, engine off, nothing plugged in' },
  ),
  neutralFrameOhm: amount('Ω', [0, 1_000_000], [[1_000_000, 'Open (OL)'], 0.1, 0.2, 0.5, 1, 10, 1000], {
    label: 'Neutral to frame, measured',
    ask: 'meter: neutral to frame, engine off, nothing plugged in; write OL as open',
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
});
