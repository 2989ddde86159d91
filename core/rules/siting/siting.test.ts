import { askedTable, ruleTable, saying } from '../../test/rule-table';

const station = { 'source.kind': 'power-station' };

ruleTable('siting/outdoors', {
  holds: [{}],
  violation: [
    [
      { 'siting.place': 'garage' },
      { severity: 'hazard', reason: expect.stringContaining('garage') as unknown as string },
    ],
    { 'siting.place': 'porch' },
    { 'siting.place': 'indoors' },
  ],
  unproven: [
    [{ 'siting.place': undefined }, ['siting.place']],
    [{ 'source.kind': 'not-seen' }, ['source.kind']],
  ],
  notApplicable: [station],
});

ruleTable('siting/clear-of-openings', {
  holds: [{}, { 'siting.openingFt': 20 }],
  violation: [[{ 'siting.openingFt': 4.9 }, { severity: 'correction', found: 4.9, allowed: 5, unit: 'ft' }]],
  unproven: [[{ 'siting.openingFt': undefined }, ['siting.openingFt']]],
  notApplicable: [station],
});

ruleTable('siting/clear-of-openings', {
  holds: [{ 'siting.openingFt': 20 }],
  violation: [
    [{ 'siting.openingFt': 5 }, { severity: 'advisory', found: 5, allowed: 20 }],
    [{ 'siting.openingFt': 19.9 }, { severity: 'advisory', remedy: saying('20 ft') }],
  ],
  unproven: [],
});
askedTable('siting/exhaust-away', 'siting.exhaustAway', ['no'], 'hazard', { notApplicable: [station] });
askedTable('siting/co-alarms', 'siting.coAlarms', ['no'], 'advisory', { notApplicable: [station] });
askedTable('siting/rain-shelter', 'siting.shelter', ['none', 'traps-exhaust'], 'advisory', {
  notApplicable: [station],
});
askedTable('siting/firm-level-base', 'siting.firmBase', ['no'], 'advisory', { notApplicable: [station] });
