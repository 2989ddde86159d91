import {
  AUTOMATIC,
  BACKFED,
  CORDS_ONLY,
  SINGLE,
  OTHER,
  SWITCH,
  askedTable,
  at,
  caseWith,
  ruleTable,
  saying,
  underReadings,
  type Facts,
} from '../../test/rule-table';
import { Look } from '../../electrical';
import { judge } from '../../verdict';
import { RULES } from '..';

ruleTable('transfer/present', {
  holds: [{}, SWITCH],
  violation: [[BACKFED, { severity: 'hazard' }]],
  unproven: [[{ 'transfer.kind': undefined }, ['transfer.kind']]],
  notApplicable: [CORDS_ONLY],
});

ruleTable('transfer/no-outlet-backfeed', {
  holds: [{}, CORDS_ONLY],
  violation: [
    [{ 'transfer.backfeedsOutlet': 'yes' }, { severity: 'hazard' }],
    { ...BACKFED, 'transfer.backfeedsOutlet': undefined },
    { ...CORDS_ONLY, 'transfer.backfeedsOutlet': 'yes' },
  ],
  unproven: [
    [{ 'transfer.backfeedsOutlet': undefined }, ['transfer.backfeedsOutlet']],
    [{ 'transfer.kind': undefined }, ['transfer.kind']], // it may yet turn out to be backfed
  ],
});

ruleTable('transfer/listed-for-panel', {
  holds: [{}],
  violation: [[{ 'transfer.listedForPanel': 'no' }, { severity: 'correction' }]],
  unproven: [[{ 'transfer.listedForPanel': 'not-seen' }, ['transfer.listedForPanel']]],
  notApplicable: [CORDS_ONLY, BACKFED],
});

ruleTable('transfer/unaltered', {
  holds: [{}],
  violation: ['cut', 'bent', 'drilled', 'parts-missing'].map((how) => [
    { 'transfer.alteration': how },
    {
      severity: 'hazard',
      reason: expect.stringMatching(new RegExp(how === 'parts-missing' ? 'missing' : how)) as unknown as string,
    },
  ]),
  unproven: [[{ 'transfer.alteration': undefined }, ['transfer.alteration']]],
  notApplicable: [CORDS_ONLY, BACKFED],
});

const equipment = { notApplicable: [CORDS_ONLY, BACKFED] };
ruleTable('transfer/works-without-cover', {
  holds: [{}],
  violation: [[{ 'transfer.mountedOn': 'cover' }, { severity: 'advisory', reading: saying('Offices differ') }]],
  unproven: [[{ 'transfer.mountedOn': undefined }, ['transfer.mountedOn']]],
  notApplicable: [SWITCH, AUTOMATIC, CORDS_ONLY],
});
askedTable('transfer/moves-freely-and-stays', 'transfer.movesFreely', ['no'], 'correction', equipment);
askedTable('transfer/gfci-afci-kept', 'transfer.gfciAfciKept', ['no'], 'correction', {
  base: { ...SWITCH, 'transfer.gfciAfciKept': 'yes' },
  notApplicable: [{}, AUTOMATIC],
});
askedTable('transfer/own-bars-apart', 'transfer.barsApart', ['no'], 'correction', {
  base: { 'transfer.kind': 'transfer-panel', 'transfer.barsApart': 'yes' },
  notApplicable: [{}, SWITCH, AUTOMATIC],
});
askedTable('transfer/neutral-of-circuit-traced', 'transfer.neutralTraced', ['no'], 'correction', {
  base: { ...SINGLE, 'transfer.neutralTraced': 'yes' },
  notApplicable: [{}, SWITCH],
});
askedTable('transfer/leads-landed', 'transfer.leadsLanded', ['no'], 'correction', {
  base: { ...SWITCH, 'transfer.leadsLanded': 'yes' },
  notApplicable: [{}, { 'transfer.kind': 'transfer-panel' }],
});

