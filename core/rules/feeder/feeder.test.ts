import { Look } from '../../electrical';
import { evaluate, judge } from '../../verdict';
import { RULES } from '..';
import {
  caseWith,
  underReadings,
  BRIDGED,
  CORDS_ONLY,
  SINGLE,
  SWITCH,
  askedTable,
  ruleTable,
  saying,
  type Facts,
  type Row,
} from '../../test/rule-table';

const stretch = (index: number, facts: Record<string, unknown>): Facts =>
  Object.fromEntries(Object.entries(facts).map(([key, value]) => [`feeder.stretches[${index}].${key}`, value]));
/** °F of whole °C: the tables’ rows end at these. */
const f = (celsius: number) => (celsius * 9) / 5 + 32;
const attic = (ambientC: number, more: Record<string, unknown> = {}): Facts =>
  stretch(1, {
    place: 'attic',
    method: 'NM-B',
    metal: 'copper',
    sizeAwg: '10',
    groundAwg: '10',
    lengthFt: 15,
    ambientF: f(ambientC),
    otherCarrying: 0,
    ...more,
  });
const conduit = (size: string, terminals: [string, string], more: Record<string, unknown> = {}): Facts => ({
  ...stretch(0, { method: 'PVC', insulation: 'THWN-2', sizeAwg: size, ...more }),
  'feeder.inletTerminal': terminals[0],
  'feeder.houseTerminal': terminals[1],
  'source.outletBreakerA': 50,
});
/** No table has 14 AWG aluminum: somebody misread a marking. */
const NO_SUCH = stretch(0, { metal: 'aluminum', sizeAwg: '14' });

ruleTable('feeder/ampacity', {
  holds: [
    [{}, { found: 30, allowed: 30 }],
    [attic(46), { allowed: 30 }], // 40 × 0.82 = 32.8, capped at 30 (334.80)
    [attic(56), { allowed: 30, reason: saying('28.4 A') }], // 40 × 0.71 = 28.4; 240.4(B) lets 30 stand
    [conduit('8', ['75', '75']), { allowed: 50 }],
    [{ ...stretch(0, { sizeAwg: '6' }), 'source.outletBreakerA': 50 }, { reason: saying('55 A') }],
    [{ ...conduit('1/0', ['unmarked', 'unmarked']), 'source.outletBreakerA': 150 }, { allowed: 150 }], // above 1 AWG unmarked counts as 75 °C
    [{ ...stretch(0, { metal: 'aluminum', sizeAwg: '8' }) }, { allowed: 35 }],
    [{ ...stretch(0, { otherCarrying: 2 }) }, { allowed: 30 }], // 40 × 0.8 = 32, capped at 30
    // 55 × 0.87 × 0.8 = 38.28; the next standard device is 40
    [
      { ...conduit('8', ['75', '75'], { ambientF: f(45), otherCarrying: 2 }), 'source.outletBreakerA': 40 },
      { allowed: 40, reason: saying('38.28 A') },
    ],
  ],
  violation: [
    [
      attic(68),
      { severity: 'hazard', found: 30, allowed: 25, reason: saying('run 2, attic'), remedy: saying('25 A; 8 AWG') },
    ],
    [
      { ...attic(68), ...stretch(0, { ambientF: f(68), sizeAwg: '12' }) },
      { allowed: 20, reason: saying('run 1') },
    ], // the worse of two
    [attic(85, { sizeAwg: '14' }), { allowed: 15 }],
    [conduit('8', ['75', '60']), { found: 50, allowed: 40 }],
    [conduit('8', ['unmarked', '75']), { allowed: 40 }],
    [
      { ...stretch(0, { sizeAwg: '8' }), 'source.outletBreakerA': 50 },
      { allowed: 40, remedy: saying('6 AWG') },
    ],
    [stretch(0, { otherCarrying: 8 }), { allowed: 20 }], // 40 × 0.5
    [{ ...BRIDGED, ...stretch(0, { otherCarrying: 7, ambientF: f(36) }) }, { allowed: 20 }], // three of its own: 10 together, 40 × 0.91 × 0.5 = 18.2
    [stretch(0, { method: 'UF-B', ambientF: f(61) }), { allowed: 0, remedy: saying('No device') }],
  ],
  unproven: [
    [
      stretch(0, { ambientF: undefined, metal: 'not-seen' }),
      ['feeder.stretches[0].metal', 'feeder.stretches[0].ambientF'],
    ],
    [
      { ...stretch(0, { method: 'EMT' }) },
      ['feeder.stretches[0].insulation', 'feeder.inletTerminal', 'feeder.houseTerminal'],
    ],
    [{ 'source.outletBreakerA': undefined }, ['source.outletBreakerA']],
    [attic(26, { sizeAwg: undefined }), ['feeder.stretches[1].sizeAwg']],
    [NO_SUCH, ['feeder.stretches[0].sizeAwg']],
  ],
  notApplicable: [CORDS_ONLY],
});

