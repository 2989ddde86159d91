import { OFFICE_NUMBERS } from '../../codebook';
import { amount, choice, yesNo } from '../fact';
import type { MechanismName } from '../mechanisms';
import { both, station, whenSite, withInlet, withTrait } from '../parts';

const when = withInlet;
const withBothLegs = withTrait('bothLegs');
const withMechanism = (...names: MechanismName[]) => whenSite('transfer', 'mechanism', ...names);
/** Two handles with something between them. */
const withTwoHandles = withMechanism('sliding-plate', 'two-part-plate', 'linkage', 'linked-mains');
/** Something between them that a hand can lift, turn or slide. */
const withPart = withMechanism('sliding-plate', 'two-part-plate');
const loadOnOne: typeof withBothLegs = (test, site) =>
  withBothLegs(test, site) && (test.loadOn === 'A' || test.loadOn === 'B');
/** Asked of mechanisms of some kinds; what was found wrong is asked about until it is found otherwise, whatever the mechanism turns out to be. */
const untilFoundRight =
  (key: string, wrong: string, kinds: typeof when): typeof when =>
  (test, site) =>
    kinds(test, site) || (when(test, site) && test[key] === wrong);
const tried = (key: string, label: string, ask: string, kinds: typeof when) =>
  choice({ blocked: 'Blocked', moved: 'It closed' }, { label, ask, when: untilFoundRight(key, 'moved', kinds) });

export const functionTest = station({
  generatorWithMainOn: tried(
    'generatorWithMainOn',
    'Generator on while utility is on',
    'cord unplugged, inlet lid shut and watched, for its pins go live if it gives way: utility closed, push the generator handle as hard as a hand can, each pole',
    withTwoHandles,
  ),
  mainWithGeneratorOn: tried(
    'mainWithGeneratorOn',
    'Utility on while generator is on',
    'cord unplugged, inlet lid shut and watched: generator closed, push the utility handle as hard as a hand can',
    withTwoHandles,
  ),
  coverOnHolds: yesNo({
    label: 'Blocks with the cover on, all screws in',
    ask: 'cover on, every screw in: the part must not lift or shift with it',
    when: untilFoundRight('coverOnHolds', 'no', both(whenSite('transfer', 'mountedOn', 'cover'), withTrait('onPanel'))),
  }),
  bothWithPartMoved: tried(
    'bothWithPartMoved',
    'Both on with the part lifted, turned or half-way',
    'lift, turn and half-slide the moving part, then try both handles',
    withPart,
  ),
  opensFirst: yesNo({
    label: 'Opens one source before it closes the other',
    ask: 'move every handle slowly, both ways: it must pass through off, and never stand between',
    when: untilFoundRight('opensFirst', 'no', withMechanism('circuit-handles', 'double-throw')),
  }),
  handlesIndependent: yesNo({
    label: 'Each handle moves alone, tied pairs together',
    ask: 'throw every handle: its neighbors must stay, the other half of its pair must come along',
    when: untilFoundRight(
      'handlesIndependent',
      'no',
      both(withMechanism('circuit-handles'), withTrait('handlePerPole')),
    ),
  }),
  cycle: yesNo({
    label: 'Goes over and comes back by itself',
    ask: 'by its test button or the utility breaker, never by pushing a contactor: over to the source, and back',
    when: untilFoundRight('cycle', 'no', withMechanism('automatic')),
  }),
  eachAlone: choice(
    { both: 'Each closes alone', 'not-both': 'One cannot be closed' },
    {
      label: 'Each source alone',
      ask: 'utility alone, then generator alone: both must close fully',
      when: untilFoundRight(
        'eachAlone',
        'not-both',
        withMechanism('sliding-plate', 'two-part-plate', 'linkage', 'linked-mains', 'circuit-handles', 'double-throw'),
      ),
    },
  ),
  loadOn: choice(
    { A: 'Leg A alone', B: 'Leg B alone', both: 'Both legs alike' },
    {
      label: 'Where the load was',
      ask: 'put a real load on one leg alone (a heater of 1,000 W or more); a balanced load hides an open neutral',
      when: withBothLegs,
    },
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
  otherLegAV: amount('V', [0, 300], [120, 122, 118, 0], {
    label: 'Leg A to neutral, load on the other leg',
    ask: 'move the load to the other leg; same meter, same place',
    when: loadOnOne,
  }),
  otherLegBV: amount('V', [0, 300], [120, 122, 118, 0], {
    label: 'Leg B to neutral, load on the other leg',
    ask: 'move the load to the other leg; same meter, same place',
    when: loadOnOne,
  }),
  groundA: amount('A', [0, 200], [0, 0.1, 1, 5], {
    label: 'Current on the equipment ground, load on one leg',
    ask: 'source running: clamp around the ground of the cord or feeder alone; an open clamp reads a little of its own',
    when,
  }),
  hertz: amount('Hz', [30, 90], [60, 59, 61, 62], {
    label: 'Hertz under load',
    ask: 'meter with a frequency range, under load',
    when: withBothLegs,
  }),
  pinsV: amount('V', [0, 300], [0, 120, 240], {
    label: 'Highest volts at the inlet’s hot pins',
    ask: 'meter: each hot pin to each other pin and to ground, utility on, transfer at utility, nothing plugged in',
    when,
  }),
  pinsLowZV: amount('V', [0, 300], [0, 120, 240], {
    label: 'The same with a low-impedance meter',
    ask: 'same pins, meter set to low impedance: ghost volts fall to nothing, real ones stay',
    when: (test, site) => withInlet(test, site) && Number(test.pinsV ?? 0) > OFFICE_NUMBERS.deadPinsV.min,
  }),
  neutralPinV: amount('V', [0, 300], [0, 1, 2, 120], {
    label: 'Volts from the neutral pin to ground',
    ask: 'neutral pin to ground pin; a volt or two under load in the house is no fault',
    when,
  }),
  gfciTrips: yesNo({
    label: 'GFCI trips at its test button',
    ask: 'press it with the source running, then reset',
    when: (test, site) =>
      whenSite('source', 'receptacles120', 'protected', 'some-unprotected')(test, site) &&
      !whenSite('source', 'kind', 'power-station')(test, site),
  }),
  staysCool: yesNo({
    label: 'After thirty minutes under load no end is too hot to hold',
    ask: 'touch cord, plugs and breaker by the back of the hand, and look for brown or melted plastic',
    sound: 'yes',
  }),
  drillShown: yesNo({
    label: 'Drill shown with the owner',
    ask: 'the owner starts, transfers, transfers back and stops, in order',
    when,
  }),
});
