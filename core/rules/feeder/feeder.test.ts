import { BRIDGED, CORDS_ONLY, SWITCH, ruleTable, type Facts } from '../../test/rule-table';

const stretch = (index: number, facts: Record<string, unknown>): Facts =>
  Object.fromEntries(Object.entries(facts).map(([key, value]) => [`feeder.stretches[${index}].${key}`, value]));
const attic = (ambientC: number, more: Record<string, unknown> = {}): Facts =>
  stretch(1, {
    place: 'attic',
    method: 'NM-B',
    metal: 'copper',
    sizeAwg: '10',
    groundAwg: '10',
    lengthFt: 15,
    ambientC,
    otherCarrying: 0,
    ...more,
  });
const conduit = (size: string, terminals: [string, string], more: Record<string, unknown> = {}): Facts => ({
  ...stretch(0, { method: 'PVC', insulation: 'THWN-2', sizeAwg: size, ...more }),
  'feeder.inletTerminal': terminals[0],
  'feeder.houseTerminal': terminals[1],
  'source.outletBreakerA': 50,
});
/** No table has 14 AWG aluminium: somebody misread a marking. */
const NO_SUCH = stretch(0, { metal: 'aluminium', sizeAwg: '14' });
const saying = (text: string) => expect.stringContaining(text) as unknown as string;

ruleTable('feeder/ampacity', {
  holds: [
    [{}, { found: 30, allowed: 30 }],
    [attic(46), { allowed: 30 }], // 40 × 0.82 = 32.8, capped at 30 (334.80)
    [attic(56), { allowed: 30, reason: saying('28.4 A') }], // 40 × 0.71 = 28.4; 240.4(B) lets 30 stand
    [conduit('8', ['75', '75']), { allowed: 50 }],
    [{ ...stretch(0, { sizeAwg: '6' }), 'source.outletBreakerA': 50 }, { reason: saying('55 A') }],
    [{ ...conduit('1/0', ['unmarked', 'unmarked']), 'source.outletBreakerA': 150 }, { allowed: 150 }], // above 1 AWG unmarked counts as 75 °C
    [{ ...stretch(0, { metal: 'aluminium', sizeAwg: '8' }) }, { allowed: 35 }],
    [{ ...stretch(0, { otherCarrying: 2 }) }, { allowed: 30 }], // 40 × 0.8 = 32, capped at 30
    // 55 × 0.87 × 0.8 = 38.28; the next standard device is 40
    [
      { ...conduit('8', ['75', '75'], { ambientC: 45, otherCarrying: 2 }), 'source.outletBreakerA': 40 },
      { allowed: 40, reason: saying('38.28 A') },
    ],
  ],
  violation: [
    [
      attic(68),
      { severity: 'hazard', found: 30, allowed: 25, reason: saying('stretch 2, attic'), remedy: saying('25 A; 8 AWG') },
    ],
    [
      { ...attic(68), ...stretch(0, { ambientC: 68, sizeAwg: '12' }) },
      { allowed: 20, reason: saying('stretch 1') },
    ], // the worse of two
    [attic(85, { sizeAwg: '14' }), { allowed: 15 }],
    [conduit('8', ['75', '60']), { found: 50, allowed: 40 }],
    [conduit('8', ['unmarked', '75']), { allowed: 40 }],
    [
      { ...stretch(0, { sizeAwg: '8' }), 'source.outletBreakerA': 50 },
      { allowed: 40, remedy: saying('6 AWG') },
    ],
    [stretch(0, { otherCarrying: 8 }), { allowed: 20 }], // 40 × 0.5
    [{ ...BRIDGED, ...stretch(0, { otherCarrying: 7, ambientC: 36 }) }, { allowed: 20 }], // three of its own: 10 together, 40 × 0.91 × 0.5 = 18.2
    [stretch(0, { method: 'UF-B', ambientC: 61 }), { allowed: 0, remedy: saying('No device') }],
  ],
  unproven: [
    [
      stretch(0, { ambientC: undefined, metal: 'not-seen' }),
      ['feeder.stretches[0].metal', 'feeder.stretches[0].ambientC'],
    ],
    [
      { ...stretch(0, { method: 'EMT' }) },
      ['feeder.stretches[0].insulation', 'feeder.inletTerminal', 'feeder.houseTerminal'],
    ],
    [{ 'source.outletBreakerA': undefined }, ['source.outletBreakerA']],
    [attic(26, { sizeAwg: undefined }), ['feeder.stretches[1].sizeAwg']],
    [NO_SUCH, ['feeder.stretches[0].sizeAwg']],
  ],
  notApplicable: [CORDS_ONLY],
});