ruleTable('feeder/small-conductor', {
  holds: [
    {},
    stretch(0, { sizeAwg: '8' }),
    { ...SWITCH, 'breaker.ratingA': 50 },
    { ...stretch(0, { metal: 'aluminum' }), 'source.outletBreakerA': 25, 'breaker.ratingA': 25 },
  ],
  violation: [
    [{ 'breaker.ratingA': 50 }, { severity: 'correction', found: 50, allowed: 30 }],
    [{ 'breaker.ratingA': 50, 'source.outletDevice': 'none' }, { severity: 'hazard' }],
    [{ 'source.outletBreakerA': 31 }, { severity: 'hazard', found: 31 }],
    [
      { 'source.outletBreakerA': 50, 'breaker.ratingA': undefined },
      { found: 50, allowed: 30 },
    ],
    [stretch(0, { sizeAwg: '12' }), { allowed: 20 }],
    [stretch(0, { sizeAwg: '14' }), { allowed: 15 }],
    [stretch(0, { metal: 'aluminum' }), { allowed: 25 }],
  ],
  unproven: [
    [{ 'breaker.ratingA': undefined }, ['breaker.ratingA']],
    [stretch(0, { sizeAwg: undefined }), ['feeder.stretches[0].sizeAwg']],
    [NO_SUCH, ['feeder.stretches[0].sizeAwg']],
  ],
  notApplicable: [CORDS_ONLY],
});

ruleTable('feeder/equipment-ground-size', {
  holds: [
    {},
    { ...stretch(0, { sizeAwg: '6' }), 'source.outletBreakerA': 50 },
    stretch(0, { sizeAwg: '8', groundAwg: '8' }),
    { ...stretch(0, { metal: 'aluminum', sizeAwg: '8', groundAwg: '8' }) },
    stretch(0, { method: 'EMT', groundBy: 'raceway', groundAwg: undefined }), // another rule’s
  ],
  violation: [
    [
      stretch(0, { groundAwg: '12' }),
      {
        severity: 'correction',
        found: '12',
        allowed: '10',
        unit: 'AWG',
        reason: saying('in the feeder, 10 AWG needed'),
      },
    ],
    [stretch(0, { sizeAwg: '8' }), { allowed: '8', remedy: saying('grows') }], // 16510 ÷ 10380 × 10380 cmil
    [{ ...stretch(0, { metal: 'aluminum', sizeAwg: '8', groundAwg: '10' }) }, { allowed: '8' }],
    // no metal in NM-B could be the ground, whatever was answered when the method was another
    [stretch(0, { groundBy: 'raceway', groundAwg: '12' }), { found: '12', allowed: '10' }],
    [attic(26, { groundAwg: '14' }), { found: '14', reason: saying('in run 2, attic, 10 AWG needed') }],
    [stretch(0, { groundAwg: '12', ambientF: undefined }), { allowed: '10' }], // too small whatever the rest
  ],
  unproven: [
    [stretch(0, { groundAwg: 'not-seen' }), ['feeder.stretches[0].groundAwg']],
    [stretch(0, { groundBy: 'raceway', groundAwg: undefined }), ['feeder.stretches[0].groundAwg']],
    [stretch(0, { groundBy: 'raceway', method: undefined }), ['feeder.stretches[0].method']],
    [stretch(0, { ambientF: undefined }), ['feeder.stretches[0].ambientF']], // whether the conductors are larger than needed
    [stretch(0, { metal: 'aluminum', groundAwg: '14' }), ['feeder.stretches[0].groundAwg']],
  ],
  notApplicable: [CORDS_ONLY],
});

ruleTable('feeder/voltage-drop', {
  holds: [
    [{}, { found: 1.8, allowed: 3, unit: '%' }], // 2 × 1.24 × 60 ÷ 1000 × 29.167 = 4.34 V of 240
    [stretch(0, { lengthFt: 79 }), { found: 3 }],
  ],
  violation: [
    [stretch(0, { lengthFt: 100 }), { severity: 'advisory', found: 3.6, remedy: saying('8 AWG') }],
    [{ ...BRIDGED, 'source.runningW': 3500 }, { found: 3.6 }],
    [{ 'cord[0].lengthFt': 200 }, { remedy: saying('heavier cord') }],
  ],
  unproven: [
    [{ 'source.runningW': undefined, 'cord[0].lengthFt': undefined }, ['source.runningW', 'cord[0].lengthFt']],
    [NO_SUCH, ['feeder.stretches[0].sizeAwg']],
  ],
  notApplicable: [CORDS_ONLY],
});

askedTable('feeder/conductor-identity', 'feeder.identified', ['no'], 'correction', { notApplicable: [CORDS_ONLY] });
askedTable('feeder/one-raceway', 'feeder.together', ['no'], 'correction', { notApplicable: [CORDS_ONLY] });

const NO_DEVICE = { 'source.outletDevice': 'none' } as const;
ruleTable('feeder/nameplate-115', {
  holds: [
    [
      { ...NO_DEVICE, 'source.runningW': 6260 },
      { found: 30, allowed: 29.996 },
    ], // 1.15 × 6260 ÷ 240
    { ...NO_DEVICE, ...stretch(0, { sizeAwg: '8' }) },
  ],
  violation: [
    [
      NO_DEVICE,
      { severity: 'correction', found: 30, allowed: 33.542, remedy: saying('8 AWG would be the smallest conductor') },
    ],
    [{ ...NO_DEVICE, 'source.runningW': 50_000 }, { remedy: saying('No conductor of the tables carries this') }],
    [{ ...NO_DEVICE, ...BRIDGED, 'source.runningW': 3500 }, { allowed: 33.542 }],
  ],
  unproven: [
    [
      { ...NO_DEVICE, 'source.runningW': undefined, ...stretch(0, { ambientF: undefined }) },
      ['source.runningW', 'feeder.stretches[0].ambientF'],
    ],
    [{ 'source.outletDevice': undefined }, ['source.outletDevice']],
  ],
  notApplicable: [{}, { ...NO_DEVICE, ...CORDS_ONLY }],
});