const MODEL = 'transfer.mechanism';
const DOUBLE: Facts = { 'transfer.kind': 'whole-house-manual', [MODEL]: 'double-throw' };
/** A load-side switch of one circuit, its handle sound. */
const HANDLES: Facts = {
  ...SWITCH,
  [MODEL]: 'circuit-handles',
  'function.opensFirst': 'yes',
  'loads.circuits[0].moved': 'yes',
  'loads.circuits[1].moved': 'no',
};
ruleTable('transfer/prevents-parallel', {
  holds: [
    {},
    { 'transfer.mountedOn': 'cover', 'function.coverOnHolds': 'yes' }, // with the cover off is another rule's
    { [MODEL]: 'two-part-plate' },
    { [MODEL]: 'linkage' },
    { 'transfer.kind': 'transfer-panel', [MODEL]: 'linked-mains' },
    HANDLES,
    { ...SINGLE, 'function.opensFirst': 'yes' },
    [{ ...AUTOMATIC, 'function.cycle': 'yes' }, { reason: saying('nobody pushed a contactor') }],
    { ...DOUBLE, 'function.opensFirst': 'yes' },
    {
      ...DOUBLE,
      'function.opensFirst': 'yes',
      'breaker.heldDown': undefined,
      'function.generatorWithMainOn': undefined,
    },
  ],
  violation: [
    [
      { 'function.generatorWithMainOn': 'moved', [MODEL]: undefined },
      { severity: 'hazard', reason: saying('Tried by hand') },
    ],
    { 'function.mainWithGeneratorOn': 'moved' },
    { 'function.bothWithPartMoved': 'moved' },
    [{ 'transfer.fit': 'loose' }, { reason: saying('lift the plate off its guides') }],
    [{ 'transfer.fit': 'wrong-spacing' }, { reason: saying('switch utility on; switch generator on') }],
    { 'breaker.atInterlock': 'no' },
    [{ 'transfer.alteration': 'cut' }, { reason: saying('slide the plate half-way') }],
    { 'transfer.alteration': 'bent' },
    { 'transfer.alteration': 'drilled' },
    { 'transfer.alteration': 'parts-missing' },
    [{ 'transfer.fit': 'tie-missing' }, { reason: saying('untied pole') }],
    { 'breaker.construction': 'loose-singles' },
    [{ 'breaker.heldDown': 'no' }, { reason: saying('off its seat') }],
    { [MODEL]: 'two-part-plate', 'transfer.fit': 'loose' },
    { [MODEL]: 'linkage', 'transfer.fit': 'loose' },
    [{ ...HANDLES, 'transfer.fit': 'tie-missing' }, { reason: saying('turn handle 1') }],
    // the two handles of a 240 V circuit, untied
    [
      {
        ...HANDLES,
        'loads.circuits[0].volts': '240',
        'loads.circuits[0].paired': 'no',
        'loads.circuits[1].moved': undefined,
      },
      { reason: saying('turn handle 2') },
    ],
    { ...DOUBLE, 'function.opensFirst': 'no' },
    { 'transfer.mountedOn': 'cover', 'function.coverOnHolds': 'no' },
    { ...AUTOMATIC, 'transfer.fit': 'loose' },
    { 'function.generatorWithMainOn': undefined, 'transfer.fit': 'loose' }, // the model alone is enough
  ],
  unproven: [
    [
      { 'function.mainWithGeneratorOn': undefined, 'transfer.fit': undefined },
      ['transfer.fit', 'function.mainWithGeneratorOn'],
    ],
    [{ [MODEL]: 'double-throw' }, [MODEL]], // no such thing on a panel
    [{ 'breaker.heldDown': undefined }, ['breaker.heldDown']],
    [DOUBLE, ['function.opensFirst']],
    [AUTOMATIC, ['function.cycle']],
    // what a mechanism cannot have is no answer of its model
    [{ ...DOUBLE, 'function.opensFirst': 'yes', 'transfer.fit': 'tie-missing' }, ['transfer.fit', MODEL]],
    [{ ...HANDLES, 'transfer.fit': 'loose' }, ['transfer.fit', MODEL]],
    [{ ...AUTOMATIC, 'function.cycle': 'yes', 'transfer.fit': 'wrong-spacing' }, ['transfer.fit', MODEL]],
    [{ 'transfer.mountedOn': 'cover' }, ['function.coverOnHolds']],
    [{ ...HANDLES, 'loads.circuits[0].volts': '240' }, ['loads.circuits[0].paired']],
    [
      { ...HANDLES, 'loads.circuits[0].volts': '240', 'loads.circuits[0].moved': undefined },
      ['loads.circuits[0].moved'],
    ],
    [{ [MODEL]: 'other' }, [MODEL]],
    [OTHER, ['transfer.kind']],
  ],
  notApplicable: [CORDS_ONLY, BACKFED],
});

