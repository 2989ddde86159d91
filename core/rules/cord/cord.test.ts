import { judge } from '../../verdict';
import { RULES } from '..';
import {
  BACKFED,
  BRIDGED,
  CORDS_ONLY,
  askedTable,
  at,
  caseWith,
  ruleTable,
  saying,
  type Facts,
} from '../../test/rule-table';

const secondCord = (facts: Facts = {}): Facts => ({
  'cord[1].part': 'cord',
  'cord[1].sourceEnd': 'L14-30',
  'cord[1].inletEnd': 'L14-30',
  'cord[1].inletEndGender': 'connector',
  'cord[1].sizeAwg': '10',
  'cord[1].wires': '4',
  'cord[1].lengthFt': 10,
  ...facts,
});

ruleTable('cord/ends-mate', {
  holds: [
    {},
    secondCord(),
    { ...CORDS_ONLY, 'source.outlet': '5-20', 'cord[0].sourceEnd': '5-15', 'inlet.configuration': undefined },
  ],
  violation: [
    [
      { 'cord[0].sourceEnd': 'L14-20' },
      { found: 'L14-20', allowed: 'L14-30', remedy: expect.stringContaining('L14-30') as unknown as string },
    ],
    [
      { 'cord[0].inletEnd': 'L5-30' },
      { found: 'L14-30', allowed: 'L5-30', remedy: expect.stringContaining('number of wires') as unknown as string },
    ],
    { 'source.outlet': '5-15', 'cord[0].sourceEnd': '5-20' },
    secondCord({ 'cord[1].sourceEnd': '14-30' }),
    // seen although the inlet is still unknown
    { 'cord[0].sourceEnd': '14-50', 'inlet.configuration': undefined },
    { 'cord[0].sourceEnd': '14-50', 'transfer.kind': undefined },
  ],
  unproven: [
    [{ 'inlet.configuration': undefined }, ['inlet.configuration']],
    // an inlet that does not fit proves nothing while there may be none
    [{ 'transfer.kind': undefined, 'inlet.configuration': 'SS2-50' }, ['transfer.kind']],
    [{ 'cord[0].inletEnd': 'not-seen' }, ['cord[0].inletEnd']],
    [secondCord({ 'cord[1].inletEnd': undefined }), ['cord[1].inletEnd']],
  ],
});

ruleTable('cord/no-double-plug', {
  holds: [{}],
  violation: [
    [
      { 'cord[0].inletEndGender': 'plug' },
      {
        severity: 'hazard',
        remedy: expect.stringMatching(/^Stop work.*house end first.*only then/s) as unknown as string,
      },
    ],
    secondCord({ 'cord[1].inletEndGender': 'plug', 'cord[0].inletEndGender': undefined }),
    [{ 'cord[0].part': 'two-plug' }, { severity: 'hazard', reason: saying('two plugs'), part: 'cord-1' }],
  ],
  unproven: [
    [secondCord({ 'cord[1].inletEndGender': undefined, 'cord[1].part': 'cord' }), ['cord[1].inletEndGender']],
    [{ 'cord[0].part': undefined }, ['cord[0].part']],
  ],
});

ruleTable('cord/ampacity', {
  holds: [
    [{}, { found: 30, allowed: 30, unit: 'A' }],
    { 'cord[0].sizeAwg': '8' },
    { ...CORDS_ONLY, 'source.outletBreakerA': 20, 'cord[0].sizeAwg': '16' }, // an extension cord set on 20 A
    { ...BRIDGED, 'source.outletBreakerA': 25 },
  ],
  violation: [
    [
      { 'cord[0].sizeAwg': '12' },
      { severity: 'hazard', found: 30, allowed: 25, remedy: expect.stringContaining('10 AWG') as unknown as string },
    ],
    [BRIDGED, { found: 30, allowed: 25, remedy: expect.stringContaining('8 AWG') as unknown as string }], // its neutral counts
    { ...CORDS_ONLY, 'source.outletBreakerA': 20, 'cord[0].sizeAwg': '18' },
    { 'source.outletBreakerA': 20, 'cord[0].sizeAwg': '16' }, // a cord that feeds a house is no appliance’s set
    { 'source.outletBreakerA': 25, 'cord[0].sizeAwg': '14' },
    secondCord({ 'cord[1].sizeAwg': '12', 'cord[0].sizeAwg': undefined }),
    [
      { 'source.outletBreakerA': 100, 'cord[0].sizeAwg': '4' },
      { remedy: expect.stringContaining('smaller outlet') as unknown as string },
    ],
  ],
  unproven: [
    [
      { 'source.outletBreakerA': undefined, 'cord[0].sizeAwg': undefined },
      ['source.outletBreakerA', 'cord[0].sizeAwg'],
    ],
    [{ 'source.voltage': undefined }, ['source.voltage']],
    [{ 'transfer.kind': undefined, 'source.outletBreakerA': 20, 'cord[0].sizeAwg': '16' }, ['transfer.kind']],
  ],
});

