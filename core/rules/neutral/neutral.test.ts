import { BACKFED, CORDS_ONLY, askedTable, ruleTable, saying } from '../../test/rule-table';

const BONDED = { 'source.neutralBond': 'bonded' };
const SWITCHED = { 'neutral.switched': 'yes' };

ruleTable('neutral/matrix', {
  holds: [
    [{}, { reason: saying('not separately derived') }],
    [{ ...BONDED, ...SWITCHED }, { reason: saying('separately derived') }],
  ],
  violation: [
    [SWITCHED, { severity: 'hazard', reason: saying('no breaker') }],
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
  ],
  notApplicable: [CORDS_ONLY],
});

askedTable('neutral/one-bond', 'neutral.otherBond', ['subpanel', 'transfer-enclosure', 'inlet'], 'correction', {
  notApplicable: [CORDS_ONLY],
});
askedTable('neutral/separately-derived-grounded', 'neutral.derivedBond', ['both', 'none'], 'correction', {
  base: { 'neutral.switched': 'yes', 'neutral.derivedBond': 'source' },
  right: ['house'],
  notApplicable: [{}, CORDS_ONLY],
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
