import { amount, choice, yesNo } from '../fact';
import { station, whenSite } from '../parts';

const hasRod = (grounding: Readonly<Record<string, unknown>>) =>
  grounding.rod === 'auxiliary' || grounding.rod === 'only-path';

export const grounding = station({
  frameToPanelOhm: amount('Ω', [0, 1_000_000], [0.1, 0.2, 0.5, 1, 5, [1_000_000, 'Open (OL)']], {
    label: 'Frame of the source to panel ground',
    ask: 'meter with a long lead, source off, cord plugged in: frame to the panel’s ground bar',
  }),
  rod: choice(
    { none: 'No rod', auxiliary: 'Rod as an extra', 'only-path': 'Rod is the only ground' },
    { label: 'Rod at the generator', ask: 'follow the green conductor of the cord and the rod’s own' },
  ),
  rodDiameterIn: choice(
    [
      ['5/8', '5/8 in'],
      ['1/2', '½ in'],
      ['3/4', '¾ in'],
      ['3/8', '3/8 in'],
    ],
    { label: 'Rod diameter', ask: 'calliper or mark on its head', when: hasRod },
  ),
  rodLengthFt: amount('ft', [0.5, 40], [8, 10, 6, 4], {
    label: 'Rod in contact with earth',
    ask: 'mark on the rod, less what stands out',
    when: hasRod,
  }),
  rodListed: yesNo({ label: 'Rod is listed', ask: 'look for the mark near its head', when: hasRod }),
  derivedElectrode: yesNo({
    label: 'Derived neutral tied to the electrodes',
    ask: 'follow the grounding electrode conductor from the bonding jumper',
    when: whenSite('neutral', 'switched', 'yes'),
  }),
});
