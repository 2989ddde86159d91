import { amount, choice, yesNo } from '../fact';
import { station, whenSite } from '../parts';

const onGas = whenSite('source', 'fuel', 'propane', 'natural-gas');
const when = whenSite('source', 'kind', 'engine', undefined, 'not-seen');

export const siting = station({
  place: choice(
    { outdoors: 'Outdoors, open', porch: 'Porch or under a roof', garage: 'Garage or carport', indoors: 'Indoors' },
    { label: 'Where it runs', ask: 'look where it stands when it runs, not where it is kept', when },
  ),
  openingFt: amount('ft', [0, 500], [20, 25, 15, 10, 5, 3], {
    label: 'Nearest door, window or vent',
    ask: 'tape: exhaust to the nearest opening of any dwelling',
    when,
  }),
  cordOpeningFt: amount('ft', [0, 500], [20, 25, 15, 10, 5], {
    label: 'Exhaust to the opening that the cord goes through',
    ask: 'tape: an opening that a cord keeps ajar is one that exhaust may enter',
    when: (siting, site) =>
      when(siting, site) &&
      ((site as { cord?: readonly { run?: unknown }[] }).cord ?? []).some(({ run }) => run === 'through-opening'),
  }),
  makerFt: amount('ft', [1, 200], [5, 10, 15, 20], {
    label: 'Maker’s own distance',
    ask: 'manual: least distance to any opening; not seen where the maker gives none, then the office’s counts',
    when,
  }),
  exhaustAway: choice(
    // an eighth of a turn after the other, clockwise as seen from above
    {
      yes: 'Away from the house',
      'away-left': 'Away, to the left',
      left: 'Along the house, to the left',
      'house-left': 'At the house, to the left',
      no: 'At the house',
      'house-right': 'At the house, to the right',
      right: 'Along the house, to the right',
      'away-right': 'Away, to the right',
    },
    { label: 'Exhaust points', ask: 'look where the muffler points; left and right as you face the house', when },
  ),
  coAlarms: yesNo({ label: 'CO alarms inside', ask: 'press the test button of one near each bedroom', when }),
  shelter: choice(
    { suitable: 'Yes, open to the air', none: 'No shelter', 'traps-exhaust': 'Yes, but it traps exhaust' },
    {
      label: 'Sheltered from rain',
      so: 'A roof over it, open all round',
      ask: 'look: a roof made for it, open on all sides',
      when,
    },
  ),
  firmBase: yesNo({ label: 'Firm, level base', ask: 'look: it must not tip, sink or wander', when }),
  fuelAway: yesNo({
    label: 'Fuel is kept away from it',
    ask: 'look where the cans stand: outdoors, away from the running source and from every flame',
    when,
  }),
  nothingBurns: yesNo({
    label: 'Nothing that burns near the exhaust',
    ask: 'look in front of the muffler: siding, dry grass, boxes, a tarpaulin',
    when,
  }),
  regulatorFt: amount('ft', [0, 200], [3, 5, 10, 1], {
    label: 'Vent of the gas regulator to the nearest source of ignition',
    ask: 'tape: from the regulator’s vent to engine, switch, receptacle or flame',
    sound: 5,
    when: (siting, site) => when(siting, site) && onGas(siting, site),
  }),
  gasFit: yesNo({
    label: 'Gas hose, regulator and pipe fit the listing',
    ask: 'read hose and regulator; compare pipe size and pressure with the maker’s sheet and the fuel-gas code',
    when: (siting, site) => when(siting, site) && onGas(siting, site),
  }),
});
