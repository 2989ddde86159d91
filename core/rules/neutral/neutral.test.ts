import { BACKFED, CORDS_ONLY, ruleTable, saying, type Facts } from '../../test/rule-table';

const BONDED = { 'source.neutralBond': 'bonded' };
const SWITCHED = { 'neutral.switched': 'yes' };

ruleTable('neutral/matrix', {
  holds: [
    [{}, { reason: saying('not separately derived') }],
    [{ ...BONDED, ...SWITCHED, 'neutral.derivedBond': 'source' }, { reason: saying('separately derived') }],
    // bonded once behind the source, wherever: a fault opens its breaker
    [
      { ...SWITCHED, 'neutral.derivedBond': 'house', 'source.outletDevice': 'none' },
      { reason: saying('first overcurrent device') },
    ],
    [{ ...SWITCHED, 'neutral.derivedBond': 'house' }, { reason: saying('in the house') }],
  ],
  violation: [
    [{ ...BONDED, ...SWITCHED, 'neutral.derivedBond': 'house' }, { reason: saying('again by a jumper') }],
    [
      { ...SWITCHED, 'neutral.derivedBond': 'none' },
      { severity: 'hazard', reason: saying('no breaker') },
    ],
    [
      { ...BONDED, 'source.outletGfci': 'yes' },
      {
        reason: saying('its GFCI trips'),
        working: expect.arrayContaining([expect.objectContaining({ unit: 'mA' })]) as never,
      },
    ],
    [{ ...BONDED, 'source.outletGfci': undefined }, { reason: saying('where one is fitted') }],
    [
      { ...BONDED, 'source.outletGfci': 'no' },
      {
        reason: saying('has no GFCI'),
        working: expect.not.arrayContaining([expect.objectContaining({ unit: 'mA' })]) as never,
      },
    ],
    [{ ...BONDED, 'neutral.unbalancedA': 12 }, { reason: saying('about 6 A of 12 A') }],
    [BONDED, { reason: saying('50 % of the neutral current') }],
    // ground of 12 AWG beside 10 AWG in the feeder: R neutral 0.0744, R ground 0.0248 + 0.0792 Ω
    [
      { ...BONDED, 'feeder.stretches[0].groundAwg': '12', 'neutral.unbalancedA': 12 },
      { reason: saying('about 5.004 A') },
    ],
    [{ ...BONDED, 'cord[0].lengthFt': undefined }, { reason: saying('part of the neutral current') }],
  ],
  unproven: [
    [{ 'source.neutralBond': 'not-seen', 'neutral.switched': undefined }, ['source.neutralBond', 'neutral.switched']],
    [SWITCHED, ['neutral.derivedBond']],
  ],
  notApplicable: [CORDS_ONLY],
});

