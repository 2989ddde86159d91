import {
  BACKFED,
  BRIDGED,
  CORDS_ONLY,
  SINGLE,
  SWITCH,
  askedTable,
  ruleTable,
  saying,
  type Facts,
} from '../../test/rule-table';

ruleTable('inlet/is-male-inlet', {
  holds: [{}, SWITCH],
  violation: [[{ 'inlet.gender': 'sockets' }, { severity: 'hazard' }]],
  unproven: [
    [{ 'inlet.gender': undefined }, ['inlet.gender']],
    [{ 'transfer.kind': undefined }, ['transfer.kind']],
  ],
  notApplicable: [CORDS_ONLY, BACKFED],
});

ruleTable('inlet/rated-for-source-outlet', {
  holds: [{}, { 'inlet.ratingA': 50 }],
  violation: [[{ 'source.outletBreakerA': 50 }, { severity: 'hazard', found: 50, allowed: 30 }]],
  unproven: [
    [{ 'inlet.ratingA': 'not-seen', 'source.outletBreakerA': undefined }, ['inlet.ratingA', 'source.outletBreakerA']],
  ],
  notApplicable: [CORDS_ONLY],
});

ruleTable('inlet/breaker-not-above-inlet', {
  holds: [{}, { 'breaker.ratingA': 20 }],
  violation: [[{ 'breaker.ratingA': 50 }, { severity: 'correction', found: 50, allowed: 30 }]],
  unproven: [[{ 'breaker.ratingA': undefined }, ['breaker.ratingA']]],
  notApplicable: [SWITCH, CORDS_ONLY],
});

ruleTable('inlet/poles-and-volts', {
  holds: [
    {},
    { 'inlet.configuration': '14-50' },
    [{ ...BRIDGED, 'source.outlet': 'L5-30' }, { reason: saying('both legs') }],
    [{ 'source.outlet': 'L5-30' }, { reason: saying('both legs') }], // a 120 V receptacle of a 120/240 V source
  ],
  violation: [
    [
      { 'inlet.configuration': 'L5-30' },
      { severity: 'correction', found: 120, allowed: 240, reason: saying('fewer poles') },
    ],
    { ...BRIDGED, 'inlet.configuration': 'TT-30' },
  ],
  unproven: [
    [{ 'source.outlet': undefined, 'inlet.configuration': 'not-seen' }, ['source.outlet', 'inlet.configuration']],
  ],
  notApplicable: [CORDS_ONLY, BACKFED],
});
const without = { notApplicable: [CORDS_ONLY, BACKFED] };
ruleTable('inlet/wet-location-box', {
  holds: [
    {},
    [{ 'inlet.enclosure': '4X' }, { reason: saying('Type 4X') }],
    { 'inlet.box': 'dry', 'inlet.enclosure': undefined },
  ],
  violation: [
    [{ 'inlet.box': 'plain', 'inlet.enclosure': undefined }, { severity: 'correction' }],
    { 'inlet.box': 'lid-closed-only' },
    [{ 'inlet.enclosure': '1' }, { reason: saying('Type 1 does not') }],
    [{ 'inlet.enclosure': 'unmarked' }, { reason: saying('no enclosure type') }],
  ],
  unproven: [
    [{ 'inlet.box': undefined }, ['inlet.box']],
    [{ 'inlet.enclosure': 'not-seen' }, ['inlet.enclosure']],
  ],
  ...without,
});
askedTable('inlet/listed', 'inlet.listed', ['no'], 'correction', without);
askedTable('inlet/pins-dead-when-open', 'inlet.pinsDead', ['no'], 'hazard', { base: SINGLE, ...without });
askedTable('inlet/lockable', 'inlet.lockable', ['no'], 'advisory', without);
askedTable('inlet/entry-sealed', 'inlet.entrySealed', ['no'], 'advisory', without);
askedTable('inlet/100a-interlocked-disconnect', 'inlet.interlockedDisconnect', ['no'], 'correction', {
  base: { 'inlet.ratingA': 100, 'inlet.interlockedDisconnect': 'yes' },
  notApplicable: [{}, { 'inlet.ratingA': 99 }, CORDS_ONLY],
});

ruleTable('inlet/not-indoors', {
  holds: [{}],
  violation: [[{ 'inlet.box': 'dry' }, { severity: 'advisory' }]],
  unproven: [[{ 'inlet.box': undefined }, ['inlet.box']]],
  notApplicable: [CORDS_ONLY, { 'source.kind': 'power-station' }],
});

askedTable('inlet/box-bonded', 'inlet.boxBonded', ['no'], 'correction', { notApplicable: [CORDS_ONLY, BACKFED] });
askedTable('inlet/one-inlet', 'inlet.another', ['yes'], 'hazard', { notApplicable: [CORDS_ONLY, BACKFED] });

// The lesser of stamp and face, and of one alone enough to say no.
ruleTable('inlet/breaker-not-above-inlet', {
  holds: [{ 'inlet.ratingA': 50 }, { 'inlet.ratingA': 30, 'inlet.configuration': '14-50' }],
  violation: [
    [{ 'inlet.configuration': 'L14-20' }, { found: 30, allowed: 20 }],
    [
      { 'inlet.ratingA': 20, 'inlet.configuration': undefined },
      { found: 30, allowed: 20 },
    ],
    [{ 'inlet.ratingA': undefined, 'inlet.configuration': 'L14-20' }, { allowed: 20 }],
    [{ 'inlet.ratingA': 50, 'breaker.ratingA': 50 }, { allowed: 30 }],
  ],
  unproven: [
    [{ 'inlet.configuration': undefined }, ['inlet.configuration']],
    [{ 'inlet.ratingA': undefined }, ['inlet.ratingA']],
  ],
});
ruleTable('inlet/rated-for-source-outlet', {
  holds: [{ 'source.outletDevice': 'none', 'source.outletBreakerA': undefined }], // 29.2 A
  violation: [
    [{ 'inlet.configuration': 'L14-20' }, { found: 30, allowed: 20 }],
    [{ 'inlet.ratingA': 20, 'inlet.configuration': undefined }, { allowed: 20 }],
    [{ 'source.outletDevice': 'none', 'source.outletBreakerA': undefined, 'source.runningW': 8000 }, { found: 33.333 }],
  ],
  unproven: [[{ 'inlet.configuration': undefined }, ['inlet.configuration']]],
});

/** What is known of stamp and face alone is enough to say no, and stands in the working. */
const FACE_ALONE: Facts = { 'inlet.ratingA': undefined, 'inlet.configuration': 'L14-20' };
const by = (label: string) => ({
  working: expect.arrayContaining([expect.objectContaining({ label })]) as never,
});
ruleTable('inlet/rated-for-source-outlet', {
  holds: [],
  violation: [[FACE_ALONE, { found: 30, allowed: 20, ...by('The face L14-20 bears') }]],
  unproven: [],
});
ruleTable('inlet/breaker-not-above-inlet', {
  holds: [],
  violation: [[FACE_ALONE, { found: 30, allowed: 20, ...by('The face L14-20 bears') }]],
  unproven: [],
});
