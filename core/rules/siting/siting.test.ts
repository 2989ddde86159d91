import { askedTable, ruleTable, saying, underReadings } from '../../test/rule-table';

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
  holds: [
    {},
    { 'siting.openingFt': 20 },
    [{ 'siting.openingFt': 10, 'siting.makerFt': 10 }, { reading: saying('the maker’s own distance') }],
  ],
  violation: [
    [{ 'siting.openingFt': 4.9 }, { severity: 'hazard', found: 4.9, allowed: 20, unit: 'ft' }],
    [{ 'siting.openingFt': 5 }, { severity: 'correction', allowed: 20 }],
    [{ 'siting.openingFt': 19.9 }, { severity: 'correction', remedy: saying('20 ft') }],
    [
      { 'siting.openingFt': 24, 'siting.makerFt': 25 },
      { allowed: 25, reason: saying('maker’s distance') },
    ],
    [{ 'siting.openingFt': 4, 'siting.makerFt': 3 }, { severity: 'hazard' }], // no maker goes below the floor
  ],
  unproven: [[{ 'siting.openingFt': undefined }, ['siting.openingFt']]],
  notApplicable: [station],
});

ruleTable('siting/rain-shelter', {
  holds: [{}],
  violation: [
    [{ 'siting.shelter': 'none' }, { severity: 'advisory' }],
    [{ 'siting.shelter': 'traps-exhaust' }, { severity: 'hazard', reason: saying('traps') }],
  ],
  unproven: [[{ 'siting.shelter': 'not-seen' }, ['siting.shelter']]],
  notApplicable: [station],
});
askedTable('siting/fuel-away', 'siting.fuelAway', ['no'], 'correction', { notApplicable: [station] });
askedTable('siting/nothing-burns', 'siting.nothingBurns', ['no'], 'correction', { notApplicable: [station] });
askedTable('siting/gas-fit', 'siting.gasFit', ['no'], 'correction', {
  base: { 'source.fuel': 'propane', 'siting.gasFit': 'yes' },
  notApplicable: [station, {}],
});
ruleTable('siting/gas-fit', {
  holds: [{ 'source.fuel': 'natural-gas', 'siting.gasFit': 'yes' }],
  violation: [],
  unproven: [[{ 'source.fuel': undefined }, ['source.fuel']]],
});
askedTable('siting/exhaust-away', 'siting.exhaustAway', ['no', 'house-left', 'house-right'], 'hazard', {
  right: ['away-left', 'away-right'],
  notApplicable: [station],
});
ruleTable('siting/exhaust-away', {
  holds: [],
  violation: ['left', 'right'].map((side) => [
    { 'siting.exhaustAway': side },
    { severity: 'correction', reason: saying('along the house') },
  ]),
  unproven: [],
});
askedTable('siting/co-alarms', 'siting.coAlarms', ['no'], 'correction', { notApplicable: [station] });
askedTable('siting/firm-level-base', 'siting.firmBase', ['no'], 'advisory', { notApplicable: [station] });

test('the office’s distance holds where it is more than the maker’s, if the office reads it so', () => {
  const near = { 'siting.openingFt': 12, 'siting.makerFt': 10 };
  expect(underReadings('siting/clear-of-openings', near, { openingDistance: 'office-at-least' })).toMatchObject({
    outcome: 'violation',
    allowed: 20,
  });
  expect(underReadings('siting/clear-of-openings', near, {})).toMatchObject({ outcome: 'holds', allowed: 10 });
});

const GAS = { 'source.fuel': 'propane' };
ruleTable('siting/regulator-clear', {
  holds: [{ ...GAS, 'siting.regulatorFt': 3 }],
  violation: [
    [
      { ...GAS, 'siting.regulatorFt': 2.9 },
      { severity: 'correction', found: 2.9, allowed: 3, unit: 'ft' },
    ],
  ],
  unproven: [[{ ...GAS, 'siting.regulatorFt': undefined }, ['siting.regulatorFt']]],
  notApplicable: [station, {}],
});
// An opening that a cord keeps ajar is one that exhaust may enter.
const AJAR = { 'cord[0].run': 'through-opening' };
ruleTable('siting/clear-of-openings', {
  holds: [{ ...AJAR, 'siting.cordOpeningFt': 20 }],
  violation: [
    [
      { ...AJAR, 'siting.cordOpeningFt': 19 },
      { severity: 'correction', found: 19 },
    ],
    [
      { ...AJAR, 'siting.cordOpeningFt': 4 },
      { severity: 'hazard', found: 4 },
    ],
    [{ ...AJAR, 'siting.cordOpeningFt': 30, 'siting.openingFt': 10 }, { found: 10 }],
    [
      { 'siting.openingFt': 4, 'cord[0].run': undefined },
      { severity: 'hazard', found: 4 },
    ],
  ],
  unproven: [
    [AJAR, ['siting.cordOpeningFt']],
    [{ ...AJAR, 'siting.openingFt': 5 }, ['siting.cordOpeningFt']], // not yet a hazard: the other opening may be one
    [{ 'cord[0].run': undefined }, ['cord[0].run']],
  ],
});