ruleTable('feeder/neutral-size', {
  holds: [
    {},
    stretch(0, { neutralAwg: '8' }),
    [stretch(0, { sizeAwg: '8' }), { found: 30, allowed: 30 }], // smaller than the hots, and still enough
  ],
  violation: [
    [stretch(0, { neutralAwg: '12' }), { severity: 'correction', found: 20, allowed: 30, remedy: saying('10 AWG') }],
  ],
  unproven: [
    [stretch(0, { neutralAwg: undefined }), ['feeder.stretches[0].neutralAwg']],
    [{ ...stretch(0, { neutralAwg: '12' }), 'source.outletBreakerA': undefined }, ['source.outletBreakerA']],
  ],
  notApplicable: [CORDS_ONLY],
});

ruleTable('feeder/neutral-full-size-when-bridged', {
  holds: [
    // hots larger than the pole’s device change nothing
    [
      { ...BRIDGED, ...stretch(0, { sizeAwg: '6', neutralAwg: '10' }) },
      { found: 30, allowed: 30 },
    ],
    BRIDGED,
    { ...BRIDGED, 'source.outlet': 'L5-30', 'source.outletPoles': undefined }, // one hot, one pole
    [
      { ...BRIDGED, 'source.outletPoles': '2', 'source.outletBreakerA': 15 },
      { found: 30, allowed: 30, unit: 'A' },
    ],
  ],
  violation: [
    // both poles of a two-pole device on one winding, or on one leg by a bridging cord: twice its rating on the neutral
    [
      { ...BRIDGED, 'source.outletPoles': '2' },
      { severity: 'hazard', found: 30, allowed: 60 },
    ],
    [{ 'cord[0].bridges': 'yes' }, { allowed: 60 }],
    [
      { ...BRIDGED, ...stretch(0, { neutralAwg: '12' }) },
      { severity: 'hazard', found: 20, allowed: 30 },
    ],
    [{ ...BRIDGED, ...attic(26, { neutralAwg: '14' }) }, { reason: saying('run 2') }],
  ],
  unproven: [
    [{ ...BRIDGED, ...stretch(0, { neutralAwg: undefined }) }, ['feeder.stretches[0].neutralAwg']],
    [{ 'cord[0].bridges': undefined }, ['cord[0].bridges']],
    [{ ...BRIDGED, 'source.outletPoles': undefined }, ['source.outletPoles']],
  ],
  notApplicable: [{}, CORDS_ONLY, { ...SINGLE, ...BRIDGED }],
});

ruleTable('feeder/method-suits-place', {
  holds: [
    {},
    stretch(0, { method: 'PVC', insulation: 'THWN-2', place: 'underground' }),
    stretch(0, { method: 'EMT', insulation: 'THHN', place: 'attic' }),
    stretch(0, { method: 'UF-B', place: 'outdoors', sunMarked: 'yes' }),
    stretch(0, { method: 'UF-B', place: 'underground' }),
    stretch(0, { method: 'USE-2', place: 'underground' }),
    stretch(0, { method: 'LFMC', insulation: 'TW', place: 'outdoors' }),
    stretch(0, { method: 'MC', place: 'wall' }),
    stretch(0, { method: 'MC', place: 'outdoors', wetMarked: 'yes', insulation: 'XHHW-2' }),
    stretch(0, { method: 'TC-ER', place: 'underground', wetMarked: 'yes', burialMarked: 'yes', insulation: 'THWN' }),
    stretch(0, { method: 'SER', place: 'indoors', insulation: 'XHHW' }),
    stretch(0, { method: 'ENT', place: 'attic', insulation: 'THHN' }),
    stretch(0, { method: 'USE-2', place: 'outdoors', lengthFt: 8 }), // emerges to an enclosure
  ],
  violation: [
    [stretch(0, { place: 'outdoors' }), { severity: 'correction', found: 'NM-B' }],
    stretch(0, { place: 'underground' }),
    [stretch(0, { method: 'PVC', insulation: 'THHN', place: 'outdoors' }), { reason: saying('wet') }],
    stretch(0, { method: 'RMC', insulation: 'THHN', place: 'underground' }),
    [stretch(0, { method: 'USE-2', place: 'indoors' }), { remedy: saying('NM-B') }],
    stretch(0, { method: 'cord', place: 'wall' }),
    stretch(0, { method: 'cord', place: 'outdoors' }),
    stretch(0, { method: 'FMC', insulation: 'THWN-2', place: 'outdoors' }),
    [
      stretch(0, { method: 'MC', insulation: 'THWN-2', place: 'underground', wetMarked: 'yes', burialMarked: 'no' }),
      { reason: saying('direct burial') },
    ],
    [
      stretch(0, { method: 'MC', insulation: 'THWN-2', place: 'outdoors', wetMarked: 'no' }),
      { reason: saying('wet places') },
    ],
    [
      stretch(0, { method: 'SER', insulation: 'THHN', place: 'outdoors', wetMarked: 'yes' }),
      { reason: saying('a cable outdoors is wet') },
    ],
    stretch(0, { method: 'SER', insulation: 'XHHW', place: 'underground' }),
    stretch(0, { method: 'AC', insulation: 'THWN', place: 'outdoors' }),
    stretch(0, { method: 'ENT', insulation: 'THWN', place: 'outdoors' }),
    [stretch(0, { method: 'USE-2', place: 'outdoors', lengthFt: 8.1 }), { reason: saying('exposed') }],
    stretch(0, { method: 'USE-2', place: 'outdoors', lengthFt: 8, protected: 'no' }),
    [stretch(0, { method: 'UF-B', place: 'outdoors', sunMarked: 'no' }), { reason: saying('sun') }],
  ],
  unproven: [
    [stretch(0, { method: 'PVC', place: 'outdoors' }), ['feeder.stretches[0].insulation']],
    [stretch(0, { method: 'UF-B', place: 'outdoors' }), ['feeder.stretches[0].sunMarked']],
    [stretch(0, { method: 'MC', place: 'outdoors' }), ['feeder.stretches[0].wetMarked']],
    [stretch(0, { method: 'TC-ER', place: 'underground', wetMarked: 'yes' }), ['feeder.stretches[0].burialMarked']],
    [stretch(0, { method: 'USE-2', place: 'outdoors', lengthFt: undefined }), ['feeder.stretches[0].lengthFt']],
    [stretch(0, { place: undefined, method: undefined }), ['feeder.stretches[0].place', 'feeder.stretches[0].method']],
  ],
  notApplicable: [CORDS_ONLY],
});

