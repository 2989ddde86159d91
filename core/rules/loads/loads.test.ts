import {
  BACKFED,
  BRIDGED,
  CORDS_ONLY,
  SINGLE,
  STATION_UNIT,
  SWITCH,
  askedTable,
  at,
  ruleTable,
  saying,
  type Facts,
} from '../../test/rule-table';

/** The good house's two circuits, of so many watts on leg A (slot 1) and leg B (slot 3). */
const legs = (a: number, b: number, more: Facts = {}): Facts => ({
  ...at('loads.circuits[0]', { slot: 1, runningW: a, startingW: a }),
  ...at('loads.circuits[1]', { slot: 3, runningW: b, startingW: b }),
  ...more,
});
/** Worked case 7: a power station of 6 kW, 3 kW a leg. */
const SIX_KW: Facts = { ...STATION_UNIT, 'source.runningW': 6000, 'source.startingW': 6000 };
const third = (facts: Readonly<Record<string, unknown>>): Facts =>
  at('loads.circuits[2]', {
    use: 'well-pump',
    plan: 'run',
    volts: '120',
    slot: 2,
    runningW: 0,
    startingW: 0,
    neutralGroup: 'own',
    sizeAwg: '12',
    ...facts,
  });

ruleTable('loads/each-leg-within-source', {
  holds: [
    {},
    [legs(2900, 800, SIX_KW), { found: 2900, allowed: 3000 }],
    legs(3000, 3000, SIX_KW),
    [legs(2000, 1000, { ...SIX_KW, ...third({ volts: '240', runningW: 2000 }) }), { found: 3000 }], // half on each leg
    legs(2900, 0, { ...SIX_KW, ...third({ plan: 'in-turn', runningW: 100 }) }),
    { ...CORDS_ONLY, ...legs(3500, 0), 'loads.circuits[0].slot': undefined, 'loads.circuits[1].slot': undefined },
    legs(3400, 0, BRIDGED), // one pole feeds both
    [legs(3343, 0, { 'source.outlet': 'L5-30' }), { allowed: 3344 }], // one winding of two, of 6687 W
    legs(5000, 0, { 'source.outlet': 'L5-30', 'source.outletW': 6000 }), // the maker's figure for it
    legs(6000, 0, { 'source.outlet': 'L5-30', 'source.selector': '120' }), // both windings on 120 V
    legs(3343, 3343), // 6687 W after altitude and heat
    legs(9000, 0, { ...SIX_KW, 'loads.circuits[0].plan': 'off' }),
  ],
  violation: [
    [
      legs(3300, 400, SIX_KW),
      { severity: 'correction', found: 3300, allowed: 3000, reason: saying('3700 W is within 6000 W') },
    ],
    [legs(2000, 400, { ...SIX_KW, ...third({ runningW: 1100 }) }), { remedy: saying('Move circuit 3, Well pump') }],
    [legs(3344, 0), { allowed: 3343.5 }],
    [legs(6000, 1000, SIX_KW), { found: 7000, allowed: 6000, remedy: saying('Keep circuit 2, Lights off') }],
    [legs(5000, 5000, { ...SIX_KW, ...third({ runningW: 5000 }) }), { remedy: saying('Keep 9000 W off') }],
    [legs(3000, 2500, { ...SIX_KW, ...third({ runningW: 500 }) }), { remedy: saying('Move circuit 3, Well pump') }],
    // of two that share a neutral, none is moved
    [
      legs(2000, 400, { ...SIX_KW, ...third({ runningW: 1100, neutralGroup: 'a' }) }),
      { remedy: saying('Move circuit 1, Refrigerator') },
    ],
    [legs(3300, 0, SIX_KW), { remedy: saying('Keep circuit 1, Refrigerator off') }],
    [
      legs(2000, 2000, { ...SIX_KW, 'loads.circuits[1].slot': 5, ...third({ runningW: 2000 }) }),
      { found: 6000, remedy: saying('Keep 3000 W of leg A off') },
    ],
    [legs(2000, 0, { ...SIX_KW, ...third({ plan: 'in-turn', runningW: 1001 }) }), { found: 3001 }],
    legs(3500, 3501, BRIDGED),
    [legs(7001, 0, CORDS_ONLY), { found: 7001, allowed: 6687 }],
  ],
  unproven: [
    [
      { 'loads.circuits[1].slot': undefined, 'loads.circuits[0].runningW': undefined },
      ['loads.circuits[0].runningW', 'loads.circuits[1].slot'],
    ],
    [
      { 'loads.circuits[0].plan': undefined, 'source.voltage': undefined },
      ['source.voltage', 'loads.circuits[0].plan'],
    ],
    [{ 'loads.circuits': undefined } as Facts, ['loads.circuits[0].plan']],
    [SWITCH, ['loads.circuits[0].sourceLeg', 'loads.circuits[1].sourceLeg']], // the house’s slots say nothing of the source’s legs
  ],
});

