import {
  BACKFED,
  BRIDGED,
  CORDS_ONLY,
  SINGLE,
  STATION_UNIT,
  askedTable,
  at,
  ruleTable,
  saying,
} from '../../test/rule-table';

const LARGE = { 'source.runningW': 15_001 };
const pair = { ...at('loads.circuits[0]', { neutralGroup: 'a' }), ...at('loads.circuits[1]', { neutralGroup: 'a' }) };

ruleTable('source/nameplate-read', {
  holds: [{}],
  violation: [
    [{ 'source.nameplate': 'missing' }, { severity: 'correction', reason: saying('missing') }],
    [{ 'source.nameplate': 'illegible', 'source.runningW': undefined }, { reason: saying('illegible') }],
  ],
  unproven: [
    [
      { 'source.voltage': undefined, 'source.runningW': undefined, 'source.fuel': 'not-seen' },
      ['source.voltage', 'source.runningW', 'source.fuel'],
    ],
    [{ 'source.nameplate': undefined }, ['source.nameplate']],
  ],
});

ruleTable('source/rating-for-fuel-and-site', {
  holds: [
    [{}, { found: 1300, allowed: 6687 }], // 7000 × 0.965 × 0.99
    [{ 'source.fuel': 'propane' }, { allowed: 6019 }], // × 0.9
    [{ 'source.fuel': 'natural-gas' }, { allowed: 5350 }], // × 0.8
    [{ 'source.altitudeFt': -200, 'source.airF': 60 }, { allowed: 7000 }], // nothing gained below sea level or in the cold
    [{ 'source.airF': 107 }, { allowed: 6552 }], // 7000 × 0.965 × 0.97
    [{ 'source.makerSiteW': 5000, 'source.fuel': undefined }, { allowed: 5000 }], // the maker's figure first
    [{ ...STATION_UNIT, 'source.altitudeFt': undefined }, { allowed: 7000 }],
    [{ 'loads.circuits[0].runningW': 6087 }, { found: 6687 }],
  ],
  violation: [
    [
      { 'loads.circuits[0].runningW': 6088 },
      { severity: 'advisory', found: 6688, allowed: 6687, remedy: saying('Keep circuit 2, Lights off') },
    ],
    [{ 'source.altitudeFt': 15_000, 'source.airF': 130, 'source.runningW': 2600 }, { allowed: 1170 }],
    [{ 'loads.circuits[0].runningW': 6687 }, { remedy: saying('Keep circuit 2, Lights off') }],
    [
      { 'loads.circuits[0].runningW': 7000, 'loads.circuits[1].runningW': 7000 },
      { found: 14_000, remedy: saying('Keep 7313 W off') },
    ],
  ],
  unproven: [
    [
      { 'source.altitudeFt': undefined, 'source.airF': 'not-seen', 'loads.circuits[0].plan': undefined },
      ['source.altitudeFt', 'source.airF', 'loads.circuits[0].plan'],
    ],
    [{ 'source.kind': undefined }, ['source.kind']],
  ],
});

ruleTable('source/gfci-on-small-portable', {
  holds: [
    {},
    { 'source.receptacles120': 'interlocked' },
    { 'source.receptacles120': 'none-fitted', 'source.neutralBond': 'bonded' },
    { 'source.neutralBond': 'bonded' },
    { ...BRIDGED, 'source.receptacles120': 'some-unprotected' },
    { 'source.runningW': 15_000 },
    { 'source.madeBefore2015': 'yes' }, // protected: nobody asks for cord sets
    { 'source.madeBefore2015': 'yes', 'source.receptacles120': 'none-fitted' },
    { 'source.receptacles120': 'some-unprotected', 'source.madeBefore2015': 'yes', 'source.gfciCordSets': 'yes' },
  ],
  violation: [
    { 'source.receptacles120': 'some-unprotected', 'source.madeBefore2015': 'yes', 'source.gfciCordSets': 'no' },
    { 'source.receptacles120': 'some-unprotected', 'source.madeBefore2015': 'no' },
    [{ 'source.receptacles120': 'some-unprotected' }, { severity: 'correction' }],
    { 'source.receptacles120': 'some-unprotected', 'source.neutralBond': 'bonded' },
    { 'source.receptacles120': 'interlocked', 'source.neutralBond': 'bonded' },
    { ...BRIDGED, 'source.receptacles120': 'some-unprotected', 'source.neutralBond': 'bonded' },
  ],
  unproven: [
    [
      { 'source.receptacles120': undefined, 'source.neutralBond': undefined },
      ['source.neutralBond', 'source.receptacles120'],
    ],
    [{ 'source.runningW': undefined }, ['source.runningW']],
    [{ 'source.receptacles120': 'some-unprotected', 'source.madeBefore2015': 'yes' }, ['source.gfciCordSets']],
  ],
  notApplicable: [STATION_UNIT, LARGE],
});