const torque = (torqueLbIn: number, torqueTool = 'yes'): Facts => ({
  'transfer.torqueLbIn': torqueLbIn,
  'transfer.torqueTool': torqueTool,
});
ruleTable('transfer/fastened-and-torqued', {
  holds: [{}, torque(40.5), torque(49.5), { ...torque(45, 'no'), 'transfer.torqueSigned': 'yes' }],
  violation: [
    [torque(40), { severity: 'correction', found: 40, allowed: 45, unit: 'lb-in' }],
    torque(50),
    [torque(45, 'no'), { reason: saying('guess') }],
    { ...torque(40, 'no'), 'transfer.torqueSigned': 'yes' },
  ],
  unproven: [
    [
      { 'transfer.torqueLbIn': undefined, 'transfer.makerTorqueLbIn': undefined },
      ['transfer.makerTorqueLbIn', 'transfer.torqueLbIn'],
    ],
  ],
  ...equipment,
});

ruleTable('transfer/rated', {
  holds: [
    {},
    { 'transfer.ratingA': 30 },
    { 'source.voltage': '120', 'transfer.ratingV': 120 },
    { 'source.outlet': 'L5-30', 'transfer.ratingV': 120 }, // fed from a 120 V receptacle
    { 'breaker.ratingA': 20, 'transfer.ratingA': 20 }, // a 20 A interlocked breaker protects what is behind it
  ],
  violation: [
    [
      { ...SWITCH, 'transfer.ratingA': 20 },
      { found: 20, allowed: 30 },
    ], // an unfused switch does not
    [{ 'transfer.ratingA': 29 }, { severity: 'correction', found: 29, allowed: 30 }],
    [{ 'transfer.ratingV': 239 }, { found: 239, allowed: 240, unit: 'V' }],
    [{ 'transfer.listedAsTransfer': 'no' }, { reason: saying('not listed') }],
  ],
  unproven: [
    [{ 'transfer.ratingA': undefined, 'transfer.ratingV': undefined }, ['transfer.ratingA', 'transfer.ratingV']],
  ],
  ...equipment,
});

/** The good house's circuits behind a load-side switch: the refrigerator moved, the lights not. */
const moved = (facts: Readonly<Record<string, unknown>>, more: Facts = {}): Facts => ({
  ...SWITCH,
  ...at('loads.circuits[0]', { moved: 'yes', switchBreakerA: 20, metal: 'copper', ...facts }),
  'loads.circuits[1].moved': 'no',
  ...more,
});
const UNFUSED = { switchBreakerA: undefined, unfused: 'yes' };
const pump = (facts: Readonly<Record<string, unknown>>): Facts =>
  moved({ sizeAwg: '12', use: 'well-pump', byNameplate: 'yes', motorA: 10, tripsOnSmaller: 'no', ...facts });
const conditioner = (facts: Readonly<Record<string, unknown>>): Facts =>
  moved({
    sizeAwg: '12',
    switchBreakerA: 30,
    use: 'air-conditioner',
    byNameplate: 'yes',
    markedCircuitA: 20,
    markedDeviceA: 30,
    ...facts,
  });
