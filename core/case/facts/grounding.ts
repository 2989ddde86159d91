import { buildingWireSizes } from '../../codebook';
import { amount, choice, wireSize, yesNo } from '../fact';
import { station, whenSite } from '../parts';

const hasRod = (grounding: Readonly<Record<string, unknown>>) =>
  grounding.rod === 'auxiliary' || grounding.rod === 'only-path';

export const grounding = station({
  frameToPanelOhm: amount('Ω', [0, 1_000_000], [0.1, 0.2, 0.5, 1, 5, [1_000_000, 'Open (OL)']], {
    label: 'Frame of the source to panel ground',
    ask: 'meter with a long lead, source off, cord plugged in: frame to the panel’s ground bar',
  }),
  leadsOhm: amount('Ω', [0, 50], [0, 0.1, 0.2, 0.5], {
    label: 'Leads of the meter alone',
    ask: 'tips of the long lead held together; leave it open if it reads nothing',
  }),
  cordGroundOhm: amount('Ω', [0, 1_000_000], [0.1, 0.2, 0.5, 1, 5, [1_000_000, 'Open (OL)']], {
    label: 'Ground pin to ground pin',
    ask: 'cord unplugged at the source: its ground pin to the panel’s ground bar, so that no other way is measured',
    when: whenSite('neutral', 'switched', 'yes'),
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
    { label: 'Rod diameter', ask: 'caliper or mark on its head', when: hasRod },
  ),
  rodLengthFt: amount('ft', [0.5, 40], [8, 10, 6, 4], {
    label: 'Rod in contact with earth',
    ask: 'mark on the rod, less what stands out',
    when: hasRod,
  }),
  rodListed: yesNo({ label: 'Rod is listed', ask: 'look for the mark near its head', when: hasRod }),
  derivedElectrode: choice(
    {
      house: 'The electrodes of the house',
      'one-rod': 'One rod',
      'two-rods': 'Two rods, 6 ft apart or more',
      none: 'None; the equipment ground alone',
    },
    {
      label: 'Electrode of the derived neutral',
      ask: 'follow the grounding electrode conductor from the bonding jumper',
      when: whenSite('neutral', 'switched', 'yes'),
    },
  ),
  rodEarthOhm: amount('Ω', [0, 5000], [25, 10, 15, 50], {
    label: 'Earth of the one rod, measured',
    ask: 'fall of potential, or a clamp made for it; leave it open if nobody measured',
    when: (grounding) => grounding.derivedElectrode === 'one-rod',
  }),
  electrodeAwg: wireSize(buildingWireSizes('copper').slice(2), {
    label: 'Grounding electrode conductor',
    ask: 'read it; copper',
    when: (grounding) => ['house', 'one-rod', 'two-rods'].includes(grounding.derivedElectrode as string),
  }),
});