ruleTable('loads/starting-surge', {
  holds: [
    [{}, { found: 2000, allowed: 4179.5, reason: saying('on leg A') }], // half of 8750 × 6687 ÷ 7000
    [BRIDGED, { found: 2600, allowed: 8359 }],
    [legs(2000, 3000, { ...SIX_KW, ...BRIDGED, 'loads.circuits[0].startingW': 3000 }), { found: 6000, allowed: 6000 }],
    [
      legs(2000, 2000, { ...SIX_KW, 'loads.circuits[0].startingW': 3000 }),
      { found: 3000, allowed: 3000, reason: saying('on leg A') },
    ],
    [legs(100, 2900, SIX_KW), { found: 2900, reason: saying('on leg B') }],
    // of two legs alike the first
    [
      legs(2000, 2000, { ...SIX_KW, 'loads.circuits[0].startingW': 3000, 'loads.circuits[1].startingW': 3000 }),
      { found: 3000, allowed: 3000, reason: saying('on leg A') },
    ],
    // nothing runs: a leg is still half of the source
    [
      { 'loads.circuits[0].plan': 'off', 'loads.circuits[1].plan': 'off' },
      { found: 0, allowed: 4179.5, reason: saying('on leg A') },
    ],
    [{ ...BRIDGED, 'loads.circuits[0].plan': 'off', 'loads.circuits[1].plan': 'off' }, { found: 0 }],
    legs(1000, 1000, { ...SIX_KW, ...third({ volts: '240', runningW: 2000, startingW: 4000 }) }), // half on each leg
    { 'loads.circuits[0].startingW': 0 },
    { 'source.startingW': 100 }, // never less than the running watts
  ],
  violation: [
    [
      legs(2000, 3000, { ...SIX_KW, ...BRIDGED, 'loads.circuits[0].startingW': 3001 }),
      {
        severity: 'correction',
        found: 6001,
        allowed: 6000,
        reason: saying('circuit 1, Refrigerator'),
        remedy: saying('1 W'),
      },
    ],
    [
      legs(2000, 3000, {
        ...SIX_KW,
        ...BRIDGED,
        'loads.circuits[0].startingW': 3001,
        'loads.circuits[1].startingW': 4001,
      }),
      { reason: saying('circuit 1, Refrigerator') }, // of two alike the first
    ],
    // within the source, and too much for half of it
    [
      legs(2000, 500, { ...SIX_KW, 'loads.circuits[0].startingW': 3001 }),
      { found: 3001, allowed: 3000, reason: saying('on leg A (circuit 1, Refrigerator)') },
    ],
    [
      legs(1001, 0, { ...SIX_KW, ...third({ volts: '240', runningW: 2000, startingW: 4000 }) }),
      { found: 3001, reason: saying('Well pump') },
    ],
  ],
  unproven: [
    [
      { 'source.startingW': undefined, 'loads.circuits[1].startingW': undefined },
      ['source.startingW', 'loads.circuits[1].startingW'],
    ],
  ],
});

const PUMP = third({ volts: '240', runningW: 1000 });
ruleTable('loads/240v-on-120v-source', {
  holds: [BRIDGED, { ...BRIDGED, ...PUMP, 'loads.circuits[2].plan': 'off' }],
  violation: [
    [
      { ...BRIDGED, ...PUMP },
      { severity: 'correction', found: 0, allowed: 240 },
    ],
    { ...BRIDGED, ...PUMP, 'loads.circuits[2].plan': 'in-turn' },
    { 'cord[0].bridges': 'yes', ...PUMP },
  ],
  unproven: [[{ ...BRIDGED, 'loads.circuits[0].volts': undefined }, ['loads.circuits[0].volts']]],
  notApplicable: [{}, PUMP, CORDS_ONLY, { ...SINGLE, ...BRIDGED }],
});

