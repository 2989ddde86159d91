import { OFFICE_NUMBERS } from '../../codebook';
import { NOT_SEEN, amount, choice, yesNo } from '../fact';
import { both, device, station, whenSite, wired, withTrait } from '../parts';

/** A source that feeds the bus meets whatever else does; one that takes single circuits off it does not. */
const onThisBus: ReturnType<typeof withTrait> = (panel, site) => !withTrait('splicedIn')(panel, site);

const hasOther: typeof onThisBus = (panel, site) =>
  onThisBus(panel, site) && ![undefined, 'none', NOT_SEEN].includes(panel.otherSources as string | undefined);
/** A switch ahead of the panel. */
const behindSwitch = both(withTrait('wholeHouse'), whenSite('transfer', 'location', 'first', 'behind'));

export const panel = station({
  mains: choice(
    {
      one: 'One main',
      several: 'Several mains on one feed',
      'split-bus': 'Split bus',
      'two-feeds': 'Two feeds or meters on one bus',
    },
    { label: 'Mains of the house’s panel', ask: 'with what one handle off is the whole bus dead: look, then meter' },
  ),
  otherSources: choice(
    {
      none: 'None',
      photovoltaic: 'Solar',
      battery: 'Battery',
      vehicle: 'A car that feeds back',
      generator: 'Another generator',
    },
    {
      label: 'Other sources on this bus',
      when: onThisBus,
      ask: 'read the directory and signs at meter and panel; look at the roof and in the garage',
    },
  ),
  otherLands: choice(
    {
      ahead: 'Ahead of the main or switch',
      'unfed-bus': 'On a bus that this source never feeds',
      'fed-bus': 'On the bus that this source feeds',
    },
    {
      label: 'Where the other source lands',
      ask: 'follow its conductors from its disconnect: ahead of what is opened for this source, or on the bus that this one feeds',
      when: hasOther,
    },
  ),
  otherHeld: choice(
    {
      interlocked: 'Its disconnect is interlocked with this source, or locked open while it runs',
      listed: 'Both are listed to work together',
      neither: 'Neither',
    },
    {
      label: 'What keeps the other source off while this one runs',
      ask: 'look for an interlock or a lock at its disconnect; what goes off without utility starts again as soon as this source makes volts',
      when: (panel, site) => hasOther(panel, site) && panel.otherLands === 'fed-bus',
    },
  ),
  otherIslanded: choice(
    { off: 'Goes off with the utility', isolated: 'Isolates itself from this bus', feeds: 'May feed the bus' },
    {
      label: 'The other source while this one runs',
      ask: 'its manual and sign: what it does without utility',
      retired: true,
    },
  ),
  place: choice(
    {
      suitable: 'A place that suits',
      bathroom: 'A bathroom',
      'clothes-closet': 'A clothes closet, or near what burns easily',
      stairs: 'Over the steps of a stairway',
      damp: 'Where water or blows reach it',
    },
    { label: 'Where the panel is', ask: 'look around it' },
  ),
  existing: yesNo({
    label: 'Panel was here before this work',
    ask: 'age of panel and house; permits',
    when: (panel) =>
      ![undefined, 'suitable'].includes(panel.place as string) ||
      Number(panel.heightFt ?? Infinity) < OFFICE_NUMBERS.workingHeightFt.max,
  }),
  widthIn: amount('in', [0, 200], [30, 36, 24], { label: 'Clear width', ask: 'tape: across the front of the panel' }),
  depthIn: amount('in', [0, 400], [36, 42, 30], { label: 'Clear depth', ask: 'tape: from its face outward' }),
  heightFt: amount('ft', [0, 30], [6.5, 7, 8, 6], { label: 'Clear height', ask: 'tape: from the floor up' }),
  handlesLow: yesNo({
    label: 'No handle higher than 6 ft 7 in',
    ask: 'look: the middle of the highest handle, in its upper position, is in reach of an arm',
    sound: 'yes',
    when: wired,
  }),
  dedicatedSpace: yesNo({
    label: 'Nothing foreign above or below the panel',
    ask: 'look from floor to 6 ft above it: no pipe, duct or other equipment in its width and depth',
    sound: 'yes',
    when: wired,
  }),
  lit: yesNo({
    label: 'There is light at the panel',
    ask: 'look for a lamp that shines on it, not switched by a sensor alone',
    sound: 'yes',
    when: wired,
  }),
  neverFlooded: yesNo({
    label: 'No equipment here stood under water',
    ask: 'look for a line of silt or rust in panel, switch and inlet; ask the owner',
    sound: 'yes',
    when: wired,
  }),
  mainOffV: amount('V', [0, 300], [0, 120, 240], {
    label: 'Highest volts on the bus, main off',
    ask: 'main off, source off and unplugged: each leg to neutral and to the other; both must be dead',
    sound: 0,
    when: withTrait('feedsHouseBus'),
  }),
  openingsClosed: yesNo({ label: 'Unused openings closed', ask: 'look: knockouts and breaker spaces' }),
  screwsClear: yesNo({
    label: 'Cover screws clear of conductors',
    ask: 'look: the panel’s own blunt screws, no conductor behind a hole',
  }),
  doubleTaps: yesNo({
    label: 'Two conductors under one screw',
    says: ['Two under one', 'One under each'],
    so: 'One conductor under each screw',
    ask: 'look at breakers, lugs and the neutral bar; some terminals are marked for two',
  }),
  coverFits: yesNo({ label: 'Cover fits and is on', ask: 'look: all screws, no gap, breakers flush' }),
  directoryTrue: yesNo({
    label: 'Directory is true',
    ask: 'switch off three circuits and go and look, moved ones first',
  }),
  kind: choice(
    { service: 'Service equipment', subpanel: 'Subpanel' },
    { label: 'The house’s panel is', ask: 'find the service disconnect: is it in here' },
  ),
  neutralsAndGrounds: choice(
    { together: 'On one bar', apart: 'Apart, neutral insulated' },
    { label: 'Neutrals and grounds in the house’s panel', ask: 'look at its bars and for the bonding screw' },
  ),
  separateBuilding: yesNo({
    label: 'An existing separate building, fed by three wires',
    ask: 'a building of its own, fed before this work by hots and neutral alone, with no other metal path between the two',
    sound: 'no',
    when: (panel, site) =>
      behindSwitch(panel, site) && (panel.kind === 'service' || panel.neutralsAndGrounds === 'together'),
  }),
  mainHeld: choice(
    { 'built-in': 'Built in or bolted', held: 'Plugged on and held down', loose: 'Plugged on, nothing holds it' },
    {
      label: 'How the main is held',
      ask: 'look: a main that plugs on like a branch breaker stays live from its lugs when it is pulled',
      sound: 'built-in',
      when: wired,
    },
  ),
  tandems: choice(
    { none: 'None, or where the label permits', unmarked: 'In a space not marked for one' },
    {
      label: 'Tandem breakers',
      so: 'No tandem breaker but where the label permits one',
      ask: 'compare each tandem with the panel’s label: it names the spaces that take one',
      sound: 'none',
      when: wired,
    },
  ),
  mainBondingJumper: yesNo({
    label: 'Main bonding jumper at the service',
    ask: 'find the screw or strap that ties neutral to the enclosure at the service disconnect',
  }),
  electrodeConductor: yesNo({
    label: 'Grounding electrode conductor at the service',
    ask: 'follow it from the neutral bar of the service to rod, pipe or footing',
  }),
  busA: device('Bus of the house’s panel', 'read the panel label', [200, 100, 125, 150, 225]),
  mainA: device('Main of the house’s panel, or what feeds it', 'read its handle', [200, 100, 125, 150, 60]),
});
