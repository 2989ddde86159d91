import { amount, choice, yesNo } from '../fact';
import { station, whenSite, withBothLegs, withInlet } from '../parts';

const when = withInlet;
const tried = (label: string, ask: string, kinds = when) =>
  choice({ blocked: 'Blocked', moved: 'It closed' }, { label, ask, when: kinds });

export const functionTest = station({
  generatorWithMainOn: tried(
    'Generator on while utility is on',
    'utility closed: push the generator handle as hard as a hand can; at a switch, try every handle',
  ),
  mainWithGeneratorOn: tried(
    'Utility on while generator is on',
    'generator closed, source unplugged: push the utility handle as hard as a hand can',
  ),
  bothWithCoverOff: tried(
    'Both on with the cover off',
    'only a qualified person, dead: cover off, try the same two moves',
    whenSite('transfer', 'mountedOn', 'cover'),
  ),
  bothWithPartMoved: tried(
    'Both on with the part lifted, turned or half-way',
    'lift, turn and half-slide the moving part, then try both handles',
  ),
  eachAlone: choice(
    { both: 'Each closes alone', 'not-both': 'One cannot be closed' },
    { label: 'Each source alone', ask: 'utility alone, then generator alone: both must close fully', when },
  ),
  legAV: amount('V', [0, 300], [120, 122, 118, 0], {
    label: 'Leg A to neutral, under load',
    ask: 'meter at the panel, source running and loaded',
    when: withBothLegs,
  }),
  legBV: amount('V', [0, 300], [120, 122, 118, 0], {
    label: 'Leg B to neutral, under load',
    ask: 'meter at the panel, source running and loaded',
    when: withBothLegs,
  }),
  legsV: amount('V', [0, 600], [240, 244, 236, 0], {
    label: 'Leg to leg, under load',
    ask: 'meter at the panel, source running and loaded',
    when: withBothLegs,
  }),
  hertz: amount('Hz', [30, 90], [60, 59, 61, 62], {
    label: 'Hertz under load',
    ask: 'meter with a frequency range, under load',
    when: withBothLegs,
  }),
  pinsV: amount('V', [0, 300], [0, 120, 240], {
    label: 'Highest volts at the inlet pins',
    ask: 'meter: each pin to each and to ground, utility on, transfer at utility, nothing plugged in',
    when,
  }),
  gfciTrips: yesNo({
    label: 'GFCI trips at its test button',
    ask: 'press it with the source running, then reset',
    when: whenSite('source', 'receptacles120', 'protected', 'some-unprotected'),
  }),
  drillShown: yesNo({
    label: 'Drill shown with the owner',
    ask: 'the owner starts, transfers, transfers back and stops, in order',
    when,
  }),
});
