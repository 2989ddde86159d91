import { ruleTable } from '../../test/rule-table';

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
  holds: [{ 'siting.openingFt': 5 }, { 'siting.openingFt': 20 }],
  violation: [[{ 'siting.openingFt': 4.9 }, { severity: 'correction', found: 4.9, allowed: 5, unit: 'ft' }]],
  unproven: [[{ 'siting.openingFt': undefined }, ['siting.openingFt']]],
  notApplicable: [station],
});