ruleTable('cord/outdoor-hard-usage', {
  holds: [{}, { 'cord[0].type': 'SJOOW' }, { 'cord[0].type': 'SOOW' }],
  violation: [
    [{ 'cord[0].type': 'SJT' }, { severity: 'correction', reason: saying('no W') }],
    [{ 'cord[0].type': 'SPT-2' }, { reason: saying('not made for hard usage') }],
    { 'cord[0].type': 'ST' },
    [secondCord({ 'cord[1].type': 'SVT', 'cord[0].type': undefined }), { found: 'SVT' }],
  ],
  unproven: [[secondCord(), ['cord[1].type']]],
});
ruleTable('cord/four-wire-for-120-240', {
  holds: [{}],
  violation: [
    [{ 'cord[0].wires': '3' }, { severity: 'correction', found: 3, allowed: 4 }],
    [secondCord({ 'cord[1].wires': '3', 'cord[0].wires': undefined }), { reason: saying('Cord 2') }],
  ],
  unproven: [[{ 'cord[0].wires': undefined }, ['cord[0].wires']]],
  notApplicable: [BRIDGED, CORDS_ONLY, BACKFED],
});
const adapter = secondCord({ 'cord[1].part': 'adapter-listed', 'cord[1].pullTested': 'yes' });
askedTable('cord/adapter-listed', 'cord[0].part', ['adapter-unlisted'], 'correction', { right: ['adapter-listed'] });
askedTable(
  'cord/not-fixed-wiring',
  'cord[0].run',
  ['through-wall', 'fastened', 'concealed', 'under-rug'],
  'correction',
  {
    base: adapter,
    right: ['through-opening'],
  },
);
askedTable('cord/not-coiled-under-load', 'cord[0].coiled', ['yes'], 'advisory', { base: adapter });
askedTable('cord/locks-and-pull-tested', 'cord[0].pullTested', ['no'], 'advisory', { base: adapter });
ruleTable('cord/not-fixed-wiring', {
  holds: [],
  violation: [
    [
      secondCord({ 'cord[1].part': 'cord', 'cord[1].run': 'fastened', 'cord[0].run': undefined }),
      { reason: saying('Cord 2') },
    ],
  ],
  unproven: [[{ 'cord[0].part': undefined }, ['cord[0].part']]],
});

ruleTable('cord/ampacity', {
  holds: [[secondCord({ 'cord[1].sizeAwg': '8' }), { allowed: 30 }]],
  violation: [{ ...CORDS_ONLY, 'source.outletBreakerA': 21, 'cord[0].sizeAwg': '14' }], // no set on 20 A any more
  unproven: [],
});
ruleTable('cord/four-wire-for-120-240', { holds: [[{}, { found: 4, allowed: 4 }]], violation: [], unproven: [] });
ruleTable('cord/not-fixed-wiring', {
  holds: [],
  violation: [
    [{ 'cord[0].run': 'fastened' }, { reason: 'A cord serves as fixed wiring, or lies where it is crushed.' }],
  ],
  unproven: [],
});

const tied = { 'cord[0].bridges': 'yes' };
ruleTable('cord/no-tied-hots', {
  holds: [{}, { ...tied, 'cord[0].sourceEnd': 'L5-30' }], // a bridged feed from a 120 V face is judged as such
  violation: [
    [tied, { severity: 'hazard', reason: saying('altered'), part: 'cord-1' }],
    [{ ...tied, 'cord[0].inletEnd': 'L5-30' }, { reason: saying('shorts the legs') }],
    [{ ...tied, ...BRIDGED }, { severity: 'hazard' }], // whatever the nameplate says
  ],
  unproven: [
    [{ 'cord[0].bridges': undefined }, ['cord[0].bridges']],
    [{ ...tied, 'cord[0].sourceEnd': undefined }, ['cord[0].sourceEnd']],
  ],
});

