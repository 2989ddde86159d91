import {
  BACKFED,
  CORDS_ONLY,
  OTHER,
  SINGLE,
  SWITCH,
  askedTable,
  ruleTable,
  saying,
  type Facts,
} from '../../test/rule-table';

const house = { notApplicable: [CORDS_ONLY] };
askedTable('panel/openings-closed', 'panel.openingsClosed', ['no'], 'correction', house);
askedTable('panel/cover-fits', 'panel.coverFits', ['no'], 'correction', house);
askedTable('panel/directory-true', 'panel.directoryTrue', ['no'], 'correction', { base: BACKFED, ...house });

ruleTable('panel/working-space', {
  holds: [
    { 'panel.widthIn': 30, 'panel.depthIn': 36, 'panel.heightFt': 6.5 },
    { 'panel.heightFt': 6, 'panel.existing': 'yes' }, // an existing dwelling’s panel of 200 A or less
  ],
  violation: [
    [
      { 'panel.widthIn': 29.9 },
      { severity: 'correction', found: 29.9, allowed: 30, unit: 'in', reason: saying('width') },
    ],
    [{ 'panel.depthIn': 35 }, { found: 35, allowed: 36, reason: saying('depth') }],
    [
      { 'panel.heightFt': 6.4, 'panel.widthIn': undefined, 'panel.existing': 'no' },
      { found: 6.4, allowed: 6.5, unit: 'ft' },
    ],
    [{ 'panel.heightFt': 6.4, 'panel.existing': 'yes', 'panel.busA': 201 }, { found: 6.4 }],
    [{ 'panel.widthIn': 29, 'panel.heightFt': 6, 'panel.existing': 'yes' }, { found: 29 }],
  ],
  unproven: [
    [{ 'panel.widthIn': undefined, 'panel.heightFt': 'not-seen' }, ['panel.widthIn', 'panel.heightFt']],
    [{ 'panel.heightFt': 6 }, ['panel.existing']],
    [{ 'panel.heightFt': 6, 'panel.existing': 'yes', 'panel.busA': undefined }, ['panel.busA']],
  ],
  notApplicable: [CORDS_ONLY],
});

const BEHIND_SWITCH: Facts = {
  'transfer.kind': 'whole-house-manual',
  'transfer.location': 'behind',
  'panel.kind': 'subpanel',
  'panel.neutralsAndGrounds': 'together',
};
ruleTable('panel/neutrals-and-grounds', {
  holds: [
    {},
    { 'panel.kind': 'subpanel', 'panel.neutralsAndGrounds': 'apart' },
    { 'panel.neutralsAndGrounds': 'apart' },
    { ...BEHIND_SWITCH, 'panel.separateBuilding': 'yes' },
  ],
  violation: [
    [{ 'panel.kind': 'subpanel' }, { severity: 'correction' }],
    { ...BEHIND_SWITCH, 'panel.separateBuilding': 'no' },
  ],
  unproven: [
    [{ 'panel.kind': undefined, 'panel.neutralsAndGrounds': undefined }, ['panel.kind', 'panel.neutralsAndGrounds']],
  ],
  notApplicable: [CORDS_ONLY],
});

ruleTable('panel/bus-rating', {
  holds: [[{}, { found: 200, allowed: 200 }], { 'panel.mainA': 100 }],
  violation: [
    [
      { 'panel.busA': 125, 'panel.mainA': 150 },
      { severity: 'correction', found: 150, allowed: 125 },
    ],
  ],
  unproven: [[{ 'panel.busA': undefined, 'panel.mainA': undefined }, ['panel.busA', 'panel.mainA']]],
  notApplicable: [CORDS_ONLY],
});