ruleTable('transfer/circuit-protection', {
  holds: [
    moved({}),
    moved({ use: 'well-pump' }), // 20 A on 12 AWG: no nameplate is asked for
    moved({ switchBreakerA: 15 }), // a 15 A device ahead of a 20 A circuit is fine
    moved({ sizeAwg: '6', switchBreakerA: 60 }), // 55 A at 60 °C, the next device
    // 21 A and 30 A marked on an air conditioner; 12 AWG is 20 A at 60 °C, 10 AWG 30 A
    conditioner({}),
    conditioner({ switchBreakerA: 35, sizeAwg: '8', markedCircuitA: 40, markedDeviceA: 50 }),
    // a pump of 10 A: 250 % is 25 A, 400 % is 40 A, 125 % is 12.5 A
    pump({ switchBreakerA: 25 }),
    pump({ motorA: 16, switchBreakerA: 40 }), // 125 % of it is what 12 AWG carries
    pump({ switchBreakerA: 40, tripsOnSmaller: 'yes' }),
    pump({ switchBreakerA: 30, motorA: 10.1, tripsOnSmaller: 'no' }), // 25.25 A: the next is 30 A
    moved({ sizeAwg: '10', metal: 'aluminum', switchBreakerA: 25 }),
    { ...moved({}), 'transfer.kind': 'transfer-panel' },
    { ...moved({ unfused: 'yes' }), 'transfer.kind': 'transfer-panel' }, // it has breakers, whatever was said of another
    moved({ moved: 'no', sizeAwg: undefined }),
    moved({ ...UNFUSED, sizeAwg: '10' }), // 30 A at the outlet
    moved({ ...UNFUSED, sizeAwg: '12' }, { 'source.outletBreakerA': 20 }),
  ],
  violation: [
    [moved({ sizeAwg: '14' }), { severity: 'correction', found: 20, allowed: 15, reason: saying('Refrigerator') }],
    [moved({ sizeAwg: '8', switchBreakerA: 50 }), { allowed: 40 }],
    [
      moved({ ...UNFUSED, sizeAwg: '12' }),
      {
        found: 30,
        allowed: 20,
        reason: saying('unfused switch and 30 A outlet breaker'),
        remedy: saying('Fit a switch with a breaker of 20 A'),
      },
    ],
    [moved({ sizeAwg: '6', switchBreakerA: 70 }), { allowed: 60 }],
    [moved({ sizeAwg: '10', metal: 'aluminum', switchBreakerA: 30 }), { allowed: 25 }],
    [moved({ sizeAwg: '12', switchBreakerA: 30, use: 'well-pump', byNameplate: 'no' }), { allowed: 20 }],
    moved({ sizeAwg: '12', switchBreakerA: 30, use: 'lights', byNameplate: 'yes' }), // no motor, no nameplate
    // what heats goes by its wire, whatever its nameplate says
    [moved({ sizeAwg: '12', switchBreakerA: 30, use: 'water-heater', byNameplate: 'yes' }), { found: 30, allowed: 20 }],
    [moved({ sizeAwg: '12', switchBreakerA: 25, use: 'heat', byNameplate: 'yes' }), { allowed: 20 }],
    [conditioner({ markedDeviceA: 25 }), { found: 30, allowed: 25 }],
    [conditioner({ markedCircuitA: 20.1 }), { found: 20, allowed: 20.1, reason: saying('asks for a conductor') }],
    [pump({ switchBreakerA: 30 }), { found: 30, allowed: 25 }],
    [pump({ switchBreakerA: 45, tripsOnSmaller: 'yes' }), { found: 45, allowed: 40 }],
    [pump({ motorA: 16.1, switchBreakerA: 40 }), { found: 20, allowed: 20.125 }],
  ],
  unproven: [
    [moved(UNFUSED, { 'source.outletBreakerA': undefined }), ['source.outletBreakerA']],
    [moved({ ...UNFUSED, unfused: 'no' }), ['loads.circuits[0].switchBreakerA']],
    [
      moved({ sizeAwg: undefined, switchBreakerA: undefined }),
      ['loads.circuits[0].sizeAwg', 'loads.circuits[0].switchBreakerA'],
    ],
    [moved({ sizeAwg: '12', switchBreakerA: 30, use: 'well-pump' }), ['loads.circuits[0].byNameplate']],
    [pump({ motorA: undefined, switchBreakerA: 30 }), ['loads.circuits[0].motorA']],
    [pump({ tripsOnSmaller: undefined, switchBreakerA: 30 }), ['loads.circuits[0].tripsOnSmaller']],
    [
      conditioner({ markedCircuitA: undefined, markedDeviceA: undefined }),
      ['loads.circuits[0].markedCircuitA', 'loads.circuits[0].markedDeviceA'],
    ],
    [
      moved({ sizeAwg: '14', metal: 'aluminum' }), // no such conductor
      ['loads.circuits[0].sizeAwg'],
    ],
    [moved({}, { 'loads.circuits[1].moved': undefined }), ['loads.circuits[1].moved']],
  ],
  notApplicable: [{}, AUTOMATIC],
});