const CHAINED = { ...CORDS_ONLY, 'cord[0].daisyChained': 'no' };
askedTable('cord/not-daisy-chained', 'cord[0].daisyChained', ['yes'], 'correction', {
  base: CHAINED,
  notApplicable: [{}],
});

// 25 A planned on leg A: 3000 W. A cord of 10 AWG carries 30 A, at 41 °C (106 °F) 0.87 of it by the 90 °C column.
const warm = (airF: number, markedC: string, watts = 3000) => ({
  'source.airF': airF,
  'cord[0].markedC': markedC,
  'loads.circuits[0].runningW': watts,
});
ruleTable('cord/ambient', {
  holds: [
    {},
    [warm(106, '90'), {}],
    warm(106, '105'), // counts as 90 °C
    warm(60, '60', 3600), // nothing gained in the cold, nothing lost
    { ...warm(106, '60'), 'cord[0].part': 'adapter-listed' },
  ],
  violation: [
    [warm(106, '60'), { severity: 'advisory', found: 25, allowed: 21.3, unit: 'A' }],
    [warm(60, '60', 3601), { allowed: 30 }],
    [warm(106, '75'), { allowed: 24.6 }],
  ],
  unproven: [
    [{ 'cord[0].markedC': undefined }, ['cord[0].markedC']],
    [{ 'loads.circuits[0].plan': undefined }, ['loads.circuits[0].plan']],
  ],
  notApplicable: [{ 'source.kind': 'power-station' }],
});

ruleTable('cord/ambient', {
  holds: [warm(106, '60', 2200)],
  violation: [[{ ...warm(106, '60', 2200), 'cord[0].bridges': 'yes' }, { found: 23.333 }]], // one pole sees both legs
  unproven: [],
});

askedTable('cord/strain-relief', 'cord[0].strainRelief', ['no'], 'correction');
askedTable('cord/whole', 'cord[0].whole', ['taped', 'cut', 'pin-gone'], 'correction');
test.each(['cord/strain-relief', 'cord/whole'])('%s: not where the source is wired permanently', (id) => {
  const rule = RULES.find((one) => one.id === id)!;
  const c = caseWith({ 'source.connection': 'permanent', cord: undefined } as Facts);
  expect(judge(rule, c).outcome).toBe('not-applicable');
});
ruleTable('cord/outdoor-hard-usage', {
  holds: [{ 'cord[0].type': 'ST', 'cord[0].indoors': 'yes' }],
  violation: [
    { 'cord[0].type': 'ST', 'cord[0].indoors': 'no' },
    { 'cord[0].type': 'SVT', 'cord[0].indoors': 'yes' },
  ],
  unproven: [[{ 'cord[0].type': 'ST', 'cord[0].indoors': undefined }, ['cord[0].indoors']]],
});
const BOTH_ENDS = (face: string): Facts => ({ 'cord[0].sourceEnd': face, 'cord[0].inletEnd': face });
const NO_DEVICE: Facts = { 'source.outletDevice': 'none', 'source.outletBreakerA': undefined };
ruleTable('cord/ampacity', {
  holds: [
    // portable power cables by their own table, which has sizes of its own
    [{ 'cord[0].type': 'W', 'cord[0].sizeAwg': '8', 'source.outletBreakerA': 50 }, { allowed: 55 }],
    [
      { ...BOTH_ENDS('pin-sleeve-100'), 'cord[0].type': 'SC', 'cord[0].sizeAwg': '3', 'source.outletBreakerA': 100 },
      { allowed: 113 },
    ],
    // behind its own two-pole breaker a listed adapter's far end sees that one
    {
      'source.outletBreakerA': 50,
      ...at('cord[0]', { part: 'adapter-listed', markedA: 50, sourceEnd: '14-50', breakerA: 30 }),
    },
  ],
  violation: [
    [{ 'cord[0].type': 'SOOW', 'cord[0].sizeAwg': '8', 'source.outletBreakerA': 50 }, { allowed: 40 }],
    // three conductors carry in a bridged 10/4: heat, no overload of any
    [{ ...BRIDGED }, { severity: 'correction', found: 30, allowed: 25 }],
    [
      { ...BRIDGED, 'cord[0].sizeAwg': '12' },
      { severity: 'hazard', allowed: 20 },
    ],
    // the lesser of conductors and faces
    [
      { 'cord[0].sizeAwg': '6', 'cord[0].sourceEnd': '14-50', 'source.outletBreakerA': 50 },
      { severity: 'hazard', allowed: 30, reason: saying('L14-30') },
    ],
    {
      'source.outletBreakerA': 50,
      ...at('cord[0]', { part: 'adapter-listed', markedA: 50, sourceEnd: '14-50', breakerA: 30, breakerPoles: '1' }),
    },
    { 'source.outletBreakerA': 50, ...at('cord[0]', { part: 'adapter-listed', markedA: 30, sourceEnd: '14-50' }) },
    [
      {
        'source.outletBreakerA': 35,
        'source.outlet': undefined,
        ...at('cord[0]', { part: 'adapter-listed', markedA: 20 }),
      },
      { found: 35, allowed: 20, remedy: saying('adapter marked for 35 A') },
    ],
    // nothing ahead of it: 7000 W ÷ 240 V is 29.2 A, and 115 % of it 33.5 A
    [{ ...NO_DEVICE }, { severity: 'correction', found: 33.542, allowed: 30 }],
    [
      { ...NO_DEVICE, 'cord[0].sizeAwg': '12' },
      { severity: 'hazard', allowed: 25 },
    ],
  ],
  unproven: [
    [
      { ...NO_DEVICE, 'source.limitsItself': undefined, 'source.runningW': undefined },
      ['source.runningW', 'source.limitsItself'],
    ],
    [{ 'cord[0].type': undefined, 'cord[0].sizeAwg': '3' }, ['cord[0].type']],
    [{ 'source.outletDevice': undefined }, ['source.outletDevice']],
  ],
});
ruleTable('cord/ampacity', {
  holds: [{ ...NO_DEVICE, 'source.limitsItself': 'yes' }],
  violation: [],
  unproven: [],
});
// Cords that hang beside each other: each behind the outlet alone, and each on any receptacle of 120 V.
const BESIDE: Facts = {
  ...CORDS_ONLY,
  'cord[0].daisyChained': 'no',
  ...at('cord[1]', {
    part: 'cord',
    sourceEnd: '5-20',
    inletEnd: '5-15',
    sizeAwg: '14',
    wires: '3',
    daisyChained: 'no',
  }),
};
ruleTable('cord/ends-mate', {
  holds: [BESIDE],
  violation: [
    { ...BESIDE, 'cord[1].daisyChained': 'yes' },
    { ...BESIDE, 'cord[1].sourceEnd': 'TT-30' },
  ],
  unproven: [[{ ...BESIDE, 'cord[1].daisyChained': undefined }, ['cord[1].daisyChained']]],
});