ruleTable('panel/one-main', {
  holds: [
    {},
    { ...SWITCH, 'panel.mains': 'several' },
    { ...SINGLE, 'panel.mains': 'two-feeds' },
    // a panel of its own, or a switch ahead of everything
    ...['several', 'split-bus', 'two-feeds'].map((mains) => ({
      'transfer.kind': 'transfer-panel',
      'panel.mains': mains,
    })),
    ...['several', 'split-bus'].map((mains) => ({ 'transfer.kind': 'whole-house-manual', 'panel.mains': mains })),
  ],
  violation: [
    [{ 'panel.mains': 'several' }, { severity: 'hazard', reason: saying('Several mains') }],
    [{ 'panel.mains': 'split-bus' }, { reason: saying('split bus') }],
    [{ 'panel.mains': 'two-feeds' }, { reason: saying('Two feeds') }],
    { 'transfer.kind': 'whole-house-automatic', 'panel.mains': 'two-feeds' },
    { 'transfer.kind': 'none-backfed', 'panel.mains': 'several' },
  ],
  unproven: [
    [{ 'panel.mains': undefined }, ['panel.mains']],
    [OTHER, ['transfer.kind']],
  ],
  notApplicable: [CORDS_ONLY],
});
ruleTable('panel/other-sources', {
  holds: [
    {},
    { 'panel.otherSources': 'photovoltaic', 'panel.otherLands': 'ahead' },
    { 'panel.otherSources': 'battery', 'panel.otherLands': 'unfed-bus', 'panel.otherIslanded': 'feeds' },
    { 'panel.otherSources': 'photovoltaic', 'panel.otherLands': 'fed-bus', 'panel.otherHeld': 'interlocked' },
    { 'panel.otherSources': 'battery', 'panel.otherLands': 'fed-bus', 'panel.otherHeld': 'listed' },
  ],
  violation: [
    [
      { 'panel.otherSources': 'vehicle', 'panel.otherIslanded': 'feeds' },
      { severity: 'hazard', reason: saying('A car') },
    ],
    // that it goes off without the utility is no help
    {
      'panel.otherSources': 'photovoltaic',
      'panel.otherLands': 'fed-bus',
      'panel.otherHeld': 'neither',
      'panel.otherIslanded': 'off',
    },
  ],
  unproven: [
    [{ 'panel.otherSources': undefined }, ['panel.otherSources']],
    [{ 'panel.otherSources': 'generator' }, ['panel.otherLands']],
    [{ 'panel.otherSources': 'photovoltaic', 'panel.otherIslanded': 'off' }, ['panel.otherLands']],
    [{ 'panel.otherSources': 'generator', 'panel.otherLands': 'fed-bus' }, ['panel.otherHeld']],
  ],
  notApplicable: [CORDS_ONLY, { ...SWITCH, 'panel.otherSources': 'battery' }],
});
ruleTable('panel/main-held-down', {
  holds: [{}, { 'panel.mainHeld': 'held' }],
  violation: [
    [{ 'panel.mainHeld': 'loose' }, { severity: 'hazard', remedy: saying('utility make the service dead') }],
    [{ ...SWITCH, 'panel.mainHeld': 'loose' }, { severity: 'correction' }],
  ],
  unproven: [[{ 'panel.mainHeld': undefined }, ['panel.mainHeld']]],
  notApplicable: [CORDS_ONLY],
});
askedTable('panel/handle-height', 'panel.handlesLow', ['no'], 'correction', house);
askedTable('panel/dedicated-space', 'panel.dedicatedSpace', ['no'], 'correction', house);
askedTable('panel/lit', 'panel.lit', ['no'], 'correction', house);
askedTable('panel/never-flooded', 'panel.neverFlooded', ['no'], 'correction', house);
ruleTable('panel/dead-with-main-off', {
  holds: [{}, { 'panel.mainOffV': 3 }],
  violation: [[{ 'panel.mainOffV': 3.1 }, { severity: 'hazard', found: 3.1, allowed: 3, unit: 'V' }]],
  unproven: [[{ 'panel.mainOffV': undefined }, ['panel.mainOffV']]],
  notApplicable: [CORDS_ONLY, SWITCH],
});
askedTable('panel/tandems-where-marked', 'panel.tandems', ['unmarked'], 'correction', house);
askedTable('panel/screws-clear', 'panel.screwsClear', ['no'], 'correction', house);
askedTable('panel/one-conductor-a-terminal', 'panel.doubleTaps', ['yes'], 'correction', house);
askedTable('panel/main-bonding-jumper', 'panel.mainBondingJumper', ['no'], 'hazard', house);
askedTable('panel/electrode-conductor', 'panel.electrodeConductor', ['no'], 'correction', house);
ruleTable('panel/place-suits', {
  holds: [{}],
  violation: [
    [
      { 'panel.place': 'bathroom', 'panel.existing': 'no' },
      { severity: 'correction', reason: saying('bathroom') },
    ],
    [{ 'panel.place': 'stairs', 'panel.existing': 'yes' }, { severity: 'advisory' }],
  ],
  unproven: [
    [{ 'panel.place': undefined }, ['panel.place']],
    [{ 'panel.place': 'damp' }, ['panel.existing']],
  ],
  notApplicable: [CORDS_ONLY],
});