const buried = (method: string, burialIn: number, burialUnder = 'general'): Facts =>
  stretch(0, { method, burialIn, burialUnder, place: 'underground', insulation: 'THWN-2' });
const SMALL: Facts = { ...SINGLE, ...BRIDGED, 'source.outletBreakerA': 20, 'source.outletGfci': 'yes' };
ruleTable('feeder/burial-depth', {
  holds: [
    [buried('UF-B', 24), { allowed: 24 }],
    [buried('UF-B', 18, 'driveway'), { allowed: 18 }],
    [buried('PVC', 18), { allowed: 18 }],
    [buried('PVC-80', 4, 'slab'), { allowed: 4 }],
    [buried('RMC', 6), { allowed: 6 }],
    [buried('IMC', 18, 'driveway'), { allowed: 18 }],
    [{ ...SMALL, ...buried('UF-B', 12) }, { allowed: 12 }],
    [{ ...SMALL, ...buried('PVC', 6, 'slab') }, { allowed: 4 }],
    [buried('PVC', 24, 'street'), { allowed: 24 }],
    [buried('PVC', 12, 'concrete'), { allowed: 12 }],
    [buried('RMC', 0, 'building'), { allowed: 0 }],
    [{ ...SMALL, ...buried('UF-B', 6, 'concrete') }, { allowed: 6 }],
  ],
  violation: [
    [
      buried('UF-B', 14),
      { severity: 'correction', found: 14, allowed: 24, unit: 'in', remedy: saying('rigid metal conduit') },
    ],
    [buried('UF-B', 17, 'driveway'), { allowed: 18 }],
    [buried('USE-2', 17.9, 'slab'), { allowed: 18 }],
    [buried('PVC', 17), { allowed: 18 }],
    [buried('PVC', 23, 'street'), { allowed: 24, remedy: 'Bury it 24 in deep.' }], // no metal helps under a street
    [buried('UF-B', 17, 'concrete'), { allowed: 18 }],
    [buried('UF-B', 30, 'building'), { reason: saying('outside of a raceway') }],
    [{ ...SMALL, ...buried('UF-B', 23, 'street') }, { allowed: 24 }],
    [buried('RMC', 5), { allowed: 6, remedy: 'Bury it 6 in deep.' }],
    [buried('RMC', 17, 'driveway'), { allowed: 18 }],
    [buried('IMC', 3.9, 'slab'), { allowed: 4 }],
    [{ ...SMALL, ...buried('UF-B', 11) }, { allowed: 12 }],
    [{ ...SMALL, ...buried('UF-B', 12), 'source.outletBreakerA': 21 }, { allowed: 24 }],
    [{ ...SMALL, ...buried('UF-B', 12), 'source.outletGfci': 'no' }, { allowed: 24 }],
    [{ ...SMALL, ...buried('UF-B', 12), 'source.voltage': '120/240' }, { allowed: 24 }],
    [
      { ...attic(26), ...stretch(1, { place: 'underground', method: 'UF-B', burialIn: 2, burialUnder: 'general' }) },
      { reason: saying('run 2') },
    ],
  ],
  unproven: [
    [buried('FMC', 30), ['feeder.stretches[0].method']], // no column of the table
    [
      stretch(0, { place: 'underground', method: 'UF-B' }),
      ['feeder.stretches[0].burialIn', 'feeder.stretches[0].burialUnder'],
    ],
    [stretch(0, { place: undefined }), ['feeder.stretches[0].place']],
  ],
  notApplicable: [{}, { ...CORDS_ONLY, ...buried('UF-B', 1) }],
});

ruleTable('feeder/physical-protection', {
  holds: [{}],
  violation: [
    [stretch(0, { protected: 'no' }), { severity: 'correction' }],
    [attic(26, { protected: 'no' }), { reason: saying('run 2') }],
    [{ ...attic(26, { protected: 'no' }), ...stretch(0, { protected: 'no' }) }, { reason: saying('run 1') }], // of two alike the first
  ],
  unproven: [[attic(26), ['feeder.stretches[1].protected']]],
  notApplicable: [CORDS_ONLY],
});