/** Without a device the nameplate current counts: 7200 W of 240 V are 30 A, and 115 % of it 34.5 A. */
const THIRTY_AMPERE: Facts = { ...NO_DEVICE, 'source.runningW': 7200 };
const TWENTY_EIGHT: Facts = { ...NO_DEVICE, 'source.runningW': 6720 };
ruleTable('cord/ampacity', {
  holds: [
    // the tightest of several is the one that is told
    [secondCord({ 'cord[0].sizeAwg': '8', 'source.outletBreakerA': 20 }), { found: 20, allowed: 30 }],
    // its conductors bear 55 A; the far end bears the 30 A ahead of it, no less
    [
      { 'cord[0].sizeAwg': '6', 'cord[0].sourceEnd': '14-50' },
      { found: 30, allowed: 55 },
    ],
    // a 15 A face may stand behind the adapter's own 20 A
    at('cord[0]', { part: 'adapter-listed', markedA: 30, inletEnd: '5-15', breakerA: 20, breakerPoles: '2' }),
  ],
  violation: [
    [THIRTY_AMPERE, { severity: 'correction', found: 34.5, allowed: 30 }],
    // of two the graver speaks, wherever it hangs
    [
      secondCord({ ...TWENTY_EIGHT, 'cord[1].sizeAwg': '12' }),
      { severity: 'hazard', reason: saying('cord 2 (12 AWG)') },
    ],
    [
      secondCord({ ...TWENTY_EIGHT, 'cord[0].sizeAwg': '12' }),
      { severity: 'hazard', reason: saying('cord 1 (12 AWG)') },
    ],
    [
      at('cord[0]', { part: 'adapter-listed', markedA: 20 }),
      { reason: saying('cord 1 (its marking)'), remedy: saying('an adapter marked for 30 A') },
    ],
    [
      { 'cord[0].sizeAwg': '6', 'cord[0].sourceEnd': '14-50', 'source.outletBreakerA': 50 },
      { remedy: saying('ends bear 50 A') },
    ],
  ],
  unproven: [],
});