ruleTable('transfer/240v-circuits-paired', {
  holds: [moved({}), moved({ volts: '240', paired: 'yes' }), moved({ volts: '240', paired: 'no', moved: 'no' })],
  violation: [
    [moved({ volts: '240', paired: 'no' }), { severity: 'hazard', reason: saying('Refrigerator'), part: 'circuits-1' }],
  ],
  unproven: [[moved({ volts: '240' }), ['loads.circuits[0].paired']]],
  notApplicable: [{}, { ...moved({}), 'transfer.kind': 'transfer-panel' }],
});

const PAIR: Facts = { 'loads.circuits[0].neutralGroup': 'b', 'loads.circuits[1].neutralGroup': 'b' };
ruleTable('transfer/shared-neutral-moved-together', {
  holds: [
    moved({}),
    moved({}, { ...PAIR, 'loads.circuits[1].moved': 'yes' }),
    moved({}, { ...PAIR, 'loads.circuits[0].moved': 'no' }),
  ],
  violation: [
    [moved({}, PAIR), { severity: 'hazard', reason: saying('circuit 1, Refrigerator and circuit 2, Lights') }],
  ],
  unproven: [[moved({}, { 'loads.circuits[1].neutralGroup': undefined }), ['loads.circuits[1].neutralGroup']]],
  notApplicable: [{}, PAIR],
});

const box = (facts: Readonly<Record<string, unknown>>): Facts => ({
  ...SINGLE,
  ...at('transfer', {
    box: '4x1-1/2',
    boxAwg: '12',
    boxConductors: 6,
    boxGrounds: 3,
    boxClamps: 'no',
    boxDevices: 1,
    ...facts,
  }),
});
ruleTable('transfer/box-fill', {
  holds: [
    [box({}), { found: 20.25, allowed: 21 }], // 6 + 1 + 2 = 9 × 2.25
    [box({ box: '4x2-1/8', boxClamps: 'yes', boxConductors: 9 }), { found: 29.25 }],
    [box({ boxGrounds: 0, boxConductors: 7 }), { found: 20.25 }],
    [box({ boxAwg: '14', boxConductors: 7 }), { found: 20 }],
    [box({ boxGrounds: 4 }), { found: 20.25 }],
    [box({ box: 'marked', boxIn3: 20.25 }), { allowed: 20.25 }],
  ],
  violation: [
    [
      box({ boxConductors: 7 }),
      { severity: 'correction', found: 22.5, allowed: 21, remedy: saying('4 11/16 in square, 1½ deep') },
    ],
    [box({ boxClamps: 'yes' }), { found: 22.5 }],
    [box({ box: 'marked', boxIn3: 20 }), { found: 20.25, allowed: 20 }],
    [box({ boxDevices: 2 }), { found: 24.75 }],
    [box({ boxGrounds: 6 }), { found: 21.375 }], // two beyond the fourth: a quarter each
    [box({ boxConductors: 40 }), { remedy: saying('two boxes') }],
  ],
  unproven: [
    [box({ boxAwg: undefined, boxDevices: undefined }), ['transfer.boxAwg', 'transfer.boxDevices']],
    [box({ box: 'marked' }), ['transfer.boxIn3']],
  ],
  notApplicable: [{}, SWITCH],
});