const pipe = (method: string, racewayIn: string, size: string, othersInRaceway = 0, insulation = 'THWN-2'): Facts =>
  stretch(0, { method, racewayIn, othersInRaceway, insulation, sizeAwg: size, neutralAwg: size, groundAwg: size });
ruleTable('feeder/raceway-fill', {
  holds: [
    [pipe('EMT', '1/2', '10'), { found: 0.084, allowed: 0.122 }], // 4 × 0.0211 of 40 % of 0.304
    pipe('EMT', '1/2', '10', 1), // 5 of 10 AWG fill ½ in EMT
    pipe('PVC', '3/4', '8'),
    pipe('RMC', '1', '6'),
    pipe('LFMC', '3/4', '8', 0, 'XHHW-2'),
    // the metal is the ground: three conductors, 3 × 0.0366 of 40 % of 0.304
    [
      {
        ...pipe('EMT', '1/2', '8'),
        'feeder.stretches[0].groundBy': 'raceway',
        'feeder.stretches[0].groundAwg': undefined,
      },
      { found: 0.11, allowed: 0.122 },
    ],
  ],
  violation: [
    [pipe('EMT', '1/2', '10', 2), { severity: 'correction', remedy: saying('EMT that takes them is 3/4 in') }],
    [pipe('EMT', '1/2', '8'), { allowed: 0.122 }],
    [pipe('PVC-80', '1/2', '10', 1), { allowed: 0.087 }],
    [pipe('PVC', '1/2', '10', 2), { allowed: 0.114 }],
    [pipe('FMC', '2', '4/0', 30), { remedy: saying('two raceways') }],
  ],
  unproven: [
    [
      {
        ...pipe('EMT', '1/2', '10'),
        'feeder.stretches[0].racewayIn': undefined,
        'feeder.stretches[0].othersInRaceway': undefined,
      },
      ['feeder.stretches[0].racewayIn', 'feeder.stretches[0].othersInRaceway'],
    ],
    [{ ...pipe('EMT', '1/2', '10'), 'feeder.stretches[0].neutralAwg': undefined }, ['feeder.stretches[0].neutralAwg']],
    [stretch(0, { method: undefined }), ['feeder.stretches[0].method']],
  ],
  notApplicable: [{}, { ...CORDS_ONLY, ...pipe('EMT', '1/2', '6') }, stretch(0, { method: 'MC' })],
});

const step = (label: string, value: unknown) => ({
  working: expect.arrayContaining([expect.objectContaining({ label, value })]) as never,
});
const two = (first: Facts, second: Record<string, unknown>): Facts => ({
  ...attic(26),
  ...first,
  ...stretch(1, second),
});

ruleTable('feeder/burial-depth', {
  holds: [
    [{ ...SMALL, ...buried('UF-B', 24) }, { allowed: 24 }],
    [{ ...SMALL, ...buried('UF-B', 12) }, step('Least cover, 120 V, 20 A or less with GFCI', 12)],
  ],
  violation: [
    // 10 in too little is worse than 3
    [
      two(buried('UF-B', 14), { place: 'underground', method: 'RMC', burialIn: 3, burialUnder: 'general' }),
      { reason: saying('run 1') },
    ],
    [buried('UF-B', 6), { remedy: saying('6 in') }],
    [buried('UF-B', 5), { remedy: 'Bury it 24 in deep.' }],
  ],
  unproven: [],
});
ruleTable('feeder/equipment-ground-size', {
  holds: [
    [stretch(0, { sizeAwg: '12', groundAwg: '10' }), { allowed: '10' }], // conductors too small make no ground smaller
    [{ ...stretch(0, { sizeAwg: '4', groundAwg: '6' }), 'source.outletBreakerA': 50 }, { allowed: '6' }], // 10380 × 41740 ÷ 26240 cmil
  ],
  violation: [[stretch(0, { sizeAwg: '12', groundAwg: '12' }), { allowed: '10' }]],
  unproven: [],
});
ruleTable('feeder/method-suits-place', {
  holds: [],
  violation: [
    [stretch(0, { place: 'outdoors' }), { remedy: saying('W in their type') }],
    [stretch(0, { place: 'underground' }), { remedy: saying('W in their type') }],
  ],
  unproven: [],
});
ruleTable('feeder/nameplate-115', {
  holds: [
    [
      { ...NO_DEVICE, 'source.runningW': 6260.8695652 },
      { found: 30, allowed: 30 },
    ],
  ],
  violation: [],
  unproven: [],
});
ruleTable('feeder/neutral-full-size-when-bridged', {
  holds: [],
  violation: [
    [
      { ...BRIDGED, ...two(stretch(0, { sizeAwg: '6', neutralAwg: '12' }), { neutralAwg: '12' }) },
      { reason: saying('run 1') },
    ],
  ],
  unproven: [],
});
ruleTable('feeder/raceway-fill', {
  holds: [
    [pipe('EMT', '1/2', '10'), step('4 conductors, the ground counted with insulation', 0.084)],
    [pipe('EMT', '1/2', '10', 1, 'TW'), { found: 0.122, allowed: 0.122 }],
  ],
  violation: [
    [
      two(pipe('PVC', '2', '4/0', 10, 'TW'), {
        method: 'EMT',
        racewayIn: '1/2',
        othersInRaceway: 2,
        insulation: 'THWN-2',
        sizeAwg: '10',
        neutralAwg: '10',
      }),
      { reason: saying('run 1') },
    ],
  ],
  unproven: [],
});
ruleTable('feeder/small-conductor', {
  holds: [],
  violation: [
    [
      { ...SWITCH, 'source.outletBreakerA': 50 },
      { found: 50, allowed: 30 },
    ],
  ],
  unproven: [],
});
ruleTable('feeder/voltage-drop', {
  holds: [[{}, step('Rated current', 29.167)]],
  violation: [
    [{ ...BRIDGED, 'source.runningW': 3500 }, step('Rated current', 29.167)],
    [stretch(0, { lengthFt: 1000 }), { found: 30.7 }], // 73.78 V of 240
  ],
  unproven: [],
});