const jumper = (jumperTies: string | undefined, more: Facts = {}): Facts => ({
  'neutral.otherBond': 'transfer-enclosure',
  'neutral.jumperTies': jumperTies,
  ...more,
});
const FIRST: Facts = { 'transfer.kind': 'whole-house-manual', 'transfer.location': 'first' };
ruleTable('neutral/one-bond', {
  holds: [
    {},
    jumper('utility', FIRST), // the switch is the service: its own main bonding jumper
    jumper('source', SWITCHED), // the derived system's
  ],
  violation: [
    [{ 'neutral.otherBond': 'subpanel' }, { severity: 'correction' }],
    [{ 'neutral.otherBond': 'inlet' }, { severity: 'hazard' }],
    jumper('load'),
    jumper('load', SWITCHED),
    jumper('source'), // a solid neutral is one neutral
    jumper('utility'),
    jumper('utility', { ...FIRST, 'transfer.location': 'behind' }),
  ],
  unproven: [
    [{ 'neutral.otherBond': undefined }, ['neutral.otherBond']],
    [{ 'neutral.otherBond': 'not-seen' }, ['neutral.otherBond']],
    [jumper(undefined), ['neutral.jumperTies']],
    [jumper('utility', { ...FIRST, 'transfer.location': undefined }), ['transfer.location']],
  ],
  notApplicable: [CORDS_ONLY],
});
const BOTH = { ...SWITCHED, 'source.neutralBond': 'bonded', 'neutral.derivedBond': 'source' } as const;
ruleTable('neutral/matrix', {
  holds: [
    jumper('utility', BOTH),
    { ...jumper('source', SWITCHED), 'neutral.derivedBond': 'none', 'source.outletDevice': 'none' },
  ],
  violation: [
    // one jumper, one answer: a second bond beside a bonded, switched source
    [jumper('source', BOTH), { severity: 'hazard', reason: saying('again by a jumper in the house') }],
    jumper('load', BOTH),
    { ...BOTH, 'neutral.otherBond': 'inlet' },
    { ...BOTH, 'neutral.otherBond': 'subpanel' },
    { ...jumper('utility', SWITCHED), 'neutral.derivedBond': 'none' },
  ],
  unproven: [
    [{ ...SWITCHED, 'source.neutralBond': 'bonded' }, ['neutral.derivedBond']],
    [jumper(undefined, BOTH), ['neutral.jumperTies']],
    [{ ...SWITCHED, 'neutral.pole': undefined, 'neutral.derivedBond': 'house' }, ['neutral.pole']],
  ],
});
ruleTable('neutral/separately-derived-grounded', {
  holds: [
    [{ ...BONDED, ...SWITCHED, 'neutral.derivedBond': 'source' }, { reason: saying('at the source') }],
    [
      { ...SWITCHED, 'neutral.derivedBond': 'house', 'source.outletDevice': 'none' },
      { reason: saying('at the first device') },
    ], // the first device is in the house
  ],
  violation: [
    [
      { ...SWITCHED, 'neutral.derivedBond': 'none' },
      { severity: 'correction', reason: saying('no bonding jumper') },
    ],
    { ...SWITCHED, 'neutral.derivedBond': 'source' }, // said to be at the source, and the source floats
    [{ ...BONDED, ...SWITCHED, 'neutral.derivedBond': 'both' }, { reason: saying('twice') }],
    [{ ...BONDED, ...SWITCHED, 'neutral.derivedBond': 'house' }, { reason: saying('twice') }],
    [{ ...SWITCHED, 'neutral.derivedBond': 'both' }, { reason: saying('twice') }],
    [
      { ...SWITCHED, 'neutral.derivedBond': 'house' },
      { reason: saying('behind the source’s own'), reading: saying('Offices differ') },
    ],
  ],
  unproven: [
    [SWITCHED, ['neutral.derivedBond']],
    [{ 'neutral.switched': 'not-seen' }, ['neutral.switched']],
    [{ ...SWITCHED, 'neutral.derivedBond': 'house', 'source.outletDevice': undefined }, ['source.outletDevice']],
  ],
  notApplicable: [{}, CORDS_ONLY],
});
ruleTable('neutral/none-on-ground', {
  holds: [{}, { 'function.groundA': 0.1 }, { ...BONDED, ...SWITCHED }],
  violation: [
    [
      { 'function.groundA': 0.11 },
      { severity: 'hazard', found: 0.11, allowed: 0.1, unit: 'A', reason: saying('relay') },
    ],
  ],
  unproven: [[{ 'function.groundA': undefined }, ['function.groundA']]],
  notApplicable: [CORDS_ONLY, BACKFED],
});
ruleTable('neutral/gfci-will-hold', {
  holds: [
    {},
    { 'source.outletGfci': 'yes' },
    { 'source.outletGfci': 'yes', 'source.neutralBond': 'bonded', 'neutral.switched': 'yes' },
    { 'source.outletGfci': 'yes', 'neutral.switched': 'yes' },
    { 'source.neutralBond': 'bonded' },
  ],
  violation: [
    [
      { 'source.outletGfci': 'yes', 'source.neutralBond': 'bonded' },
      { severity: 'advisory', remedy: saying('Never') },
    ],
  ],
  unproven: [
    [{ 'source.outletGfci': 'yes', 'source.neutralBond': undefined }, ['source.neutralBond']],
    [{ 'source.outletGfci': undefined }, ['source.outletGfci']],
  ],
  notApplicable: [CORDS_ONLY, BACKFED],
});
