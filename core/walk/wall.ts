import { listPathOf, type Station } from '../case';
import { GLANCES as G } from './glances';
import type { Glance, Part } from './part';

type Of = Omit<Part, 'id' | 'name' | 'keys'>;

/** A part of a station; its facts are those of its glances and the rest, in that order unless `keys` says another. */
function part(id: Part['id'], name: string, keys: readonly string[], of: Of = {}): Part {
  const all = [...new Set([...(of.glances ?? []).flatMap((one) => one.keys), ...keys])];
  const list = all.map(listPathOf).find((one) => one !== undefined);
  return { id, name, ...(list && { list }), ...of, keys: all };
}
const seen = (...glances: Glance[]): Of => ({ glances });
const of = (station: Station, ...names: string[]) => names.map((name) => `${station}.${name}`);
const stretch = (...names: string[]) => of('feeder', ...names.map((name) => `stretches.${name}`));
const circuit = (...names: string[]) => of('loads', ...names.map((name) => `circuits.${name}`));
const SO: Of = { so: true };
const RUNNING: Of = { running: true };
/** Of all cords, or stretches, together. */
const EVERY: Of = { so: true, every: true };
const AROUND = of('siting', 'shelter', 'firmBase', 'fuelAway', 'nothingBurns');

/** Every part of the wall, in the order in which the current flows and a person walks; every fact is found out at one of them. */
export const PARTS: readonly Part[] = [
  part('source/nameplate', 'Nameplate', [], seen(G.nameplate, G.watts)),
  part('source/outlet', 'Receptacle in use', of('source', 'outletPoles', 'outletW', 'limitsItself'), seen(G.outlet)),
  part('source/receptacles', 'Its 120 V receptacles', of('source', 'receptacles120', 'madeBefore2015', 'gfciCordSets')),
  part(
    'source/bond',
    'Neutral and frame',
    of(
      'source',
      'neutralBond',
      'neutralFrameOhm',
      'hotFrameV',
      'bondAltered',
      'bondChangeProvided',
      'bondChangeMarked',
    ),
  ),
  part('source/site', 'Altitude and heat', of('source', 'makerSiteW'), seen(G.usualSite)),
  part(
    'source/units',
    'Units and disconnects',
    of(
      'source',
      'pairListed',
      'pairStops',
      'chargedFromItself',
      'chargesWhileFeeding',
      'disconnect',
      'buildingDisconnect',
    ),
  ),

  part('siting/place', 'Where it runs', of('siting', 'makerFt', 'cordOpeningFt'), seen(G.standing)),
  part('siting/exhaust', 'Exhaust', [], seen(G.exhaust)),
  part('siting/alarms', 'CO alarms', of('siting', 'coAlarms')),
  part('siting/gas', 'Gas line', of('siting', 'gasFit', 'regulatorFt')),
  part('siting/around', 'Around it', AROUND, { later: true }),

  part('cord/plug', 'Plug', of('cord', 'markedA', 'breakerA', 'breakerPoles'), seen(G.plug)),
  part('cord/connector', 'House end', [], seen(G.connector)),
  part('cord/jacket', 'Jacket', of('cord', 'indoors'), seen(G.jacket)),
  part('cord/length', 'Length', of('cord', 'lengthFt')),
  part('cord/bridge', 'Hot to hot', of('cord', 'bridges')),
  part('cord/pull', 'Ends and jacket', of('cord', 'pullTested', 'strainRelief', 'whole'), SO),
  part('cord/so', 'Around it, and how it lies', [...AROUND, ...of('cord', 'run', 'coiled', 'daisyChained')], EVERY),

  part('inlet/face', 'Face', of('inlet', 'interlockedDisconnect'), seen(G.inletFace)),
  part('inlet/box', 'Box and lid', [], seen(G.inletBox)),
  part('inlet/dead', 'Pins, detector', of('inlet', 'pinsDead')),
  part('inlet/pins', 'Pins, meter', of('function', 'pinsLowZV'), seen(G.pins)),
  part('inlet/sign', 'Sign', [], seen(G.inletSign)),
  part('inlet/so', 'Listing, lid, entry', of('inlet', 'listed', 'boxBonded', 'lockable', 'entrySealed'), SO),

  part(
    'feeder/cable',
    'Wiring method',
    stretch('racewayIn', 'othersInRaceway', 'fittings', 'flexes', 'wetRaceway'),
    seen(G.cable),
  ),
  part(
    'feeder/place',
    'Where it runs',
    stretch('conditioned', 'burialIn', 'burialUnder', 'sunMarked', 'wetMarked', 'burialMarked'),
    seen(G.place),
  ),
  part('feeder/length', 'Length', stretch('lengthFt', 'nipple', 'expansion')),
  part('feeder/terminals', 'Terminals', of('feeder', 'inletTerminal', 'houseTerminal', 'groundDesigned')),
  part(
    'feeder/so',
    'How it is run',
    [
      ...stretch('fastened', 'protected'),
      ...of('feeder', 'identified', 'bushings', 'together', 'splices', 'terminalsAluminum'),
    ],
    EVERY,
  ),

  part('breaker/face', 'Breaker', [], seen(G.breakerFace)),
  part('breaker/legs', 'Its slots', of('breaker', 'acrossBothLegs')),
  part('breaker/fastener', 'Hold-down', of('breaker', 'heldDown')),
  part('breaker/marks', 'LINE and LOAD', of('breaker', 'lineLoadMarked')),
  part('breaker/stabs', 'Stabs and bus', of('breaker', 'stabsSound')),
  part('breaker/moved', 'Circuits moved', of('breaker', 'displaced')),
  part('breaker/fault', 'Fault current', of('breaker', 'availableKa', 'seriesRated')),

  part('transfer/kind', 'Kind', of('transfer', 'kind', 'otherKind')),
  part('transfer/mechanism', 'Mechanism', [], seen(G.mechanism)),
  part('transfer/hand', 'By hand', [], seen(G.byHand, G.contactors)),
  part('transfer/edges', 'Edges and holes', of('transfer', 'alteration')),
  part('transfer/label', 'Label', of('transfer', 'circuitLimitA', 'utilityA', 'withstandKa'), seen(G.equipmentLabel)),
  part('transfer/torque', 'Torque', of('transfer', 'torqueSigned'), seen(G.torque)),
  part('transfer/outlets', 'Outlets of the house', of('transfer', 'backfeedsOutlet')),
  part(
    'transfer/service',
    'Service side',
    of('transfer', 'location', 'meterListed', 'fourWire', 'serviceSets'),
    seen(G.utilitySide),
  ),
  part('transfer/load', 'Load it takes', of('transfer', 'loadManaged', 'transferredW')),
  part('transfer/neutral', 'Neutral through it', of('transfer', 'neutralTraced')),
  part('transfer/space', 'Working space', of('transfer', 'workingSpace')),
  part('transfer/gutter', 'Gutter', of('transfer', 'fillCounted'), seen(G.fill)),
  part('transfer/box', 'Box with the splices', of('transfer', 'box', 'boxIn3'), seen(G.boxFill)),
  part(
    'transfer/so',
    'Listing and landing',
    [
      ...of('breaker', 'listedForPanel'),
      ...of(
        'transfer',
        'listedForPanel',
        'leadsLanded',
        'barsApart',
        'gfciAfciKept',
        'neutralOnGfciBreaker',
        'serviceEquipment',
        'emergencyDisconnect',
        'surgeProtected',
      ),
    ],
    SO,
  ),

  part('neutral/pole', 'Neutral here', of('neutral', 'switched', 'pole')),
  part('neutral/other', 'Bonds elsewhere', of('neutral', 'otherBond', 'jumperTies', 'derivedBond')),
  part('neutral/current', 'Neutral current', of('neutral', 'unbalancedA')),

  part('grounding/path', 'Frame to panel', of('grounding', 'frameToPanelOhm', 'leadsOhm', 'cordGroundOhm')),
  part('grounding/rod', 'Rod', of('grounding', 'rod', 'rodDiameterIn', 'rodLengthFt', 'rodListed')),
  part('grounding/electrode', 'Electrode', of('grounding', 'rodEarthOhm'), seen(G.electrode)),

  part('panel/space', 'Working space', of('panel', 'existing'), seen(G.space)),
  part('panel/bus', 'House’s bus and main', of('panel', 'mainOffV'), seen(G.bus)),
  part('panel/bars', 'House’s bars', of('panel', 'separateBuilding'), seen(G.bars)),
  part('panel/sources', 'Other sources', of('panel', 'otherSources', 'otherLands', 'otherHeld')),
  part('panel/directory', 'Directory', of('panel', 'directoryTrue')),
  part(
    'panel/so',
    'Cover and wires',
    [
      ...of(
        'panel',
        'openingsClosed',
        'coverFits',
        'screwsClear',
        'doubleTaps',
        'tandems',
        'electrodeConductor',
        'handlesLow',
        'dedicatedSpace',
        'lit',
        'neverFlooded',
      ),
      ...of('labels', 'feedThrough'),
    ],
    SO,
  ),

  part(
    'labels/so',
    'Signs',
    of(
      'labels',
      'generatorBreaker',
      'positions',
      'steps',
      'maxLoad',
      'durable',
      'twoSources',
      'neutralShock',
      'standingSign',
    ),
    SO,
  ),

  part('loads/slot', 'Slot', circuit('slot')),
  part('loads/use', 'What it feeds', circuit('cord', 'continuous', 'softStart', 'ownPlug'), seen(G.preset)),
  part(
    'loads/handle',
    'Handle and wire',
    circuit(
      'byNameplate',
      'motorA',
      'tripsOnSmaller',
      'markedCircuitA',
      'markedDeviceA',
      'sourceLeg',
      'paired',
      'toPartnerV',
    ),
    seen(G.handle, G.wire),
  ),
  part('loads/neutral', 'Neutrals', [], { glances: [G.neutrals], every: true }),
  part('loads/others', 'The other breakers', of('loads', 'for240', 'othersOff'), SO),

  part(
    'function/moves',
    'Moves',
    of(
      'function',
      'generatorWithMainOn',
      'mainWithGeneratorOn',
      'bothWithPartMoved',
      'coverOnHolds',
      'opensFirst',
      'handlesIndependent',
      'cycle',
      'eachAlone',
    ),
  ),
  part('function/legs', 'Legs under load', [], { ...seen(G.legs, G.otherLegs), ...RUNNING }),
  part('function/ground', 'Current on the ground', of('function', 'groundA'), RUNNING),
  part('function/gfci', 'GFCI', of('function', 'gfciTrips'), RUNNING),
  part('function/drill', 'Drill', of('function', 'staysCool', 'drillShown'), { ...SO, ...RUNNING }),
];

/** Where the body has to be: the walk goes on by itself within a place, and asks before it moves. */
export const PLACES: readonly { readonly name: string; readonly stations: readonly Station[] }[] = [
  { name: 'Outside', stations: ['source', 'siting', 'cord', 'inlet'] },
  {
    name: 'At the panel',
    stations: ['feeder', 'breaker', 'transfer', 'neutral', 'grounding', 'panel', 'labels', 'loads'],
  },
  { name: 'Source running', stations: ['function'] },
];
/** Stations as a person walks them: the loads before the source is started. */
export const WALK: readonly Station[] = PLACES.flatMap((place) => place.stations);

export const stationOfPart = ({ id }: Part): Station => id.split('/')[0] as Station;
export const partsOf = (station: Station): readonly Part[] => PARTS.filter((one) => one.id.startsWith(`${station}/`));
export const placeOf = (station: Station) => PLACES.find((one) => one.stations.includes(station))!;
