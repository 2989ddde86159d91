import { OFFICE_NUMBERS } from '../../codebook';
import { NOT_SEEN, amount, choice, yesNo } from '../fact';
import { device, station, withTrait } from '../parts';

/** A source that feeds the bus meets whatever else does; one that takes single circuits off it does not. */
const onThisBus: ReturnType<typeof withTrait> = (panel, site) => !withTrait('splicedIn')(panel, site);

export const panel = station({
  mains: choice(
    {
      one: 'One main',
      several: 'Several mains on one feed',
      'split-bus': 'Split bus',
      'two-feeds': 'Two feeds or meters on one bus',
    },
    { label: 'Mains of this panel', ask: 'with what one handle off is the whole bus dead: look, then meter' },
  ),
  otherSources: choice(
    {
      none: 'None',
      photovoltaic: 'Photovoltaics',
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
  otherIslanded: choice(
    { off: 'Goes off with the utility', isolated: 'Isolates itself from this bus', feeds: 'May feed the bus' },
    {
      label: 'The other source while this one runs',
      ask: 'its manual and sign: what it does without utility; a generator may look like the utility to it',
      when: (panel, site) =>
        onThisBus(panel, site) &&
        panel.otherSources !== undefined &&
        panel.otherSources !== 'none' &&
        panel.otherSources !== NOT_SEEN,
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
  openingsClosed: yesNo({ label: 'Unused openings closed', ask: 'look: knockouts and breaker spaces' }),
  screwsClear: yesNo({
    label: 'Cover screws clear of conductors',
    ask: 'look: the panel’s own blunt screws, no conductor behind a hole',
  }),
  doubleTaps: yesNo({
    label: 'Two conductors under one screw',
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
    { label: 'This panel is', ask: 'find the service disconnect: is it in here' },
  ),
  neutralsAndGrounds: choice(
    { together: 'On one bar', apart: 'Apart, neutral insulated' },
    { label: 'Neutrals and grounds', ask: 'look at the bars and for the bonding screw' },
  ),
  mainBondingJumper: yesNo({
    label: 'Main bonding jumper at the service',
    ask: 'find the screw or strap that ties neutral to the enclosure at the service disconnect',
  }),
  electrodeConductor: yesNo({
    label: 'Grounding electrode conductor at the service',
    ask: 'follow it from the neutral bar of the service to rod, pipe or footing',
  }),
  busA: device('Bus rating', 'read the panel label', [200, 100, 125, 150, 225]),
  mainA: device('Main or feeding breaker', 'read its handle', [200, 100, 125, 150, 60]),
});