/** Worked case 6: a pair on one neutral, 14 A on each hot. */
const PAIR = legs(1680, 1680, {
  ...at('loads.circuits[0]', { neutralGroup: 'a', sizeAwg: '12', metal: 'copper' }),
  ...at('loads.circuits[1]', { neutralGroup: 'a', sizeAwg: '12', metal: 'copper' }),
});
ruleTable('loads/shared-neutral-within-rating', {
  holds: [
    [PAIR, { found: 0, allowed: 20 }],
    [{ ...PAIR, 'loads.circuits[0].runningW': 2400, 'loads.circuits[1].runningW': 0 }, { found: 20 }],
    [{ ...BRIDGED, ...PAIR, 'loads.circuits[0].runningW': 1200, 'loads.circuits[1].runningW': 1200 }, { found: 20 }],
    [
      { ...PAIR, 'loads.circuits[0].sizeAwg': '8', 'loads.circuits[1].sizeAwg': '8', ...BRIDGED },
      { found: 28, allowed: 40 },
    ],
  ],
  violation: [
    [
      { ...BRIDGED, ...PAIR },
      {
        severity: 'hazard',
        found: 28,
        allowed: 20,
        unit: 'A',
        remedy: 'Keep circuit 1, Refrigerator off and locked while the source runs, or use a 120/240 V source.',
      },
    ],
    [
      { ...PAIR, 'loads.circuits[1].slot': 5 },
      { found: 28, remedy: saying('Move circuit 1, Refrigerator to the other leg') },
    ], // rows 1 and 3: both on leg A
    [
      { ...PAIR, 'loads.circuits[0].runningW': 2640, 'loads.circuits[1].runningW': 0 },
      { found: 22, remedy: 'Keep circuit 1, Refrigerator off and locked while the source runs.' },
    ],
    [
      { ...BRIDGED, ...PAIR, 'loads.circuits[0].runningW': 2400, 'loads.circuits[1].runningW': 2400 },
      { found: 40, remedy: saying('Keep circuit 1, Refrigerator off') },
    ],
    [
      { ...BRIDGED, ...PAIR, 'loads.circuits[0].runningW': 2640, 'loads.circuits[1].runningW': 2520 },
      { found: 43, remedy: 'Give each circuit a neutral of its own, or use a 120/240 V source.' },
    ],
    [
      {
        ...PAIR,
        'loads.circuits[0].sizeAwg': '14',
        'loads.circuits[0].runningW': 3600,
        'loads.circuits[1].runningW': 1788,
      },
      { found: 15.1, allowed: 15 },
    ],
  ],
  unproven: [
    [{ ...PAIR, 'loads.circuits[1].sizeAwg': undefined }, ['loads.circuits[1].sizeAwg']],
    [{ 'loads.circuits[0].neutralGroup': undefined }, ['loads.circuits[0].neutralGroup']],
  ],
  notApplicable: [{}, { ...PAIR, 'loads.circuits[1].plan': 'off' }, { ...PAIR, ...CORDS_ONLY }, BACKFED],
});

ruleTable('loads/leg-balance', {
  holds: [legs(1000, 500), legs(0, 0), [legs(600, 1000), { found: 60 }]],
  violation: [
    [
      legs(2900, 800, SIX_KW),
      {
        severity: 'advisory',
        found: 27.586,
        allowed: 50,
        remedy: saying('No single move brings the lighter leg to 50 %'),
      },
    ],
    legs(499, 1000),
    [
      legs(1000, 0, third({ runningW: 500 })),
      { found: 0, remedy: saying('Move circuit 3, Well pump to the other leg') },
    ],
    [legs(1000, 0, third({ runningW: 497 })), { remedy: saying('No single move') }],
    [
      legs(1000, 0, third({ runningW: 500, neutralGroup: 'a' })),
      { remedy: saying('Move circuit 1, Refrigerator to the other leg') },
    ],
  ],
  unproven: [[{ 'loads.circuits[0].slot': undefined }, ['loads.circuits[0].slot']]],
  notApplicable: [CORDS_ONLY, BRIDGED, SINGLE],
});

