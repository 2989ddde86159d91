import {
  AUTOMATIC,
  BACKFED,
  BRIDGED,
  CORDS_ONLY,
  SINGLE,
  SWITCH,
  askedTable,
  ruleTable,
  saying,
} from '../../test/rule-table';

ruleTable('function/step-test-complete', {
  holds: [
    [{}, { reason: saying('moves were tried') }],
    { 'transfer.mountedOn': 'cover', 'function.bothWithCoverOff': 'blocked' },
    { ...AUTOMATIC, 'function.bothWithPartMoved': undefined },
    { ...SWITCH, 'transfer.mechanism': 'circuit-handles', 'transfer.mountedOn': undefined },
  ],
  violation: [
    [{ 'function.eachAlone': 'not-both', 'function.mainWithGeneratorOn': undefined }, { severity: 'correction' }],
    { 'function.eachAlone': 'not-both', 'transfer.mechanism': undefined }, // certain whatever the mechanism
  ],
  unproven: [
    [{ ...SWITCH, 'transfer.mechanism': 'sliding-plate' }, ['transfer.mechanism']], // no switch has one: which moves were tried?
    [
      { 'function.generatorWithMainOn': undefined, 'function.eachAlone': undefined },
      ['function.eachAlone', 'function.generatorWithMainOn'],
    ],
    [{ 'transfer.mountedOn': 'cover' }, ['function.bothWithCoverOff']],
    [{ 'transfer.mechanism': undefined }, ['transfer.mechanism']],
    [{ 'transfer.mountedOn': undefined }, ['transfer.mountedOn']],
  ],
  notApplicable: [CORDS_ONLY, BACKFED],
});

ruleTable('function/dead-pins', {
  holds: [{}, { 'function.pinsV': 3 }, SINGLE],
  violation: [[{ 'function.pinsV': 3.1 }, { severity: 'hazard', found: 3.1, allowed: 3, unit: 'V' }]],
  unproven: [[{ 'function.pinsV': 'not-seen' }, ['function.pinsV']]],
  notApplicable: [CORDS_ONLY, BACKFED],
});

ruleTable('function/legs-measured', {
  holds: [
    {},
    { 'function.legAV': 60, 'function.legsV': 180 },
    { ...BRIDGED, 'function.legsV': 0 },
    { ...BRIDGED, 'function.legsV': 179 },
  ],
  violation: [
    [{ 'function.legAV': 59 }, { severity: 'correction', reason: saying('Leg A has 59 V') }],
    [{ 'function.legBV': 0 }, { reason: saying('Leg B') }],
    [{ 'function.legsV': 179 }, { found: 179, allowed: 240, reason: saying('one pole') }],
    [{ ...BRIDGED }, { found: 240, allowed: 0 }],
    [{ 'cord[0].bridges': 'yes', 'function.legsV': 180 }, { allowed: 0 }],
  ],
  unproven: [
    [{ 'function.legAV': undefined, 'function.legsV': undefined }, ['function.legAV', 'function.legsV']],
    [{ 'cord[0].bridges': undefined }, ['cord[0].bridges']],
  ],
  notApplicable: [CORDS_ONLY, BACKFED, SINGLE],
});

askedTable('function/gfci-trips', 'function.gfciTrips', ['no'], 'correction', {
  base: CORDS_ONLY,
  notApplicable: [{ 'source.receptacles120': 'none-fitted' }, { 'source.receptacles120': 'interlocked' }],
});
ruleTable('function/gfci-trips', {
  holds: [{ 'source.receptacles120': 'some-unprotected' }],
  violation: [],
  unproven: [[{ 'source.receptacles120': undefined }, ['source.receptacles120']]],
});
askedTable('function/drill-shown', 'function.drillShown', ['no'], 'advisory', { notApplicable: [CORDS_ONLY, BACKFED] });

ruleTable('function/legs-measured', {
  holds: [{ 'function.legBV': 60, 'function.legsV': 180 }],
  violation: [],
  unproven: [],
});
