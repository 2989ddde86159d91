import { BACKFED, CORDS_ONLY, askedTable, ruleTable, saying } from '../../test/rule-table';

const house = { notApplicable: [CORDS_ONLY] };
askedTable('panel/openings-closed', 'panel.openingsClosed', ['no'], 'correction', house);
askedTable('panel/cover-fits', 'panel.coverFits', ['no'], 'correction', house);
askedTable('panel/directory-true', 'panel.directoryTrue', ['no'], 'correction', { base: BACKFED, ...house });

ruleTable('panel/working-space', {
  holds: [{ 'panel.widthIn': 30, 'panel.depthIn': 36, 'panel.heightFt': 6.5 }],
  violation: [
    [
      { 'panel.widthIn': 29.9 },
      { severity: 'correction', found: 29.9, allowed: 30, unit: 'in', reason: saying('width') },
    ],
    [{ 'panel.depthIn': 35 }, { found: 35, allowed: 36, reason: saying('depth') }],
    [
      { 'panel.heightFt': 6.4, 'panel.widthIn': undefined },
      { found: 6.4, allowed: 6.5, unit: 'ft' },
    ],
  ],
  unproven: [[{ 'panel.widthIn': undefined, 'panel.heightFt': 'not-seen' }, ['panel.widthIn', 'panel.heightFt']]],
  notApplicable: [CORDS_ONLY],
});

ruleTable('panel/neutrals-and-grounds', {
  holds: [
    {},
    { 'panel.kind': 'subpanel', 'panel.neutralsAndGrounds': 'apart' },
    { 'panel.neutralsAndGrounds': 'apart' },
  ],
  violation: [[{ 'panel.kind': 'subpanel' }, { severity: 'correction' }]],
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