const moved = (facts: Readonly<Record<string, unknown>>): Facts => ({
  ...SWITCH,
  'transfer.circuitLimitA': 30,
  ...at('loads.circuits[0]', { moved: 'yes', switchBreakerA: 20, ...facts }),
  'loads.circuits[1].moved': 'no',
});
ruleTable('loads/switch-circuit-limit', {
  holds: [
    [moved({}), { found: 20, allowed: 30 }],
    moved({ switchBreakerA: 30 }),
    [moved({ switchBreakerA: undefined, unfused: 'yes' }), { found: 30 }], // what stands ahead of the inlet
    [moved({ moved: 'no', switchBreakerA: 50 }), { found: 0 }],
  ],
  violation: [
    [moved({ switchBreakerA: 35 }), { severity: 'correction', found: 35, allowed: 30 }],
    [
      { ...moved({}), ...at('loads.circuits[1]', { moved: 'yes', switchBreakerA: 50 }) },
      { found: 50, reason: saying('Lights') },
    ],
  ],
  unproven: [
    [{ ...moved({}), 'transfer.circuitLimitA': undefined }, ['transfer.circuitLimitA']],
    [{ ...moved({}), 'loads.circuits[1].moved': undefined }, ['loads.circuits[1].moved']],
    [moved({ switchBreakerA: undefined }), ['loads.circuits[0].switchBreakerA']],
  ],
  notApplicable: [{}, SINGLE],
});

ruleTable('loads/each-leg-within-source', {
  holds: [legs(3400, 0, { 'cord[0].bridges': 'yes' })],
  violation: [],
  unproven: [],
});
ruleTable('loads/starting-surge', {
  holds: [[{ ...BRIDGED, 'loads.circuits[0].startingW': 0, 'loads.circuits[1].startingW': 0 }, { found: 1300 }]],
  violation: [],
  unproven: [],
});
const pairOf = (index: number, group: string, watts: number, sizeAwg: string): Facts => ({
  ...at(`loads.circuits[${index}]`, {
    use: 'lights',
    plan: 'run',
    volts: '120',
    slot: 1,
    runningW: watts,
    startingW: watts,
    neutralGroup: group,
    sizeAwg,
    metal: 'copper',
  }),
  ...at(`loads.circuits[${index + 1}]`, {
    use: 'lights',
    plan: 'run',
    volts: '120',
    slot: 5,
    runningW: 0,
    startingW: 0,
    neutralGroup: group,
    sizeAwg,
    metal: 'copper',
  }),
});
ruleTable('loads/shared-neutral-within-rating', {
  holds: [],
  // 10 A too much on one neutral is worse than 3 A on another, larger one
  violation: [
    [
      { ...pairOf(0, 'a', 3000, '14'), ...pairOf(2, 'b', 3960, '10') },
      { found: 25, allowed: 15 },
    ],
    [
      { ...pairOf(0, 'b', 3960, '10'), ...pairOf(2, 'a', 3000, '14') },
      { found: 25, allowed: 15 },
    ],
  ],
  unproven: [],
});

// Seen although other circuits are unknown.
ruleTable('loads/240v-on-120v-source', {
  holds: [],
  violation: [{ ...BRIDGED, ...PUMP, 'loads.circuits[0].volts': undefined, 'loads.circuits[1].plan': undefined }],
  unproven: [],
});
ruleTable('loads/switch-circuit-limit', {
  holds: [],
  violation: [{ ...moved({ switchBreakerA: 35 }), 'loads.circuits[1].moved': undefined }],
  unproven: [],
});

/** The pair behind a load-side switch, its handles on these legs of the source. */
const handles = (one: string, other: string, more: Facts = {}): Facts => ({
  ...PAIR,
  ...SWITCH,
  'loads.circuits[0].sourceLeg': one,
  'loads.circuits[1].sourceLeg': other,
  ...more,
});
ruleTable('loads/shared-neutral-within-rating', {
  holds: [
    [handles('A', 'B'), { found: 0 }],
    [handles('B', 'A', { 'loads.circuits[1].slot': 5 }), { found: 0 }], // one leg of the utility, two of the source
  ],
  // two legs of the utility, one of the source: the sum
  violation: [[handles('A', 'A'), { severity: 'hazard', found: 28, remedy: saying('to the other leg') }]],
  unproven: [[handles('A', 'A', { 'loads.circuits[1].sourceLeg': undefined }), ['loads.circuits[1].sourceLeg']]],
});
ruleTable('loads/each-leg-within-source', {
  holds: [
    [
      legs(2900, 2900, {
        ...SIX_KW,
        ...SWITCH,
        'loads.circuits[0].sourceLeg': 'A',
        'loads.circuits[1].sourceLeg': 'B',
      }),
      { found: 2900 },
    ],
  ],
  violation: [
    [
      legs(2900, 200, { ...SIX_KW, ...SWITCH, 'loads.circuits[0].sourceLeg': 'B', 'loads.circuits[1].sourceLeg': 'B' }),
      { found: 3100, reason: saying('leg B') },
    ],
  ],
  unproven: [],
});

