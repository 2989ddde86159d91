import { BACKFED, CORDS_ONLY, SWITCH, ruleTable } from '../../test/rule-table';

ruleTable('transfer/present', {
  holds: [{}, SWITCH],
  violation: [[BACKFED, { severity: 'hazard' }]],
  unproven: [[{ 'transfer.kind': undefined }, ['transfer.kind']]],
  notApplicable: [CORDS_ONLY],
});

ruleTable('transfer/no-outlet-backfeed', {
  holds: [{}, CORDS_ONLY],
  violation: [
    [{ 'transfer.backfeedsOutlet': 'yes' }, { severity: 'hazard' }],
    { ...BACKFED, 'transfer.backfeedsOutlet': undefined },
    { ...CORDS_ONLY, 'transfer.backfeedsOutlet': 'yes' },
  ],
  unproven: [
    [{ 'transfer.backfeedsOutlet': undefined }, ['transfer.backfeedsOutlet']],
    [{ 'transfer.kind': undefined }, ['transfer.kind']], // it may yet turn out to be backfed
  ],
});

ruleTable('transfer/listed-for-panel', {
  holds: [{}],
  violation: [[{ 'transfer.listedForPanel': 'no' }, { severity: 'correction' }]],
  unproven: [[{ 'transfer.listedForPanel': 'not-seen' }, ['transfer.listedForPanel']]],
  notApplicable: [CORDS_ONLY, BACKFED],
});

ruleTable('transfer/unaltered', {
  holds: [{}],
  violation: ['cut', 'bent', 'drilled', 'parts-missing'].map((how) => [
    { 'transfer.alteration': how },
    {
      severity: 'hazard',
      reason: expect.stringMatching(new RegExp(how === 'parts-missing' ? 'missing' : how)) as unknown as string,
    },
  ]),
  unproven: [[{ 'transfer.alteration': undefined }, ['transfer.alteration']]],
  notApplicable: [CORDS_ONLY, BACKFED],
});
