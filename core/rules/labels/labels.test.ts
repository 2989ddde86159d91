import { BACKFED, CORDS_ONLY, SWITCH, askedTable, ruleTable, saying } from '../../test/rule-table';

ruleTable('labels/inlet-system-type', {
  holds: [{}, { 'labels.inletSign': 'separately', 'neutral.switched': 'yes' }],
  violation: [
    [{ 'labels.inletSign': 'separately' }, { severity: 'correction', remedy: saying('NONSEPARATELY') }],
    [{ 'neutral.switched': 'yes' }, { remedy: saying('A SEPARATELY') }],
    [{ 'labels.inletSign': 'none' }, { remedy: saying('NONSEPARATELY') }],
    [{ 'labels.inletSign': 'none', 'neutral.switched': undefined }, { remedy: saying('once the neutral') }],
    { 'labels.inletSign': 'other' },
    [
      { 'labels.inletSignWarning': 'no' },
      { reason: saying('begin with WARNING'), remedy: saying('WARNING: FOR CONNECTION') },
    ],
  ],
  unproven: [
    [{ 'labels.inletSign': undefined }, ['labels.inletSign']],
    [{ 'neutral.switched': undefined }, ['neutral.switched']],
    [{ 'labels.inletSignWarning': undefined }, ['labels.inletSignWarning']],
  ],
  notApplicable: [CORDS_ONLY],
});

ruleTable('labels/generator-breaker', {
  holds: [{}],
  violation: [[{ 'labels.generatorBreaker': 'no' }, { severity: 'correction' }]],
  unproven: [[{ 'labels.generatorBreaker': 'not-seen' }, ['labels.generatorBreaker']]],
  notApplicable: [SWITCH, CORDS_ONLY],
});

const equipment = { notApplicable: [CORDS_ONLY, BACKFED] };
askedTable('labels/transfer-positions', 'labels.positions', ['no'], 'correction', equipment);
askedTable('labels/operating-steps', 'labels.steps', ['no'], 'advisory', equipment);
askedTable('labels/max-load', 'labels.maxLoad', ['no'], 'advisory', equipment);
askedTable('labels/durable', 'labels.durable', ['no'], 'correction', { base: SWITCH, ...equipment });
askedTable('labels/standing-source-sign', 'labels.standingSign', ['no'], 'correction', {
  base: { 'source.connection': 'permanent', 'labels.standingSign': 'yes' },
  notApplicable: [{}, CORDS_ONLY],
});

ruleTable('labels/inlet-system-type', {
  holds: [],
  violation: [
    [{ 'labels.inletSign': 'none' }, { reason: 'No sign at the inlet.' }],
    [{ 'labels.inletSign': 'other' }, { reason: saying('does not say which') }],
  ],
  unproven: [],
});

askedTable('labels/neutral-shock', 'labels.neutralShock', ['no'], 'correction', {
  notApplicable: [CORDS_ONLY, BACKFED, { 'neutral.switched': 'yes' }],
});
ruleTable('labels/neutral-shock', {
  holds: [],
  violation: [],
  unproven: [[{ 'neutral.switched': undefined }, ['neutral.switched']]],
});
askedTable('labels/two-sources', 'labels.twoSources', ['no'], 'correction', {
  notApplicable: [...equipment.notApplicable, { 'transfer.kind': 'single-circuit-switch' }],
});
askedTable('labels/feed-through', 'labels.feedThrough', ['unlabeled'], 'correction', {
  right: ['labeled'],
  ...equipment,
});