const TIED: Facts = { 'loads.circuits[0].paired': 'yes', 'loads.circuits[1].paired': 'yes' };
ruleTable('loads/shared-neutral-opens-together', {
  holds: [{ ...PAIR, ...TIED }],
  violation: [
    [
      { ...PAIR, ...TIED, 'loads.circuits[1].paired': 'no' },
      { severity: 'correction', part: 'circuits-1' },
    ],
    { ...PAIR, 'loads.circuits[0].paired': 'no' },
  ],
  unproven: [[{ ...PAIR, 'loads.circuits[0].paired': 'yes' }, ['loads.circuits[1].paired']]],
  notApplicable: [{}, CORDS_ONLY],
});

// A 9.5 kW source on a 30 A outlet: 30 A are 3600 W on a leg of 120 V.
const NINE_KW: Facts = { 'source.runningW': 9500, 'source.startingW': 12_000 };
ruleTable('loads/within-weakest-device', {
  holds: [
    [{}, { found: 5.833, allowed: 30 }],
    [legs(3600, 0, NINE_KW), { found: 30 }],
    [legs(1800, 1800, NINE_KW), { reason: saying('on leg A') }],
    [legs(2880, 0, { ...NINE_KW, ...at('loads.circuits[0]', { use: 'heat', continuous: 'yes' }) }), { found: 30 }], // 24 A ÷ 0.8
    [legs(1800, 0, { ...NINE_KW, ...third({ volts: '240', runningW: 3600 }) }), { found: 30 }], // 15 A, and 15 A of 240 V
    [legs(1800, 0, { ...NINE_KW, ...third({ slot: 1, plan: 'in-turn', runningW: 1800 }) }), { found: 30 }],
    [legs(1800, 1800, { ...BRIDGED, 'cord[0].sizeAwg': '8', 'source.outletBreakerA': 30 }), { found: 30 }], // one pole sees both
    legs(3600, 0, { ...CORDS_ONLY, 'loads.circuits[0].slot': undefined }),
    // a breaker that is noted where none is backfed limits nothing
    [legs(2500, 0, { ...CORDS_ONLY, 'loads.circuits[0].slot': undefined, 'breaker.ratingA': 15 }), { allowed: 30 }],
  ],
  violation: [
    [
      legs(3601, 0, NINE_KW),
      {
        severity: 'correction',
        found: 30.008,
        allowed: 30,
        unit: 'A',
        remedy: saying('Keep circuit 1, Refrigerator off'),
      },
    ],
    [
      legs(2881, 0, { ...NINE_KW, ...at('loads.circuits[0]', { use: 'water-heater', continuous: 'yes' }) }),
      { found: 30.01 },
    ],
    [legs(2500, 0, { 'breaker.ratingA': 20 }), { found: 20.833, allowed: 20, reason: saying('backfed breaker') }],
    [legs(3100, 0, { ...NINE_KW, 'cord[0].sizeAwg': '12' }), { allowed: 25, reason: saying('cord') }],
    [
      legs(1800, 1801, BRIDGED),
      { found: 30.008, reason: saying('on one pole'), remedy: saying('Keep circuit 1, Refrigerator off') },
    ],
    [legs(1800, 1801, { 'cord[0].bridges': 'yes' }), { found: 30.008, reason: saying('on one pole') }],
    [legs(3600, 60, { ...NINE_KW, 'loads.circuits[1].slot': 5 }), { remedy: saying('Keep circuit 2, Lights off') }],
    [legs(4000, 4000, { ...NINE_KW, 'loads.circuits[1].slot': 5 }), { remedy: saying('Keep 36.667 A off') }],
  ],
  unproven: [
    [at('loads.circuits[0]', { use: 'heat' }), ['loads.circuits[0].continuous']],
    [{ 'loads.circuits[0].use': undefined }, ['loads.circuits[0].use']],
    [{ 'cord[0].sizeAwg': undefined, 'inlet.ratingA': undefined }, ['cord[0].sizeAwg', 'inlet.ratingA']],
    [{ 'breaker.ratingA': undefined }, ['breaker.ratingA']], // it may be the smallest
  ],
});
askedTable('loads/others-off', 'loads.othersOff', ['no'], 'correction', {
  notApplicable: [SWITCH, SINGLE, CORDS_ONLY, { 'transfer.kind': 'transfer-panel' }],
});

