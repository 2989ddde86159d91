import { CORD_TYPES, CORD_SIZES, type CordTypeName } from '../../codebook';
import { amount, choice, wireSize, yesNo } from '../fact';
import { configuration, labelled, several, wired } from '../parts';

const isAdapter = (cord: Readonly<Record<string, unknown>>) => String(cord.part ?? '').startsWith('adapter');
const isCord = (cord: Readonly<Record<string, unknown>>) => !isAdapter(cord);

export const cord = several(
  {
    part: choice(
      { cord: 'Cord', 'adapter-listed': 'Adapter, listed', 'adapter-unlisted': 'Adapter, home-made or unlisted' },
      { label: 'What it is', ask: 'look for a listing mark on the adapter; tape and wire nuts are none' },
    ),
    sourceEnd: configuration('Plug at the source', 'look at the blades of the plug'),
    inletEnd: configuration('End at the house', 'look at the face that goes to the inlet or the load'),
    inletEndGender: choice(
      { connector: 'Sockets (connector)', plug: 'Blades (plug)' },
      { label: 'House end has', ask: 'look: sockets, or bare blades', drawing: 'pins' },
    ),
    bridges: yesNo({
      label: 'Ties both hots to one pole',
      ask: 'meter: resistance from hot to hot at the house end, nothing plugged in',
    }),
    type: choice<CordTypeName>(
      labelled(Object.keys(CORD_TYPES) as CordTypeName[], (name) => name),
      { label: 'Type letters', ask: 'read the jacket: SOOW, STW, SJTW and the like' },
    ),
    sizeAwg: wireSize(CORD_SIZES, { label: 'Conductor size', ask: 'read the jacket: the number before the slash' }),
    wires: choice(
      [
        ['4', '4 wires'],
        ['3', '3 wires'],
      ],
      { label: 'Wires', ask: 'read the jacket: the number after the slash' },
    ),
    lengthFt: amount('ft', [1, 500], [20, 25, 10, 30, 50, 75, 100], {
      label: 'Length',
      ask: 'tape or tag',
      when: wired,
    }),
    run: choice(
      {
        free: 'Free, along its way',
        'through-wall': 'Through a wall, door or window',
        fastened: 'Fastened to the building',
        concealed: 'Inside a wall, floor or ceiling',
      },
      { label: 'How it lies', ask: 'follow it from end to end', when: isCord },
    ),
    coiled: yesNo({
      label: 'Coiled while loaded',
      ask: 'look: what is not used must be laid out, not wound up',
      when: isCord,
    }),
    pullTested: yesNo({ label: 'Ends lock or stay, pulled', ask: 'turn and pull at each end by hand, engine off' }),
  },
  'cord',
);
