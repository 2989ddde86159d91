import {
  BACKFED,
  CORDS_ONLY,
  OTHER,
  SWITCH,
  askedTable,
  at,
  ruleTable,
  saying,
  underReadings,
  type Facts,
  type Row,
} from '../../test/rule-table';

ruleTable('grounding/path-continuous', {
  holds: [
    {},
    { 'grounding.frameToPanelOhm': 1 },
    BACKFED,
    { 'neutral.switched': 'yes', 'grounding.cordGroundOhm': 1 },
    [{ 'grounding.frameToPanelOhm': 1.4, 'grounding.leadsOhm': 0.4 }, { found: 1 }],
    [{ 'grounding.frameToPanelOhm': 1.5, 'grounding.leadsOhm': 1 }, { found: 0.5 }],
    [{ 'grounding.frameToPanelOhm': 0.2, 'grounding.leadsOhm': 0.4 }, { found: 0 }], // − 0.2 Ω is the meter's own
    [{ 'grounding.frameToPanelOhm': 3, 'grounding.leadsOhm': 2 }, { found: 1 }],
  ],
  violation: [
    [{ 'grounding.frameToPanelOhm': 1.01 }, { severity: 'hazard', found: 1.01, allowed: 1, unit: 'Ω' }],
    [
      { 'grounding.frameToPanelOhm': 1_000_000, 'grounding.leadsOhm': 0.4 },
      { reason: saying('Open'), found: 1_000_000 },
    ],
    // low through the electrode conductor, and the cord’s ground open
    [
      { 'neutral.switched': 'yes', 'grounding.cordGroundOhm': 1_000_000 },
      { reason: saying('ground pin to ground pin') },
    ],
    { 'grounding.frameToPanelOhm': 5, 'neutral.switched': undefined },
  ],
  unproven: [
    [{ 'grounding.frameToPanelOhm': 40, 'grounding.leadsOhm': 50 }, ['grounding.leadsOhm']],
    [{ 'grounding.frameToPanelOhm': 2, 'grounding.leadsOhm': 2.1 }, ['grounding.leadsOhm']],
    [{ 'grounding.frameToPanelOhm': 0.2, 'grounding.leadsOhm': 0.41 }, ['grounding.leadsOhm']],
    [{ 'grounding.frameToPanelOhm': 'not-seen' }, ['grounding.frameToPanelOhm']],
    [{ 'neutral.switched': 'yes' }, ['grounding.cordGroundOhm']],
    [{ 'grounding.frameToPanelOhm': 1, 'neutral.switched': undefined }, ['neutral.switched']],
    [OTHER, ['transfer.kind']],
  ],
  notApplicable: [CORDS_ONLY],
});

askedTable('grounding/rod-not-only-path', 'grounding.rod', ['only-path'], 'hazard', {
  right: ['auxiliary'],
  notApplicable: [CORDS_ONLY],
});

const rod = (diameter: string, lengthFt: number, listed: string) => ({
  'grounding.rod': 'auxiliary',
  'grounding.rodDiameterIn': diameter,
  'grounding.rodLengthFt': lengthFt,
  'grounding.rodListed': listed,
});
ruleTable('grounding/rod-size', {
  holds: [rod('5/8', 8, 'no'), rod('1/2', 8, 'yes'), rod('3/4', 10, 'no')],
  violation: [
    [rod('1/2', 8, 'no'), { severity: 'advisory', found: '1/2', allowed: '5/8' }], // an extra need be no electrode
    [{ ...rod('5/8', 7, 'no') }, { severity: 'advisory', found: 7 }],
    [
      { ...rod('1/2', 8, 'no'), 'neutral.switched': 'yes', 'grounding.derivedElectrode': 'one-rod' },
      { severity: 'correction' },
    ],
    [{ ...rod('1/2', 8, 'no'), 'neutral.switched': undefined }, { severity: 'correction' }],
    [{ ...rod('1/2', 8, 'no'), 'grounding.rod': 'only-path' }, { severity: 'correction' }],
    [rod('3/8', 8, 'yes'), { found: '3/8', allowed: '1/2' }],
    [rod('5/8', 7.9, 'yes'), { found: 7.9, allowed: 8, unit: 'ft' }],
  ],
  unproven: [
    [{ ...rod('5/8', 8, 'no'), 'grounding.rodListed': undefined }, ['grounding.rodListed']],
    [{ 'grounding.rod': undefined }, ['grounding.rod']],
  ],
  notApplicable: [{}, { ...CORDS_ONLY, ...rod('1/2', 8, 'no') }],
});

const derived = (facts: Facts = {}): Facts => ({
  ...SWITCH,
  'neutral.switched': 'yes',
  'grounding.derivedElectrode': 'house',
  'grounding.electrodeAwg': '8',
  ...facts,
});
ruleTable('grounding/electrode-for-derived', {
  holds: [
    derived(),
    derived({ 'grounding.derivedElectrode': 'two-rods' }),
    [derived({ 'grounding.derivedElectrode': 'one-rod', 'grounding.rodEarthOhm': 25 }), { found: 25, allowed: 25 }],
  ],
  violation: [
    [derived({ 'grounding.derivedElectrode': 'none' }), { severity: 'correction', reading: saying('Offices') }],
    [derived({ 'grounding.derivedElectrode': 'one-rod' }), { remedy: saying('second rod') }],
    derived({ 'grounding.derivedElectrode': 'one-rod', 'grounding.rodEarthOhm': 25.1 }),
  ],
  unproven: [
    [derived({ 'grounding.derivedElectrode': undefined }), ['grounding.derivedElectrode']],
    [derived({ 'neutral.switched': undefined }), ['neutral.switched']],
  ],
  notApplicable: [{}, CORDS_ONLY],
});

