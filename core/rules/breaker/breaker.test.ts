import { CORDS_ONLY, SWITCH, askedTable, ruleTable, type Facts } from '../../test/rule-table';
import type { FactPath } from '../../case';

const NO_BACKFED: Facts[] = [
  SWITCH,
  CORDS_ONLY,
  { 'transfer.kind': 'single-circuit-switch' },
  { 'transfer.kind': 'whole-house-manual' },
];
const saying = (text: string) => expect.stringContaining(text) as unknown as string;

const NO_DEVICE: Facts = { 'source.outletDevice': 'none', 'source.outletBreakerA': undefined };
ruleTable('breaker/not-above-weakest-link', {
  holds: [
    [{}, { found: 30, allowed: 30 }],
    { 'breaker.ratingA': 20 },
    { 'transfer.kind': 'transfer-panel' },
    // 50 A inlet, feeder and breaker behind a 30 A source; its cord is the source’s to protect
    { 'breaker.ratingA': 50, 'inlet.ratingA': 50, 'inlet.configuration': '14-50', 'feeder.stretches[0].sizeAwg': '6' },
    { 'cord[0].sizeAwg': '12' },
    { 'source.outletBreakerA': 20 },
  ],
  violation: [
    [{ 'breaker.ratingA': 50 }, { severity: 'correction', found: 50, allowed: 30, remedy: saying('30 A') }],
    // without a device of its own at the source nothing else protects the feeder
    [
      { 'breaker.ratingA': 50, 'source.outletDevice': 'none', 'source.outletBreakerA': undefined },
      { severity: 'hazard' },
    ],
    [{ 'breaker.ratingA': 50, 'source.outletDevice': undefined }, { severity: 'hazard' }],
    [{ 'breaker.ratingA': 50, 'feeder.stretches[0].sizeAwg': undefined }, { severity: 'hazard' }], // what nobody has seen may be weaker
    [{ 'breaker.ratingA': 50, 'source.outletBreakerA': 50 }, { severity: 'hazard' }],
    // the lesser of stamp and face
    [
      { 'breaker.ratingA': 30, 'inlet.configuration': 'L14-20', 'source.outletBreakerA': 20 },
      { allowed: 20, reason: saying('inlet') },
    ],
    // the cord is protected by the source’s own device, whatever it is
    [
      { 'breaker.ratingA': 50, 'cord[0].sizeAwg': undefined },
      { severity: 'correction', allowed: 30 },
    ],
    // what was read of an adapter is put aside where it turned out to be a plain cord
    [{ 'breaker.ratingA': 50, 'cord[0].breakerA': 20 }, { allowed: 30 }],
    [
      { ...NO_DEVICE, 'cord[0].part': 'adapter-listed', 'cord[0].markedA': 50, 'cord[0].breakerA': 20 },
      { allowed: 20, reason: saying('cord') },
    ], // an adapter’s own breaker is a link
    [
      { ...NO_DEVICE, 'cord[0].sizeAwg': '12' },
      { allowed: 25, reason: saying('cord'), remedy: saying('25 A') },
    ],
    [
      { ...NO_DEVICE, 'source.outlet': 'L14-20' },
      { allowed: 20, reason: saying('source outlet') },
    ],
    [{ 'feeder.stretches[0].sizeAwg': '14' }, { allowed: 15, reason: saying('feeder') }],
    // 10 AWG THWN-2 at 75 °C terminals would bear 35 A; 240.4(D) stops at 30
    [
      {
        'feeder.stretches[0].method': 'EMT',
        'feeder.stretches[0].insulation': 'THWN-2',
        'feeder.inletTerminal': '75',
        'feeder.houseTerminal': '75',
        'breaker.ratingA': 35,
        'inlet.ratingA': 50,
        'inlet.configuration': '14-50',
        'cord[0].sizeAwg': '6',
        'source.outletBreakerA': 50,
      },
      { found: 35, allowed: 30, reason: saying('feeder') },
    ],
    // seen although others are unknown
    { 'breaker.ratingA': 50, 'cord[0].sizeAwg': undefined, 'feeder.stretches[0].sizeAwg': undefined },
    [
      { ...NO_DEVICE, 'cord[0].sizeAwg': '18' },
      { allowed: 10, remedy: saying('No standard breaker') },
    ],
  ],
  unproven: [
    [{ 'breaker.ratingA': undefined }, ['breaker.ratingA']],
    [{ ...NO_DEVICE, 'cord[0].sizeAwg': undefined, 'inlet.ratingA': 'not-seen' }, ['cord[0].sizeAwg', 'inlet.ratingA']],
    [{ 'cord[0].sizeAwg': undefined, 'inlet.ratingA': 'not-seen' }, ['inlet.ratingA']],
    [{ 'source.outletDevice': undefined }, ['source.outletDevice']],
  ],
  notApplicable: NO_BACKFED,
});

