import { BACKFED, CORDS_ONLY, SWITCH, ruleTable } from '../../test/rule-table';

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
