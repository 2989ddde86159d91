import {
  AUTOMATIC,
  BACKFED,
  BRIDGED,
  CORDS_ONLY,
  OTHER,
  SINGLE,
  SWITCH,
  askedTable,
  ruleTable,
  saying,
} from '../../test/rule-table';

ruleTable('function/step-test-complete', {
  holds: [
    [{}, { reason: saying('moves were tried') }],
    { 'transfer.mountedOn': 'cover', 'function.coverOnHolds': 'yes' },
    { ...AUTOMATIC, 'function.cycle': 'yes', 'function.bothWithPartMoved': undefined, 'function.eachAlone': undefined },
    { ...SINGLE, 'function.opensFirst': 'yes' },
    {
      ...SWITCH, 'transfer.mechanism': 'circuit-handles', 'transfer.mountedOn': undefined, 'function.opensFirst': 'yes', 'function.handlesIndependent': 'yes',
    }, // prettier-ignore
  ],
  violation: [
    [{ 'function.eachAlone': 'not-both', 'function.mainWithGeneratorOn': undefined }, { severity: 'correction' }],
    [{ 'function.handlesIndependent': 'no' }, { reason: saying('neighbor') }],
    [{ ...AUTOMATIC, 'function.cycle': 'no' }, { reason: saying('come back') }],
    { 'function.eachAlone': 'not-both', 'transfer.mechanism': undefined }, // certain whatever the mechanism
  ],
  unproven: [
    [{ ...SWITCH, 'transfer.mechanism': 'sliding-plate' }, ['transfer.mechanism']], // no switch has one: which moves were tried?
    [
      { 'function.generatorWithMainOn': undefined, 'function.eachAlone': undefined },
      ['function.eachAlone', 'function.generatorWithMainOn'],
    ],
    [{ 'transfer.mountedOn': 'cover' }, ['function.coverOnHolds']],
    [AUTOMATIC, ['function.cycle']],
    [SINGLE, ['function.opensFirst']],
    [OTHER, ['transfer.kind']],
    [{ 'transfer.mechanism': 'other' }, ['transfer.mechanism']],
    [{ 'transfer.mechanism': undefined }, ['transfer.mechanism']],
    [{ 'transfer.mountedOn': undefined }, ['transfer.mountedOn']],
  ],
  notApplicable: [CORDS_ONLY, BACKFED],
});

ruleTable('function/dead-pins', {
  holds: [
    {},
    { 'function.pinsV': 3 },
    SINGLE,
    { 'function.pinsV': 3, 'function.pinsLowZV': 28 }, // dead already: the other meter is not asked
    { 'function.pinsV': 0, 'function.pinsLowZV': 28 },
    { 'function.neutralPinV': 5 }, // a neutral may honestly show a little
    [
      { 'function.pinsV': 28, 'function.pinsLowZV': 0 },
      { found: 0, reason: saying('low-impedance') },
    ],
  ],
  violation: [
    [{ 'function.pinsV': 3.1 }, { severity: 'hazard', found: 3.1, allowed: 3, unit: 'V', reason: saying('until') }],
    [{ 'function.pinsV': 120, 'function.neutralPinV': undefined }, { reason: '120 V at bare pins.' }],
    [{ 'function.pinsV': 60 }, { reason: '60 V at bare pins.' }],
    [
      { 'function.pinsV': 28, 'function.pinsLowZV': 28 },
      { found: 28, reason: '28 V at bare pins.' },
    ],
    [{ 'function.neutralPinV': 5.1 }, { found: 5.1, allowed: 5, reason: saying('no neutral') }],
  ],
  unproven: [
    [{ 'function.pinsV': 'not-seen' }, ['function.pinsV']],
    [{ 'function.neutralPinV': undefined }, ['function.neutralPinV']],
  ],
  notApplicable: [CORDS_ONLY, BACKFED],
});

