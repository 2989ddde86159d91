import { choice, yesNo } from '../fact';
import { configuration, device, labeled, station, withInlet, withTrait } from '../parts';
import { ENCLOSURE_TYPES, type EnclosureType } from '../../codebook';

export const inlet = station({
  gender: choice(
    { pins: 'Pins (male inlet)', sockets: 'Slots (receptacle)' },
    { label: 'Face of the inlet', ask: 'lift the lid and look: pins or slots', drawing: 'pins' },
  ),
  configuration: configuration('Inlet configuration', 'read the marking in the face, or compare with the drawings'),
  ratingA: device('Inlet rating, marked', 'read the marking on the inlet', [30, 50, 20, 15, 100]),
  listed: yesNo({ label: 'Bears a listing mark', ask: 'look for the mark of a testing laboratory on inlet and box' }),
  builtIn: yesNo({
    label: 'In the face of the switch itself',
    ask: 'look: the inlet sits in the switch, and no wire runs to it from outside',
    sound: 'no',
    when: withTrait('splicedIn'),
  }),
  box: choice(
    {
      'rain-tight': 'Outdoors, rain-tight with the cord in',
      'lid-closed-only': 'Outdoors, rain-tight with the lid shut only',
      plain: 'Outdoors, no rain-tight box',
      dry: 'Dry place',
    },
    { label: 'Box and lid', ask: 'plug the cord in and try the lid; read the box’s type' },
  ),
  enclosure: choice<EnclosureType | 'unmarked'>(
    { ...labeled(Object.keys(ENCLOSURE_TYPES) as EnclosureType[], (name) => `Type ${name}`), unmarked: 'Unmarked' },
    {
      label: 'Enclosure type',
      ask: 'read it inside the lid or on the box',
      when: (inlet) => inlet.box !== 'dry',
    },
  ),
  boxBonded: yesNo({
    label: 'The inlet box is bonded, if it is of metal',
    ask: 'look: a bare or green conductor to the metal of the box, or a box of plastic',
    sound: 'yes',
    when: withInlet,
  }),
  another: yesNo({
    label: 'There is another inlet',
    says: ['Another', 'No other'],
    so: 'There is no other inlet',
    ask: 'look around the house, and along the feeder: a second inlet on the same conductors has live pins while this one is used',
    sound: 'no',
    when: withInlet,
  }),
  pinsDead: yesNo({
    label: 'Pins dead with utility on, nothing plugged in',
    says: ['Dead', 'Live'],
    ask: 'voltage detector first, then meter: each pin to each and to ground, utility on, transfer to utility',
  }),
  lockable: yesNo({ label: 'Lid can be locked', ask: 'look for a hasp or key' }),
  interlockedDisconnect: yesNo({
    label: 'Interlocked disconnect at the inlet',
    ask: 'look: it must open before the cord can be drawn',
    when: (inlet) => Number(inlet.ratingA ?? 0) >= 100,
  }),
  entrySealed: yesNo({
    label: 'Entry sealed, openings closed',
    ask: 'look behind the box and at unused knockouts; duct seal where warm meets cold',
  }),
});