ruleTable('feeder/small-conductor', {
  holds: [
    {},
    stretch(0, { sizeAwg: '8' }),
    { ...SWITCH, 'breaker.ratingA': 50 },
    { ...stretch(0, { metal: 'aluminium' }), 'source.outletBreakerA': 25, 'breaker.ratingA': 25 },
  ],
  violation: [
    [{ 'breaker.ratingA': 50 }, { severity: 'hazard', found: 50, allowed: 30 }],
    [
      { 'source.outletBreakerA': 50, 'breaker.ratingA': undefined },
      { found: 50, allowed: 30 },
    ],
    [stretch(0, { sizeAwg: '12' }), { allowed: 20 }],
    [stretch(0, { sizeAwg: '14' }), { allowed: 15 }],
    [stretch(0, { metal: 'aluminium' }), { allowed: 25 }],
  ],
  unproven: [
    [{ 'breaker.ratingA': undefined }, ['breaker.ratingA']],
    [stretch(0, { sizeAwg: undefined }), ['feeder.stretches[0].sizeAwg']],
    [NO_SUCH, ['feeder.stretches[0].sizeAwg']],
  ],
  notApplicable: [CORDS_ONLY],
});

ruleTable('feeder/equipment-ground-size', {
  holds: [
    {},
    { ...stretch(0, { sizeAwg: '6' }), 'source.outletBreakerA': 50 },
    stretch(0, { sizeAwg: '8', groundAwg: '8' }),
    { ...stretch(0, { metal: 'aluminium', sizeAwg: '8', groundAwg: '8' }) },
  ],
  violation: [
    [stretch(0, { groundAwg: '12' }), { severity: 'correction', found: '12', allowed: '10', unit: 'AWG' }],
    [stretch(0, { sizeAwg: '8' }), { allowed: '8', remedy: saying('grows') }], // 16510 ÷ 10380 × 10380 cmil
    [{ ...stretch(0, { metal: 'aluminium', sizeAwg: '8', groundAwg: '10' }) }, { allowed: '8' }],
    [attic(26, { groundAwg: '14' }), { found: '14' }],
    [stretch(0, { groundAwg: '12', ambientC: undefined }), { allowed: '10' }], // too small whatever the rest
  ],
  unproven: [
    [stretch(0, { groundAwg: 'not-seen' }), ['feeder.stretches[0].groundAwg']],
    [stretch(0, { ambientC: undefined }), ['feeder.stretches[0].ambientC']], // whether the conductors are larger than needed
    [stretch(0, { metal: 'aluminium', groundAwg: '14' }), ['feeder.stretches[0].groundAwg']],
  ],
  notApplicable: [CORDS_ONLY],
});

ruleTable('feeder/voltage-drop', {
  holds: [
    [{}, { found: 1.8, allowed: 3, unit: '%' }], // 2 × 1.24 × 60 ÷ 1000 × 29.167 = 4.34 V of 240
    [stretch(0, { lengthFt: 79 }), { found: 3 }],
  ],
  violation: [
    [stretch(0, { lengthFt: 100 }), { severity: 'advisory', found: 3.6, remedy: saying('8 AWG') }],
    [{ ...BRIDGED, 'source.runningW': 3500 }, { found: 3.6 }],
    [{ 'cord[0].lengthFt': 200 }, { remedy: saying('heavier cord') }],
  ],
  unproven: [
    [{ 'source.runningW': undefined, 'cord[0].lengthFt': undefined }, ['source.runningW', 'cord[0].lengthFt']],
    [NO_SUCH, ['feeder.stretches[0].sizeAwg']],
  ],
  notApplicable: [CORDS_ONLY],
});