ruleTable('function/legs-measured', {
  holds: [
    {},
    { 'function.legAV': 100, 'function.legsV': 190 },
    { ...BRIDGED, 'function.legsV': 0 },
    { 'function.legsV': 218 }, // no sum, and no three-phase leg
    { 'function.legAV': 104, 'function.legBV': 104, 'function.legsV': 208 }, // low, but the sum of its legs
    { 'function.legAV': 60, 'function.legBV': 240, 'function.legsV': 300 }, // an open neutral is another rule's
    { 'function.legAV': 0, 'function.legBV': 240 },
    { ...BRIDGED, 'function.legsV': 179 },
  ],
  violation: [
    [
      { 'function.legAV': 59, 'function.legsV': 122 },
      { severity: 'correction', reason: saying('Leg A has 59 V') },
    ],
    [{ 'function.legBV': 0, 'function.legsV': 120 }, { reason: saying('Leg B') }],
    [{ 'function.legAV': 0, 'function.legBV': 0, 'function.legsV': 0 }, { reason: saying('Leg A has 0 V') }],
    [{ 'function.legAV': 0, 'function.legsV': 179 }, { reason: saying('Leg A has 0 V') }],
    [{ 'function.legsV': 179 }, { found: 179, allowed: 240, reason: saying('one pole') }],
    [
      { 'function.legAV': 120, 'function.legsV': 208 },
      { found: 208, allowed: 240, reason: saying('three-phase') },
    ],
    [{ 'function.legsV': 200 }, { reason: saying('three-phase') }],
    [{ 'function.legsV': 216 }, { reason: saying('three-phase') }],
    [{ ...BRIDGED }, { found: 240, allowed: 0 }],
    [{ 'cord[0].bridges': 'yes', 'function.legsV': 180 }, { allowed: 0 }],
  ],
  unproven: [
    [{ 'function.legAV': 0, 'function.legsV': undefined }, ['function.legsV']],
    [{ 'function.legAV': 0, 'function.legBV': undefined }, ['function.legBV']],
    [{ 'function.legAV': 0 }, ['function.legAV', 'function.legBV', 'function.legsV']], // 0, 122 and 240 V: not all so
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
  holds: [{ 'function.legBV': 60, 'function.legAV': 180, 'function.legsV': 240 }],
  violation: [],
  unproven: [[{ 'cord[0].lengthFt': undefined, 'function.legAV': 105, 'function.legBV': 135 }, ['cord[0].lengthFt']]],
});

// The good house: 29.167 A over 20 ft of cord and 40 ft of feeder, 10 AWG. One leg alone: 1.5 × 4.34 V drop and 5 % sag: 12.51 V.
ruleTable('function/neutral-unbroken', {
  holds: [
    [{}, { reason: saying('the neutral holds') }],
    { 'function.loadOn': 'B' },
    { 'function.otherLegAV': 126.255, 'function.otherLegBV': 113.745 }, // 12.51 V, the very most
    { 'function.legAV': 114, 'function.legBV': 126, 'function.otherLegAV': 126, 'function.otherLegBV': 114 }, // 12 V
  ],
  violation: [
    [
      { 'function.legAV': 90, 'function.legBV': 150 },
      { severity: 'hazard', found: 60, remedy: saying('Take the load off at once') },
    ],
    // what an open neutral reads with a heater on leg A alone
    [
      { 'function.legAV': 0, 'function.legBV': 240 },
      { severity: 'hazard', found: 240 },
    ],
    { 'function.legAV': 240, 'function.legBV': 0, 'cord[0].lengthFt': undefined },
    [{ 'function.legAV': 113, 'function.legBV': 127 }, { found: 14 }],
    // the load moved shows what the first measurement hid
    { 'function.loadOn': 'both', 'function.otherLegAV': 140, 'function.otherLegBV': 100 },
    { 'function.otherLegAV': 126.3, 'function.otherLegBV': 113.7 },
    // certain although cords are unknown: no cord makes 60 V
    { 'function.legAV': 90, 'function.legBV': 150, 'cord[0].lengthFt': undefined },
    { 'function.otherLegAV': 90, 'function.otherLegBV': 150, 'cord[0].lengthFt': undefined },
    // and none does where a long one would drop more than that
    { 'function.otherLegAV': 90, 'function.otherLegBV': 150, 'cord[0].lengthFt': 500 },
    { 'function.loadOn': 'both', 'function.otherLegAV': 90, 'function.otherLegBV': 150, 'cord[0].lengthFt': 500 },
  ],
  unproven: [
    [{ 'function.loadOn': 'both' }, ['function.loadOn']],
    [{ 'function.loadOn': undefined }, ['function.loadOn']],
    [{ 'function.otherLegAV': undefined }, ['function.otherLegAV']],
    [{ 'function.otherLegAV': 100, 'function.otherLegBV': 140, 'cord[0].lengthFt': undefined }, ['cord[0].lengthFt']], // 40 V: not certain yet
    [{ 'function.legAV': undefined }, ['function.legAV']],
    [{ 'cord[0].lengthFt': undefined }, ['cord[0].lengthFt']],
  ],
  notApplicable: [CORDS_ONLY, SINGLE, { ...BRIDGED, 'function.legsV': 0 }, { 'cord[0].bridges': 'yes' }],
});

askedTable('function/stays-cool', 'function.staysCool', ['no'], 'correction');