ruleTable('source/over-15kw-disconnect', {
  holds: [
    { ...LARGE, 'source.disconnect': 'yes' },
    [{ ...LARGE, 'source.buildingDisconnect': 'yes' }, { reason: saying('at the building') }],
  ],
  violation: [[{ ...LARGE, 'source.disconnect': 'no', 'source.buildingDisconnect': 'no' }, { severity: 'correction' }]],
  unproven: [
    [LARGE, ['source.disconnect', 'source.buildingDisconnect']],
    [{ ...LARGE, 'source.disconnect': 'no' }, ['source.buildingDisconnect']],
  ],
  notApplicable: [{}, { 'source.runningW': 15_000 }, { ...LARGE, ...CORDS_ONLY }],
});
const WIRED = { 'source.connection': 'permanent' };
ruleTable('source/small-portable-cord-connected', {
  holds: [
    { 'source.runningW': 15_000 },
    { ...WIRED, 'source.disconnect': 'yes' },
    { ...WIRED, 'source.disconnect': 'no', 'source.buildingDisconnect': 'yes' },
  ],
  violation: [[{ ...WIRED, 'source.disconnect': 'no', 'source.buildingDisconnect': 'no' }, { severity: 'correction' }]],
  unproven: [
    [{ 'source.connection': undefined }, ['source.connection']],
    [WIRED, ['source.disconnect', 'source.buildingDisconnect']],
  ],
  notApplicable: [LARGE, CORDS_ONLY, BACKFED],
});
const changed = (how: string, provided?: string, marked?: string) => ({
  'source.bondAltered': how,
  'source.bondChangeProvided': provided,
  'source.bondChangeMarked': marked,
});
ruleTable('source/not-field-altered-bond', {
  holds: [{}, SINGLE, BACKFED, changed('removed', 'yes', 'yes'), changed('jumper', 'yes', 'yes')],
  violation: [
    [changed('plug'), { severity: 'correction', remedy: saying('prove every part dead') }],
    [changed('plug', 'yes', 'yes'), { reason: saying('listed for no such use') }], // never
    [changed('jumper', 'no'), { reason: saying('bonded') }],
    [changed('removed', 'no'), { reason: saying('opened') }],
    [changed('removed', 'yes', 'no'), { remedy: saying('Mark the source') }],
  ],
  unproven: [
    [{ 'source.bondAltered': undefined }, ['source.bondAltered']],
    [changed('jumper'), ['source.bondChangeProvided']],
    [changed('jumper', 'yes'), ['source.bondChangeMarked']],
    [{ 'transfer.kind': undefined }, ['transfer.kind']],
  ],
  notApplicable: [CORDS_ONLY],
});
const units = (kind: string, listed?: string, stops?: string) => ({
  'source.units': kind,
  'source.pairListed': listed,
  'source.pairStops': stops,
});
ruleTable('source/joined-units', {
  holds: [units('parallel-120', 'yes'), units('paired-stations', 'yes', 'yes'), units('parallel-split', 'yes', 'yes')],
  violation: [
    [units('parallel-120', 'no'), { severity: 'correction', reason: saying('do not name') }],
    [units('paired-stations', 'yes', 'no'), { reason: saying('one leg dead') }],
  ],
  unproven: [
    [{ 'source.units': undefined }, ['source.units']],
    [units('parallel-120'), ['source.pairListed']],
    [units('parallel-split', 'yes'), ['source.pairStops']],
  ],
  notApplicable: [{}],
});
askedTable('source/not-charged-from-itself', 'source.chargedFromItself', ['yes'], 'correction', {
  base: { ...STATION_UNIT, 'source.chargedFromItself': 'no' },
  notApplicable: [{}, { ...STATION_UNIT, ...CORDS_ONLY }],
});

const BONDED = { 'source.neutralBond': 'bonded' } as const;
ruleTable('source/neutral-state-proved', {
  holds: [
    [{}, { found: 'floating' }],
    [{ ...BONDED, 'source.neutralFrameOhm': 1 }, { found: 'bonded' }],
    { ...BONDED, 'source.neutralFrameOhm': 0 },
    { 'source.neutralFrameOhm': 100_000 }, // a filter in an electronic source
    [{ ...BONDED, 'source.hotFrameV': 118 }, { reason: saying('by a relay') }],
  ],
  violation: [], // where they disagree both are asked for again: source/bond-and-meter
  unproven: [
    [{ 'source.neutralFrameOhm': 1.1 }, ['source.neutralFrameOhm']],
    [{ 'source.neutralFrameOhm': 99_999 }, ['source.neutralFrameOhm']],
    [
      { 'source.neutralFrameOhm': undefined, 'source.neutralBond': undefined },
      ['source.neutralBond', 'source.neutralFrameOhm'],
    ],
  ],
});