const metal = (method: string, facts: Readonly<Record<string, unknown>> = {}): Facts =>
  stretch(0, {
    method,
    insulation: 'THWN-2',
    groundBy: 'raceway',
    groundAwg: undefined,
    fittings: 'yes',
    lengthFt: 40,
    ...facts,
  });
/** The same device at both ends of the feeder. */
const devices = (amps: number): Facts => ({ 'source.outletBreakerA': amps, 'breaker.ratingA': amps });
ruleTable('feeder/metal-ground-path', {
  holds: [
    metal('EMT'),
    metal('RMC'),
    metal('AC'),
    { ...metal('FMC', { lengthFt: 6, racewayIn: '1-1/4' }), ...devices(20) },
    { ...metal('LFMC', { lengthFt: 6, racewayIn: '3/8' }), ...devices(20) },
    { ...metal('LFMC', { lengthFt: 6, racewayIn: '1/2' }), ...devices(20) },
    { ...metal('LFMC', { lengthFt: 6, racewayIn: '3/4' }), ...devices(60) },
    { ...metal('LFMC', { lengthFt: 6, racewayIn: '1-1/4' }), ...devices(60) },
    { ...metal('EMT'), ...stretch(1, { method: 'NM-B', place: 'attic' }) },
  ],
  violation: [
    [metal('EMT', { fittings: 'no' }), { severity: 'correction', reason: saying('turns by hand') }],
    [{ ...metal('FMC', { lengthFt: 6.1, racewayIn: '1/2' }), ...devices(20) }, { reason: saying('6 ft behind 20 A') }],
    { ...metal('FMC', { lengthFt: 6, racewayIn: '3/4' }), ...devices(21) },
    [{ ...metal('LFMC', { lengthFt: 6, racewayIn: '1/2' }), ...devices(21) }, { reason: saying('20 A') }],
    [{ ...metal('LFMC', { lengthFt: 6, racewayIn: '3/4' }), ...devices(61) }, { reason: saying('60 A') }],
    [{ ...metal('LFMC', { lengthFt: 6, racewayIn: '1-1/2' }), ...devices(20) }, { reason: saying('is no ground') }],
    [{ ...metal('FMC', { lengthFt: 6, racewayIn: '1-1/2' }), ...devices(20) }, { reason: saying('is no ground') }],
    [{ ...metal('LFMC', { lengthFt: 3, racewayIn: '3/4', flexes: 'yes' }) }, { reason: saying('has to flex') }],
    // two short pieces are one length
    [
      {
        ...metal('LFMC', { lengthFt: 4, racewayIn: '3/4' }),
        ...stretch(1, {
          method: 'LFMC',
          groundBy: 'raceway',
          fittings: 'yes',
          lengthFt: 3,
          place: 'indoors',
          racewayIn: '3/4',
        }),
      },
      { reason: saying('7 ft of flexible metal in all') },
    ],
    // the larger of the two devices counts
    { ...metal('LFMC', { lengthFt: 6, racewayIn: '1/2' }), 'source.outletBreakerA': 20, 'breaker.ratingA': 30 },
  ],
  unproven: [
    [metal('EMT', { fittings: undefined }), ['feeder.stretches[0].fittings']],
    [metal('EMT', { groundBy: undefined }), ['feeder.stretches[0].groundBy']],
    [stretch(0, { method: undefined }), ['feeder.stretches[0].method']],
    [
      { ...metal('FMC', { lengthFt: undefined, racewayIn: undefined }), 'source.outletBreakerA': undefined },
      ['source.outletBreakerA', 'feeder.stretches[0].lengthFt', 'feeder.stretches[0].racewayIn'],
    ],
  ],
  notApplicable: [{}, CORDS_ONLY, stretch(0, { method: 'EMT', groundBy: 'conductor' })],
});
askedTable('feeder/bushings-fitted', 'feeder.bushings', ['no'], 'correction', { notApplicable: [CORDS_ONLY] });
askedTable('feeder/splices-rated', 'feeder.splices', ['unrated'], 'correction', {
  right: ['rated', 'lugs'],
  notApplicable: [CORDS_ONLY],
});
ruleTable('feeder/fastened', {
  holds: [{}],
  violation: [[stretch(0, { fastened: 'no' }), { severity: 'correction', part: 'stretches-1' }]],
  unproven: [[stretch(0, { fastened: undefined }), ['feeder.stretches[0].fastened']]],
  notApplicable: [CORDS_ONLY],
});

