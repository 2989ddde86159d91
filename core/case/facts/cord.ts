import { CORD_TYPES, CORD_SIZES, type CordTypeName } from '../../codebook';
import { amount, choice, wireSize, yesNo } from '../fact';
import { traitOf } from '../traits';
import { configuration, device, labeled, several, whenSite, wired } from '../parts';

const isAdapter = (cord: Readonly<Record<string, unknown>>) => String(cord.part ?? '').startsWith('adapter');
const engine = whenSite('source', 'kind', 'engine', undefined, 'not-seen');
/** Appliances hang on cords, and nothing else. */
const onCords: typeof wired = (_, site) =>
  traitOf((site as { transfer?: { kind?: unknown } }).transfer?.kind, 'wired') === false;
/** One listed piece with a rating of its own: no jacket to read. */
const onePiece = (cord: Readonly<Record<string, unknown>>) => cord.part === 'adapter-listed';
const hasJacket = (cord: Readonly<Record<string, unknown>>) => !onePiece(cord);
const isCord = (cord: Readonly<Record<string, unknown>>) => !isAdapter(cord);

export const cord = several(
  {
    part: choice(
      {
        cord: 'Cord',
        'adapter-listed': 'Adapter, listed',
        'adapter-unlisted': 'Adapter, home-made or unlisted',
        'two-plug': 'Two plugs into one end',
      },
      {
        label: 'What it is',
        ask: 'look for a listing mark on the adapter; tape and wire nuts are none. One that hangs ready for another source counts as used',
      },
    ),
    sourceEnd: configuration('Plug at the source', 'look at the blades of the plug'),
    inletEnd: configuration('End at the house', 'look at the face that goes to the inlet or the load'),
    inletEndGender: choice(
      { connector: 'Connector', plug: 'Plug: bare blades' },
      { label: 'House end has', ask: 'look: a connector, or bare blades', drawing: 'pins' },
    ),
    bridges: yesNo({
      label: 'Ties both hots to one pole',
      says: ['Tied together', 'Apart'],
      ask: 'meter: resistance from hot to hot at the house end, nothing plugged in',
    }),
    type: choice<CordTypeName>(
      labeled(Object.keys(CORD_TYPES) as CordTypeName[], (name) => name),
      { label: 'Type letters', ask: 'read the jacket: SOOW, STW, SJTW and the like', when: hasJacket },
    ),
    indoors: yesNo({
      label: 'The whole cord lies indoors',
      ask: 'follow it from end to end: a cord without a W may never lie outdoors',
      sound: 'no',
      when: (cord) => hasJacket(cord) && CORD_TYPES[cord.type as CordTypeName]?.outdoors === false,
    }),
    sizeAwg: wireSize(CORD_SIZES, {
      label: 'Conductor size',
      ask: 'read the jacket: the number before the slash',
      when: hasJacket,
    }),
    markedA: device('Rating marked on the adapter', 'read it beside the listing mark', [30, 50, 20], onePiece),
    wires: choice(
      [
        ['4', '4 wires'],
        ['3', '3 wires'],
      ],
      { label: 'Wires', ask: 'read the jacket: the number after the slash', when: hasJacket },
    ),
    lengthFt: amount('ft', [1, 500], [20, 25, 10, 30, 50, 75, 100], {
      label: 'Length',
      ask: 'tape or tag',
      when: (cord, site) => hasJacket(cord) && wired(cord, site),
    }),
    breakerA: device('Breaker in the adapter', 'read it; leave it open if there is none', [50, 30, 20], isAdapter),
    breakerPoles: choice(
      [
        ['2', 'Both hots'],
        ['1', 'One hot'],
      ],
      {
        label: 'The breaker in the adapter opens',
        ask: 'look: two handles joined, or one button that opens both hots',
        sound: '2',
        when: (cord) => isAdapter(cord) && typeof cord.breakerA === 'number',
      },
    ),
    markedC: choice(
      [
        ['60', '60 °C (140 °F)'],
        ['75', '75 °C (167 °F)'],
        ['90', '90 °C (194 °F)'],
        ['105', '105 °C (221 °F)'],
      ],
      {
        label: 'Temperature on the jacket',
        ask: 'read the jacket; no marking counts as 60 °C',
        when: (cord, site) => isCord(cord) && engine(cord, site),
      },
    ),
    run: choice(
      {
        free: 'Free, along its way',
        'through-wall': 'Through a wall, or pinched in a door or window',
        'through-opening': 'Through a door or window, kept from being pinched',
        fastened: 'Fastened to the building',
        concealed: 'Inside a wall, floor or ceiling',
        'under-rug': 'Under a rug or pinched in a door',
      },
      {
        label: 'How it lies',
        so: 'It lies free, through no wall, door or rug',
        ask: 'follow it from end to end',
        when: isCord,
      },
    ),
    coiled: yesNo({
      label: 'Coiled while loaded',
      says: ['Coiled', 'Laid out'],
      so: 'Laid out, not wound up',
      ask: 'look: what is not used must be laid out, not wound up',
      when: isCord,
    }),
    daisyChained: yesNo({
      label: 'Plugged into another cord or strip',
      says: ['Into another', 'By itself'],
      so: 'Goes from the source to its appliance by itself',
      ask: 'follow it: each cord goes from the source to its appliance by itself',
      when: (cord, site) => isCord(cord) && onCords(cord, site),
    }),
    strainRelief: yesNo({
      label: 'Strain relief grips the jacket at both ends',
      ask: 'look at each end: the jacket goes in, and no conductor shows',
      sound: 'yes',
      when: isCord,
    }),
    whole: choice(
      {
        whole: 'Whole',
        taped: 'Taped or spliced',
        cut: 'Cut: conductors or filler show',
        'pin-gone': 'A ground pin is missing',
      },
      {
        label: 'Jacket and pins',
        so: 'Jacket whole, every pin there',
        ask: 'run it through your hand; look at the ground pin of each end',
        sound: 'whole',
      },
    ),
    pullTested: yesNo({ label: 'Ends lock or stay, pulled', ask: 'turn and pull at each end by hand, engine off' }),
  },
  'cord',
);