ruleTable('source/volts-and-hertz', {
  holds: [
    {},
    [
      { 'function.legAV': 114, 'function.legBV': 126, 'function.legsV': 228, 'function.hertz': 58 },
      { reason: expect.not.stringContaining('tolerable') as never },
    ],
    [{ 'function.legAV': 110, 'function.legsV': 252, 'function.hertz': 63 }, { reason: saying('tolerable') }],
    [{ 'function.legBV': 127 }, { reason: saying('tolerable') }],
    { ...BRIDGED, 'function.legsV': 0 },
  ],
  violation: [
    [{ 'function.legAV': 109.9 }, { severity: 'advisory', found: 109.9, allowed: 110, reason: saying('leg A') }],
    [{ 'function.legBV': 127.1 }, { allowed: 127, reason: saying('leg B') }],
    [{ 'function.legsV': 227 }, { allowed: 228 }],
    [{ 'function.legsV': 253 }, { allowed: 252 }],
    [{ 'function.hertz': 57.9 }, { allowed: 58, unit: 'Hz' }],
    [{ 'function.hertz': 63.1 }, { allowed: 63 }],
  ],
  unproven: [
    [{ 'function.hertz': undefined, 'function.legAV': undefined }, ['function.legAV', 'function.hertz']],
    [{ 'source.voltage': undefined }, ['source.voltage']],
    [{ 'cord[0].lengthFt': undefined }, ['cord[0].lengthFt']],
  ],
  notApplicable: [
    CORDS_ONLY,
    SINGLE,
    BACKFED,
    { 'function.legAV': 90, 'function.legBV': 150 }, // an open neutral is no governor’s fault
    { 'function.legAV': 0, 'function.legsV': 122 },
    { 'function.legAV': 120, 'function.legsV': 208 },
  ],
});

const WELL = at('loads.circuits[0]', { use: 'well-pump', volts: '240' });
ruleTable('source/240v-loads-need-240v-source', {
  holds: [
    BRIDGED,
    { ...BRIDGED, ...WELL, 'loads.circuits[0].plan': 'off' },
    { ...BRIDGED, ...WELL, 'loads.circuits[0].plan': 'in-turn' },
  ],
  violation: [
    [
      { ...BRIDGED, ...WELL },
      {
        severity: 'correction',
        found: 120,
        allowed: 240,
        reason: saying('Well pump'),
        working: expect.arrayContaining([
          expect.objectContaining({ label: 'The receptacle in use gives', value: 120 }),
        ]) as never,
      },
    ],
    // a 120/240 V source that feeds from a 120 V receptacle, or whose selector says so, is a 120 V feed
    { 'source.outlet': 'L5-30', ...WELL },
    { 'source.selector': '120', ...WELL },
    { 'source.units': 'parallel-120', ...WELL },
  ],
  unproven: [
    [{ ...BRIDGED, 'loads.circuits[1].volts': undefined }, ['loads.circuits[1].volts']],
    [{ 'source.selector': undefined, 'source.units': undefined }, ['source.units', 'source.selector']],
  ],
  notApplicable: [{}, WELL],
});

ruleTable('source/bridged-120v-no-shared-neutral', {
  holds: [
    BRIDGED,
    { ...BRIDGED, ...pair, 'loads.circuits[1].plan': 'off' },
    { ...BRIDGED, 'loads.circuits[0].neutralGroup': 'a', 'loads.circuits[1].neutralGroup': 'b' },
  ],
  violation: [
    [
      { ...BRIDGED, ...pair },
      { severity: 'hazard', reason: saying('Refrigerator and circuit 2, Lights') },
    ],
    { 'cord[0].bridges': 'yes', ...pair },
  ],
  unproven: [
    [{ ...BRIDGED, 'loads.circuits[0].neutralGroup': undefined }, ['loads.circuits[0].neutralGroup']],
    [{ 'cord[0].bridges': undefined, ...pair }, ['cord[0].bridges']],
  ],
  notApplicable: [pair, { ...SINGLE, ...BRIDGED, ...pair }, CORDS_ONLY],
});

ruleTable('source/device-within-face', {
  holds: [
    [{}, { found: 30, allowed: 30 }],
    [{ 'source.outlet': '5-15', 'source.outletBreakerA': 20 }, { allowed: 20 }], // 210.21(B)(3)
    { 'source.outletBreakerA': 20 },
  ],
  violation: [
    [{ 'source.outlet': 'L14-20' }, { severity: 'hazard', found: 30, allowed: 20 }],
    { 'source.outlet': '5-15', 'source.outletBreakerA': 21 },
    { 'source.outlet': '5-15' },
    { 'source.outletBreakerA': 40 },
  ],
  unproven: [
    [{ 'source.outlet': undefined, 'source.outletBreakerA': undefined }, ['source.outletBreakerA', 'source.outlet']],
    [{ 'source.outletDevice': undefined }, ['source.outletDevice']],
  ],
  notApplicable: [{ 'source.outletDevice': 'none', 'source.outletBreakerA': undefined }],
});

askedTable('source/not-charging-while-feeding', 'source.chargesWhileFeeding', ['yes'], 'hazard', {
  base: STATION_UNIT,
  notApplicable: [{}, { ...STATION_UNIT, ...CORDS_ONLY }],
});