ruleTable('feeder/metal-ground-path', {
  holds: [
    [
      {
        ...metal('EMT'),
        ...stretch(1, {
          method: 'FMC',
          groundBy: 'raceway',
          fittings: 'yes',
          lengthFt: 6,
          place: 'indoors',
          racewayIn: '1/2',
        }),
        ...devices(20),
      },
      { reason: saying('FMC of') },
    ],
  ],
  violation: [
    [
      { ...metal('FMC'), ...stretch(1, { method: 'EMT', groundBy: 'raceway', fittings: 'no', place: 'indoors' }) },
      { reason: saying('turns by hand') },
    ],
  ],
  unproven: [],
});
ruleTable('feeder/raceway-fill', {
  holds: [
    [
      {
        ...pipe('EMT', '1/2', '8'),
        'feeder.stretches[0].groundBy': 'raceway',
        'feeder.stretches[0].groundAwg': undefined,
      },
      {
        working: expect.arrayContaining([
          expect.objectContaining({ label: '3 conductors, the metal is the ground' }),
        ]) as never,
      },
    ],
  ],
  violation: [],
  unproven: [],
});
test('the voltage drop weighs as the office reads it', () => {
  const long = stretch(0, { lengthFt: 300 });
  expect(underReadings('feeder/voltage-drop', long, { voltageDrop: 'rule' }).severity).toBe('correction');
  expect(underReadings('feeder/voltage-drop', long, {}).severity).toBe('advisory');
});

test('of several stretches the worst is the finding; the others that are violated stand beside it, and none that holds', () => {
  const of = (sizeAwg: string) => ({ sizeAwg, metal: 'copper' });
  const c = caseWith({ ...stretch(0, of('12')), ...stretch(1, of('14')), ...stretch(2, of('10')) });
  const outcome = evaluate(c).outcomes.find(({ rule }) => rule === 'feeder/small-conductor')!;
  const [first, second] = c.feeder!.stretches!.map(({ id }) => id);
  expect([outcome.outcome, outcome.part, outcome.others.map(({ part }) => part)]).toEqual([
    'violation',
    second,
    [first],
  ]);
});

askedTable('feeder/terminals-for-aluminum', 'feeder.terminalsAluminum', ['no'], 'correction', {
  base: stretch(0, { metal: 'aluminum' }),
  notApplicable: [{}, CORDS_ONLY],
});

ruleTable('feeder/nm-b-dry', {
  holds: [{}, stretch(0, { place: 'wall', wetRaceway: 'none' }), stretch(0, { place: 'wall', wetRaceway: 'box-back' })],
  violation: [[stretch(0, { place: 'wall', wetRaceway: 'wet' }), { severity: 'correction' }]],
  unproven: [
    [stretch(0, { place: 'wall', wetRaceway: undefined }), ['feeder.stretches[0].wetRaceway']],
    [stretch(0, { method: undefined }), ['feeder.stretches[0].method']],
    [stretch(0, { place: undefined }), ['feeder.stretches[0].place']],
  ],
  notApplicable: [CORDS_ONLY, stretch(0, { method: 'UF-B' })],
});
const SUNNY = { method: 'PVC', insulation: 'THWN-2', place: 'outdoors' };
ruleTable('feeder/pvc-expansion', {
  holds: [{}, stretch(0, { ...SUNNY, expansion: 'yes' }), stretch(0, { ...SUNNY, lengthFt: 14, expansion: 'no' })],
  violation: [
    [stretch(0, { ...SUNNY, expansion: 'no' }), { severity: 'advisory' }],
    stretch(0, { ...SUNNY, method: 'PVC-80', lengthFt: 15, expansion: 'no' }),
  ],
  unproven: [
    [stretch(0, { ...SUNNY, expansion: undefined }), ['feeder.stretches[0].expansion']],
    [stretch(0, { lengthFt: undefined }), ['feeder.stretches[0].lengthFt']],
  ],
  notApplicable: [CORDS_ONLY],
});
// A nipple: 60 % fill, and no derating for number.
const NIPPLE = { ...pipe('EMT', '1/2', '10', 4), 'feeder.stretches[0].lengthFt': 2 };
ruleTable('feeder/raceway-fill', {
  holds: [
    [{ ...NIPPLE, 'feeder.stretches[0].nipple': 'yes' }, { allowed: 0.182 }],
    // 5.78 of them by area: from 0.8 on counted whole, not below
    pipe('EMT', '1/2', '10', 1),
  ],
  violation: [[{ ...NIPPLE, 'feeder.stretches[0].nipple': 'no' }, { allowed: 0.122 }]],
  unproven: [
    [{ ...NIPPLE, 'feeder.stretches[0].nipple': undefined }, ['feeder.stretches[0].nipple']],
    // as long as nobody has taped it, it may be one
    [
      { ...NIPPLE, 'feeder.stretches[0].nipple': 'yes', 'feeder.stretches[0].lengthFt': undefined },
      ['feeder.stretches[0].lengthFt'],
    ],
  ],
});
ruleTable('feeder/ampacity', {
  holds: [
    {
      ...NIPPLE,
      'feeder.stretches[0].nipple': 'yes',
      'feeder.stretches[0].otherCarrying': 20,
      'feeder.inletTerminal': '75',
      'feeder.houseTerminal': '75',
    },
  ],
  violation: [
    {
      ...NIPPLE,
      'feeder.stretches[0].nipple': 'no',
      'feeder.stretches[0].otherCarrying': 20,
      'feeder.inletTerminal': '75',
      'feeder.houseTerminal': '75',
    },
  ],
  unproven: [],
  notApplicable: [{ 'source.outletDevice': 'none', 'source.outletBreakerA': undefined }],
});
ruleTable('feeder/burial-depth', {
  holds: [
    { ...buried('EMT', 18), 'feeder.stretches[0].burialMarked': 'yes' },
    { ...buried('LFMC', 18), 'feeder.stretches[0].burialMarked': 'yes' },
    { ...buried('MC', 0), 'feeder.stretches[0].burialUnder': 'building', 'feeder.stretches[0].burialMarked': 'yes' },
  ],
  violation: [
    [buried('EMT', 17), { allowed: 18 }],
    buried('LFNC', 17),
    { ...buried('MC', 30), 'feeder.stretches[0].burialUnder': 'building', 'feeder.stretches[0].burialMarked': 'no' },
    { ...buried('UF-B', 30), 'feeder.stretches[0].burialUnder': 'building' },
  ],
  unproven: [],
});
// 6 AWG hots where 10 AWG would do: the ground grows with them, unless somebody who is named sized it.
const GROWN = stretch(0, { sizeAwg: '6', groundAwg: '10' });
ruleTable('feeder/equipment-ground-size', {
  holds: [[{ ...GROWN, 'feeder.groundDesigned': 'yes' }, { reason: saying('who is named') }]],
  violation: [
    GROWN,
    { ...GROWN, 'feeder.groundDesigned': 'no' },
    { ...stretch(0, { groundAwg: '12' }), 'feeder.groundDesigned': 'yes' },
  ],
  unproven: [],
});
test('in 2017 nobody’s name makes a smaller ground enough', () => {
  const rule = RULES.find((one) => one.id === 'feeder/equipment-ground-size')!;
  const c = caseWith({ ...GROWN, 'feeder.groundDesigned': 'yes' });
  expect((['2017', '2020', '2023'] as const).map((edition) => judge(rule, new Look(c, edition)).outcome)).toEqual([
    'violation',
    'holds',
    'holds',
  ]);
});