ruleTable('breaker/two-pole-common-trip', {
  holds: [{}],
  violation: [
    [{ 'breaker.construction': 'tied-singles' }, { severity: 'correction', reason: saying('tied') }],
    [{ 'breaker.construction': 'loose-singles' }, { reason: saying('loose') }],
    [{ 'breaker.construction': 'single' }, { reason: saying('One pole') }],
  ],
  unproven: [[{ 'breaker.construction': 'not-seen' }, ['breaker.construction']]],
  notApplicable: NO_BACKFED,
});

ruleTable('breaker/interrupting-rating', {
  holds: [
    {},
    { 'breaker.availableKa': 10 },
    [{ 'breaker.availableKa': undefined }, { allowed: 10 }], // the office’s value, where a dwelling has none marked
    [{ 'breaker.availableKa': 22, 'breaker.seriesRated': 'yes' }, { reason: saying('series rating') }],
  ],
  violation: [
    [
      { 'breaker.availableKa': 14, 'breaker.seriesRated': 'no' },
      { severity: 'correction', found: 10, allowed: 14, unit: 'kA', remedy: saying('14 kA') },
    ],
  ],
  unproven: [
    [{ 'breaker.interruptingKa': undefined }, ['breaker.interruptingKa']],
    [{ 'breaker.availableKa': 14 }, ['breaker.seriesRated']],
  ],
  notApplicable: NO_BACKFED,
});

ruleTable('breaker/displaced-circuits-in-order', {
  holds: [{}, { 'breaker.displaced': 'moved-matching' }],
  violation: [[{ 'breaker.displaced': 'moved-mismatched' }, { severity: 'correction' }]],
  unproven: [[{ 'breaker.displaced': undefined }, ['breaker.displaced']]],
  notApplicable: NO_BACKFED,
});

const plain: [id: string, path: FactPath, wrong: string, severity: 'hazard' | 'correction'][] = [
  ['breaker/listed-for-panel', 'breaker.listedForPanel', 'no', 'correction'],
  ['breaker/held-down', 'breaker.heldDown', 'no', 'hazard'],
  ['breaker/suitable-for-backfeed', 'breaker.lineLoadMarked', 'yes', 'hazard'],
  ['breaker/both-legs', 'breaker.acrossBothLegs', 'no', 'hazard'],
  ['breaker/position-for-interlock', 'breaker.atInterlock', 'no', 'correction'],
];
for (const [id, path, wrong, severity] of plain)
  ruleTable(id, {
    holds: [{}],
    violation: [[{ [path]: wrong }, { severity }]],
    unproven: [
      [{ [path]: undefined }, [path]],
      [{ [path]: 'not-seen' }, [path]],
    ],
    notApplicable: [
      ...NO_BACKFED,
      ...(id === 'breaker/position-for-interlock' ? [{ 'transfer.kind': 'transfer-panel' }] : []),
    ],
  });

const row = (label: string, value: unknown) => ({
  working: expect.arrayContaining([expect.objectContaining({ label, value })]) as never,
});
ruleTable('breaker/not-above-weakest-link', {
  holds: [[{}, row('inlet (its marking)', 30)]],
  violation: [],
  unproven: [],
});

askedTable('breaker/electronic-marked-for-backfeed', 'breaker.electronic', ['gfci-unmarked'], 'correction', {
  right: ['gfci-marked'],
  notApplicable: NO_BACKFED,
});
askedTable('breaker/stabs-sound', 'breaker.stabsSound', ['no'], 'correction', { notApplicable: NO_BACKFED });