const SHARED: Facts = {
  ...at('loads.circuits[0]', { neutralGroup: 'a', slot: 5 }),
  ...at('loads.circuits[1]', { neutralGroup: 'a', slot: 7 }),
};
const HANDLES: Facts = { ...SWITCH, ...SHARED, 'loads.circuits[0].moved': 'yes', 'loads.circuits[1].moved': 'yes' };
const takes = (a: string, b: string): Facts => ({
  ...HANDLES,
  'loads.circuits[0].sourceLeg': a,
  'loads.circuits[1].sourceLeg': b,
});
ruleTable('loads/shared-neutral-on-two-legs', {
  holds: [
    SHARED,
    { ...SHARED, 'loads.circuits[1].slot': 9, 'loads.circuits[0].toPartnerV': 240 },
    takes('A', 'B'),
    { ...takes('A', 'A'), 'loads.circuits[0].moved': 'no', 'loads.circuits[1].moved': 'no' }, // they stay in the panel
    { ...SHARED, 'loads.circuits[0].toPartnerV': 60 },
  ],
  violation: [
    [
      { ...SHARED, 'loads.circuits[1].slot': 5 },
      { severity: 'hazard', reason: saying('tandem'), part: 'circuits-1' },
    ],
    [{ ...SHARED, 'loads.circuits[0].toPartnerV': 0 }, { reason: saying('0 V between') }],
    { ...SHARED, 'loads.circuits[1].toPartnerV': 59 },
    [takes('A', 'A'), { reason: saying('one leg of the source') }],
    // whatever is planned
    { ...SHARED, 'loads.circuits[1].slot': 5, 'loads.circuits[0].plan': 'off', 'loads.circuits[1].plan': 'off' },
  ],
  unproven: [
    [{ ...SHARED, 'loads.circuits[1].slot': 9 }, ['loads.circuits[0].toPartnerV']], // panels count differently
    [{ 'loads.circuits[0].neutralGroup': 'a' }, ['loads.circuits[0].neutralGroup']], // which is the other?
    [{ ...SHARED, 'loads.circuits[1].slot': undefined }, ['loads.circuits[1].slot']],
    [takes('A', undefined as never), ['loads.circuits[1].sourceLeg']],
    [{ ...HANDLES, 'loads.circuits[0].moved': undefined }, ['loads.circuits[0].moved']],
    [{ 'loads.circuits[0].neutralGroup': undefined }, ['loads.circuits[0].neutralGroup']],
  ],
  notApplicable: [{}, CORDS_ONLY],
});
askedTable('loads/appliances-for-240-v', 'loads.for240', ['no'], 'correction', {
  base: { 'loads.circuits[0].volts': '240', 'loads.circuits[1].slot': 9 },
  notApplicable: [{}, { 'loads.circuits[0].volts': '240', 'loads.circuits[0].plan': 'off' }],
});