const fill = (conductors: number, splices: number): Facts => ({
  ...SWITCH,
  'transfer.conductorFillPercent': conductors,
  'transfer.spliceFillPercent': splices,
});
ruleTable('transfer/panel-splice-fill', {
  holds: [[fill(40, 75), { found: 75, allowed: 75 }], { ...fill(33, 50), 'transfer.fillCounted': undefined }],
  violation: [
    [fill(41, 75), { severity: 'correction', found: 41, allowed: 40, unit: '%' }],
    [fill(40, 76), { found: 76, allowed: 75 }],
    [
      { ...fill(51, 50), 'transfer.fillCounted': undefined },
      { found: 51, allowed: 50 },
    ], // by eye enough to say so
  ],
  unproven: [
    [SWITCH, ['transfer.conductorFillPercent', 'transfer.spliceFillPercent']],
    [{ ...fill(34, 50), 'transfer.fillCounted': 'no' }, ['transfer.fillCounted']], // no eye can tell
    [{ ...fill(50, 50), 'transfer.fillCounted': 'no' }, ['transfer.fillCounted']], // half full is still between
    [{ ...fill(33, 51), 'transfer.fillCounted': 'no' }, ['transfer.fillCounted']],
    [{ ...fill(40, 75), 'transfer.fillCounted': undefined }, ['transfer.fillCounted']],
  ],
  notApplicable: [{}, AUTOMATIC],
});

ruleTable('transfer/automatic-capacity', {
  holds: [
    { ...AUTOMATIC, 'transfer.loadManaged': 'yes' },
    [
      { ...AUTOMATIC, 'transfer.loadManaged': 'no', 'transfer.transferredW': 6687 },
      { found: 6687, allowed: 6687 },
    ],
  ],
  violation: [
    [
      { ...AUTOMATIC, 'transfer.loadManaged': 'no', 'transfer.transferredW': 6688 },
      { severity: 'hazard', found: 6688, allowed: 6687 },
    ],
  ],
  unproven: [
    [AUTOMATIC, ['transfer.loadManaged']],
    [
      { ...AUTOMATIC, 'transfer.loadManaged': 'no', 'source.fuel': undefined },
      ['transfer.transferredW', 'source.fuel'],
    ],
  ],
  notApplicable: [{}, SWITCH],
});

ruleTable('transfer/circuit-protection', {
  holds: [],
  // seen although the other circuit is unknown
  violation: [moved({ sizeAwg: '14' }, { 'loads.circuits[1].moved': undefined })],
  unproven: [],
});
ruleTable('transfer/240v-circuits-paired', {
  holds: [],
  violation: [moved({ volts: '240', paired: 'no' }, { 'loads.circuits[1].moved': undefined })],
  unproven: [],
});
ruleTable('transfer/shared-neutral-moved-together', {
  holds: [],
  violation: [moved({}, { ...PAIR, 'loads.circuits[2].use': 'range' })], // the third is unknown
  unproven: [[moved({}, { 'loads.circuits[1].moved': undefined, ...PAIR }), ['loads.circuits[1].moved']]],
});
ruleTable('transfer/box-fill', {
  holds: [[box({ boxAwg: '14', boxConductors: 7, boxGrounds: 6 }), { found: 21, allowed: 21 }]],
  violation: [[box({ boxAwg: '8', boxConductors: 11, boxGrounds: 1 }), { found: 42, remedy: saying('2⅛ deep (42') }]],
  unproven: [],
});
test('before 2020 all grounds of a box count as one', () => {
  const rule = RULES.find((one) => one.id === 'transfer/box-fill')!;
  expect(judge(rule, new Look(caseWith(box({ boxGrounds: 6 })), '2017'))).toMatchObject({
    outcome: 'holds',
    found: 20.25,
  });
});
ruleTable('transfer/prevents-parallel', {
  holds: [
    [
      {},
      {
        working: expect.arrayContaining([
          expect.objectContaining({ label: 'Sequences that close both sources', value: 0 }),
        ]) as never,
      },
    ],
  ],
  violation: [],
  unproven: [[{ 'function.mainWithGeneratorOn': undefined }, ['function.mainWithGeneratorOn']]],
});