ruleTable('feeder/equipment-ground-size', {
  holds: [
    // large enough already: nobody need be named
    [
      { ...stretch(0, { sizeAwg: '6', groundAwg: '6' }), 'feeder.groundDesigned': 'yes' },
      { reason: saying('6 AWG needed') },
    ],
  ],
  violation: [],
  unproven: [],
});
ruleTable('feeder/metal-ground-path', {
  holds: [],
  violation: [
    ...(
      [
        ['FMC', '3/8', 20],
        ['FMC', '1/2', 20],
        ['FMC', '1', 20],
        ['FMC', '1-1/4', 20],
        ['LFMC', '3/8', 20],
        ['LFMC', '1', 60],
        ['LFMC', '1-1/4', 60],
      ] as const
    ).map(([kind, racewayIn, amps]): Row => [
      { ...metal(kind, { lengthFt: 6, racewayIn }), ...devices(amps + 0.5) },
      { reason: saying(`behind ${amps} A`) },
    ]),
    // what arcs is told before what is too long
    [
      {
        ...metal('FMC', { lengthFt: 7, racewayIn: '1/2' }),
        ...stretch(1, { method: 'EMT', groundBy: 'raceway', fittings: 'no', place: 'indoors' }),
        ...devices(20),
      },
      { reason: saying('turns by hand') },
    ],
  ],
  unproven: [],
});
ruleTable('feeder/neutral-full-size-when-bridged', {
  holds: [{ ...BRIDGED, ...stretch(0, { sizeAwg: '12', neutralAwg: '12' }) }], // both too small: feeder/ampacity's
  violation: [
    [
      {
        ...BRIDGED,
        'source.outletPoles': '2',
        ...two(stretch(0, { sizeAwg: '4', neutralAwg: '8' }), { sizeAwg: '10', neutralAwg: '12' }),
      },
      { reason: saying('run 1') },
    ],
  ],
  unproven: [],
});
const LIKE = 'Like conductors that go in';
ruleTable('feeder/raceway-fill', {
  holds: [
    // six of 8 AWG, all alike, go into ¾ in EMT (note 7), whether one of them is the ground or the metal is
    [pipe('EMT', '3/4', '8', 2), { found: 0.22, allowed: 0.213, ...step(LIKE, 6) }],
    [
      {
        ...pipe('EMT', '3/4', '8', 3),
        'feeder.stretches[0].groundBy': 'raceway',
        'feeder.stretches[0].groundAwg': undefined,
      },
      { found: 0.22, ...step(LIKE, 6) },
    ],
    { ...pipe('PVC', '3/4', '6'), ...stretch(0, { sizeAwg: '6', neutralAwg: '6', groundAwg: '6' }) }, // to the last thousandth
    [
      pipe('EMT', '1/2', '10'),
      { working: expect.not.arrayContaining([expect.objectContaining({ label: LIKE })]) as never },
    ],
  ],
  violation: [
    { ...pipe('EMT', '3/4', '8', 2), 'feeder.stretches[0].neutralAwg': '6' },
    { ...pipe('EMT', '3/4', '8', 2), 'feeder.stretches[0].groundAwg': '6' },
  ],
  unproven: [],
});