// Of loads that take turns one alone is on with the others: the start of one never falls on the running of another.
ruleTable('loads/starting-surge', {
  holds: [
    [
      {
        ...legs(500, 500, {
          ...SIX_KW,
          ...BRIDGED,
          'loads.circuits[0].plan': 'in-turn',
          'loads.circuits[1].plan': 'run',
          'loads.circuits[0].startingW': 5000,
        }),
        ...third({ plan: 'in-turn', runningW: 3000, startingW: 3000 }),
      },
      { found: 5500 }, // 500 + 5000, and not 500 + 3000 + 4500
    ],
  ],
  violation: [
    [
      {
        ...legs(500, 500, {
          ...SIX_KW,
          ...BRIDGED,
          'loads.circuits[0].plan': 'in-turn',
          'loads.circuits[1].plan': 'run',
          'loads.circuits[0].startingW': 5600,
        }),
        ...third({ plan: 'in-turn', runningW: 3000, startingW: 3000 }),
      },
      { found: 6100, allowed: 6000, remedy: saying('Refrigerator') },
    ],
  ],
  unproven: [],
});
// Cords beside each other carry what hangs on each; the sum of all is the source's.
const TWO_CORDS: Facts = {
  ...CORDS_ONLY,
  ...legs(2500, 2500),
  'loads.circuits[0].slot': undefined,
  'loads.circuits[1].slot': undefined,
  'cord[0].daisyChained': 'no',
  ...at('cord[1]', {
    part: 'cord',
    sourceEnd: 'L14-30',
    inletEnd: 'L14-30',
    sizeAwg: '10',
    wires: '4',
    daisyChained: 'no',
  }),
  'loads.circuits[1].cord': 2,
};
ruleTable('loads/within-weakest-device', {
  holds: [[TWO_CORDS, { found: 20.833, allowed: 30 }]],
  violation: [
    [
      { ...TWO_CORDS, 'loads.circuits[1].cord': 1 },
      { found: 41.667, allowed: 30 },
    ],
    [
      { ...TWO_CORDS, 'cord[1].sizeAwg': '14' },
      { found: 20.833, allowed: 18 },
    ],
    { ...TWO_CORDS, 'cord[1].daisyChained': 'yes', 'cord[0].sizeAwg': '14' },
  ],
  unproven: [
    [{ ...TWO_CORDS, 'loads.circuits[1].cord': undefined }, ['loads.circuits[1].cord']],
    // a cord that is not there carries nothing
    [{ ...TWO_CORDS, 'loads.circuits[1].cord': 3 }, ['loads.circuits[1].cord']],
    [{ ...TWO_CORDS, 'loads.circuits[1].cord': 1.5 }, ['loads.circuits[1].cord']],
  ],
});

ruleTable('loads/shared-neutral-on-two-legs', {
  holds: [{ ...HANDLES, 'loads.circuits[1].moved': 'no' }], // one stays in the panel: their slots tell
  violation: [
    [
      { ...SHARED, 'loads.circuits[0].toPartnerV': 240, 'loads.circuits[1].toPartnerV': 0 },
      { reason: saying('0 V between') },
    ],
  ],
  unproven: [],
});
const IN_TURN = { 'loads.circuits[0].plan': 'in-turn', 'loads.circuits[0].startingW': 5600 };
ruleTable('loads/starting-surge', {
  holds: [],
  violation: [
    // one load alone that takes its turn is on with the others
    [legs(500, 500, { ...SIX_KW, ...BRIDGED, ...IN_TURN }), { found: 6100, allowed: 6000 }],
    // the hardest moment is the largest sum of what runs and what starts, whichever turn comes first
    [
      {
        ...legs(500, 500, { ...SIX_KW, ...BRIDGED, ...IN_TURN }),
        ...third({ plan: 'in-turn', runningW: 5400, startingW: 5800 }),
      },
      { found: 6300 },
    ],
  ],
  unproven: [],
});
ruleTable('loads/within-weakest-device', {
  holds: [
    // a thin cord carries what hangs on it, and nothing of what hangs beside
    [
      { ...TWO_CORDS, 'loads.circuits[1].runningW': 500, 'cord[1].sizeAwg': '14' },
      { found: 20.833, allowed: 30 },
    ],
    [
      { ...TWO_CORDS, 'loads.circuits[0].runningW': 500, 'cord[0].sizeAwg': '14' },
      { found: 20.833, allowed: 30 },
    ],
  ],
  violation: [
    // a cord that another hangs on carries what hangs on both
    [
      {
        ...TWO_CORDS,
        'cord[1].daisyChained': 'yes',
        ...legs(2000, 2000),
        'loads.circuits[0].slot': undefined,
        'loads.circuits[1].slot': undefined,
      },
      { found: 33.333, allowed: 30 },
    ],
    [
      { ...TWO_CORDS, 'cord[1].daisyChained': 'yes', 'loads.circuits[0].runningW': 0, 'cord[0].sizeAwg': '14' },
      { found: 20.833, allowed: 18 },
    ],
  ],
  unproven: [],
});