ruleTable('transfer/240v-across-source-legs', {
  holds: [
    moved({ volts: '240', sourceLeg: 'both' }),
    moved({ volts: '120' }),
    moved({ volts: '240', sourceLeg: 'A', moved: 'no' }),
  ],
  violation: [
    [moved({ volts: '240', sourceLeg: 'B' }), { severity: 'correction', reason: saying('leg B'), part: 'circuits-1' }],
  ],
  unproven: [[moved({ volts: '240' }), ['loads.circuits[0].sourceLeg']]],
  notApplicable: [{}, SINGLE, moved({ volts: '240', sourceLeg: 'A' }, { 'source.voltage': '120' })],
});
askedTable('transfer/neutral-not-on-gfci-breaker', 'transfer.neutralOnGfciBreaker', ['yes'], 'correction', {
  base: { ...SWITCH, 'transfer.neutralOnGfciBreaker': 'no' },
  notApplicable: [{}, AUTOMATIC],
});
askedTable('transfer/working-space', 'transfer.workingSpace', ['no'], 'correction', {
  base: { ...SWITCH, 'transfer.workingSpace': 'yes' },
  notApplicable: [{}, SINGLE, CORDS_ONLY],
});

/** A whole-house switch of 200 A on a service of 200 A, first behind the meter. */
const house = (facts: Readonly<Record<string, unknown>> = {}, more: Facts = {}): Facts => ({
  'transfer.kind': 'whole-house-manual',
  'transfer.mechanism': 'double-throw',
  'panel.kind': 'subpanel',
  ...at('transfer', {
    location: 'first', ratingA: 200, utilityA: 200, withstandKa: 10, serviceMetal: 'aluminum', serviceAwg: '4/0',
    serviceEquipment: 'yes', fourWire: 'yes', emergencyDisconnect: 'yes', meterListed: 'yes', ...facts,
  }), // prettier-ignore
  ...more,
});
const elsewhere = { notApplicable: [{}, SWITCH, CORDS_ONLY] };
ruleTable('transfer/utility-side-rated', {
  holds: [[house(), { found: 200, allowed: 200 }]],
  violation: [[house({ ratingA: 199 }), { severity: 'correction', found: 199, allowed: 200, unit: 'A' }]],
  unproven: [[house({ ratingA: undefined, utilityA: undefined }), ['transfer.ratingA', 'transfer.utilityA']]],
  ...elsewhere,
});
ruleTable('transfer/short-circuit-rating', {
  holds: [house(), [house({}, { 'breaker.availableKa': undefined }), { allowed: 10 }]],
  violation: [
    [house({ withstandKa: 7 }), { severity: 'correction', found: 7, allowed: 8, unit: 'kA' }],
    [house({ withstandKa: 9 }, { 'breaker.availableKa': undefined }), { allowed: 10 }],
  ],
  unproven: [[house({ withstandKa: undefined }), ['transfer.withstandKa']]],
  ...elsewhere,
});
ruleTable('transfer/service-conductors', {
  holds: [
    [house(), { found: '4/0', allowed: '4/0' }],
    house({ serviceMetal: 'copper', serviceAwg: '2/0' }),
    house({ utilityA: 100, serviceMetal: 'copper', serviceAwg: '4' }),
    [house({ utilityA: 225, serviceAwg: '250' }), { allowed: '250' }],
    [house({ utilityA: 60, serviceMetal: 'copper', serviceAwg: '6' }), { allowed: '6' }],
    [house({ utilityA: 400, serviceAwg: '250', serviceSets: 2 }), { allowed: '250' }], // 2 × 205 A
  ],
  violation: [
    [house({ serviceAwg: '3/0' }), { severity: 'correction', allowed: '4/0' }],
    [house({ utilityA: 125, serviceAwg: '1' }), { allowed: '1/0' }],
    [house({ utilityA: 400, serviceAwg: '4/0', serviceSets: 2 }), { allowed: '250' }],
    [house({ utilityA: 400 }), { allowed: '600' }],
    [house({ utilityA: 150, serviceMetal: 'copper', serviceAwg: '2' }), { allowed: '1' }],
  ],
  unproven: [
    [house({ serviceAwg: undefined, utilityA: undefined }), ['transfer.utilityA', 'transfer.serviceAwg']],
    [house({ utilityA: 400, serviceAwg: '4/0', serviceSets: undefined }), ['transfer.serviceSets']],
  ],
  ...elsewhere,
});
const onlyFirst = { notApplicable: [{}, SWITCH, house({ location: 'behind' })] };
const APART: Facts = { 'panel.neutralsAndGrounds': 'apart' };
askedTable('transfer/suitable-as-service-equipment', 'transfer.serviceEquipment', ['no'], 'correction', {
  base: house(),
  ...onlyFirst,
});
askedTable('transfer/surge-protection', 'transfer.surgeProtected', ['no'], 'correction', {
  base: house(),
  ...onlyFirst,
});
askedTable('transfer/emergency-disconnect', 'transfer.emergencyDisconnect', ['no'], 'correction', {
  base: house(),
  ...onlyFirst,
});
ruleTable('transfer/panel-behind-is-subpanel', {
  holds: [
    house({}, APART),
    house({ location: 'behind' }, APART),
    house({}, { 'panel.separateBuilding': 'yes' }), // 250.32(B)
    house({}, { ...APART, 'panel.kind': 'service', 'panel.separateBuilding': 'yes' }),
  ],
  violation: [
    [house({}, { 'panel.kind': 'service' }), { severity: 'correction', remedy: saying('main bonding jumper') }],
    house({}, {}), // a subpanel with its bond in
    [house({ location: 'behind' }, {}), { severity: 'correction' }],
    [
      house({ location: 'behind' }, { 'source.neutralBond': 'bonded', 'neutral.switched': 'yes' }),
      { severity: 'hazard' },
    ],
    [house({}, { 'source.neutralBond': 'bonded' }), { severity: 'correction' }],
    [house({}, { 'neutral.switched': 'yes' }), { severity: 'correction' }],
    [house({ fourWire: 'no' }, APART), { reason: saying('Three wires') }],
  ],
  unproven: [
    [house({ fourWire: undefined }, { ...APART, 'panel.kind': undefined }), ['panel.kind', 'transfer.fourWire']],
    [house({}, { 'panel.separateBuilding': undefined }), ['panel.separateBuilding']],
    [house({ location: undefined }, APART), ['transfer.location']],
  ],
  notApplicable: [{}, SWITCH, house({ location: 'meter' })],
});
askedTable('transfer/meter-mounted-listed', 'transfer.meterListed', ['no'], 'correction', {
  base: house({ location: 'meter' }),
  notApplicable: [{}, house()],
});
test('the 2017 edition asks for no emergency disconnect', () => {
  const rule = RULES.find((one) => one.id === 'transfer/emergency-disconnect')!;
  const c = caseWith(house({ emergencyDisconnect: 'no' }));
  expect((['2017', '2020', '2023'] as const).map((edition) => judge(rule, new Look(c, edition)).outcome)).toEqual([
    'not-applicable',
    'violation',
    'violation',
  ]);
});

test('an interlock on the cover is a correction where the office refuses it', () => {
  expect(
    underReadings('transfer/works-without-cover', { 'transfer.mountedOn': 'cover' }, { interlockOnCover: 'refused' }),
  ).toMatchObject({
    outcome: 'violation',
    severity: 'correction',
  });
});