const LARGE: Facts = { 'feeder.stretches[0].sizeAwg': '1/0', 'feeder.stretches[0].metal': 'copper' };
ruleTable('grounding/electrode-conductor-size', {
  holds: [
    [derived(), { found: '8', allowed: '8' }],
    derived({ ...LARGE, 'grounding.electrodeAwg': '6' }),
    // to rods alone 6 AWG is enough, whatever the table says
    [
      derived({
        ...LARGE,
        'feeder.stretches[0].sizeAwg': '3/0',
        'grounding.derivedElectrode': 'two-rods',
        'grounding.electrodeAwg': '6',
      }),
      { allowed: '6' },
    ],
  ],
  violation: [
    [derived({ 'grounding.electrodeAwg': '10' }), { severity: 'correction', found: '10', allowed: '8' }],
    [derived(LARGE), { found: '8', allowed: '6' }],
    [derived({ ...LARGE, 'feeder.stretches[0].sizeAwg': '3/0', 'grounding.electrodeAwg': '6' }), { allowed: '4' }],
    [derived({ 'feeder.stretches[0].sizeAwg': '2/0', 'feeder.stretches[0].metal': 'aluminum' }), { allowed: '6' }],
    // the smaller copper asks for more than the larger aluminum, whichever comes first
    ...[
      [0, 1],
      [1, 0],
    ].map(([copper, aluminum]): Row => [
      derived({
        ...at(`feeder.stretches[${copper}]`, { metal: 'copper', sizeAwg: '2/0' }),
        ...at(`feeder.stretches[${aluminum}]`, { metal: 'aluminum', sizeAwg: '3/0' }),
        'grounding.electrodeAwg': '6',
      }),
      { allowed: '4' },
    ]),
  ],
  unproven: [
    [
      derived({ 'grounding.electrodeAwg': undefined, 'feeder.stretches[0].sizeAwg': undefined }),
      ['feeder.stretches[0].sizeAwg', 'grounding.electrodeAwg'],
    ],
  ],
  notApplicable: [{}, CORDS_ONLY, derived({ 'grounding.derivedElectrode': 'none' })],
});

test('a cord-connected source needs no electrode of its own where the office reads it so; a wired one does', () => {
  const none = derived({ 'grounding.derivedElectrode': 'none' });
  const reading = { derivedElectrode: 'equipment-ground' } as const;
  const outcome = (facts: Facts) => underReadings('grounding/electrode-for-derived', facts, reading).outcome;
  expect([outcome(none), outcome({ ...none, 'source.connection': 'permanent' })]).toEqual(['holds', 'violation']);
});

// An inlet built in has no feeder: the cord's conductors are the largest there are, and an adapter has none.
const BUILT_IN: Facts = { 'inlet.builtIn': 'yes', feeder: undefined } as Facts;
ruleTable('grounding/electrode-conductor-size', {
  holds: [
    [derived({ ...BUILT_IN }), { allowed: '8' }],
    derived({
      ...BUILT_IN,
      ...at('cord[1]', { part: 'adapter-listed', sourceEnd: 'L14-30', inletEnd: 'L14-30', markedA: 30 }),
    }),
  ],
  violation: [[derived({ ...BUILT_IN, 'grounding.electrodeAwg': '10' }), { allowed: '8' }]],
  unproven: [[derived({ ...BUILT_IN, 'cord[0].sizeAwg': undefined }), ['cord[0].sizeAwg']]],
});

const LONG = 'feeder.stretches[0].lengthFt';
const OUTLET = 'source.outletBreakerA';
ruleTable('grounding/fault-opens-device', {
  // 20 ft of 10 AWG cord, and a feeder of 10 AWG: 1.24 Ω a 1,000 ft, out and back; 30 A opens from 60 A, so 2 Ω are the most
  holds: [
    [{}, { allowed: 60 }],
    [{ [LONG]: 780 }, { found: 60.484 }],
    [{ [LONG]: 383.2 }, { found: 120 }], // 1 Ω
    [
      { [LONG]: 790, [OUTLET]: 59.731 / 2 },
      { found: 59.731, allowed: 59.731 },
    ],
    [{ [LONG]: 1000, [OUTLET]: 20 }, { allowed: 40 }],
    derived({
      ...BUILT_IN,
      cord: [{ id: 'cord-1', part: 'adapter-listed', sourceEnd: 'L14-30', inletEnd: 'L14-30', markedA: 30 }],
    } as Facts),
  ],
  violation: [
    [{ [LONG]: 790 }, { found: 59.731, allowed: 60, severity: 'hazard', reason: saying('the frame is live') }],
    [{ [LONG]: 500, 'feeder.stretches[0].groundAwg': '14' }, { allowed: 60 }], // a thin ground counts
    [{ [LONG]: 400, [OUTLET]: 60 }, { allowed: 120 }],
  ],
  unproven: [
    [{ [LONG]: undefined }, [LONG]],
    [{ 'feeder.stretches[0].groundAwg': undefined, [OUTLET]: undefined }, ['feeder.stretches[0].groundAwg', OUTLET]],
  ],
  notApplicable: [CORDS_ONLY],
});
