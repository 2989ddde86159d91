import { BACKFED, CORDS_ONLY, SWITCH, askedTable, ruleTable, saying } from '../../test/rule-table';

ruleTable('grounding/path-continuous', {
  holds: [{}, { 'grounding.frameToPanelOhm': 1 }, BACKFED],
  violation: [
    [{ 'grounding.frameToPanelOhm': 1.01 }, { severity: 'hazard', found: 1.01, allowed: 1, unit: 'Ω' }],
    [{ 'grounding.frameToPanelOhm': 1_000_000 }, { reason: saying('Open') }],
  ],
  unproven: [[{ 'grounding.frameToPanelOhm': 'not-seen' }, ['grounding.frameToPanelOhm']]],
  notApplicable: [CORDS_ONLY],
});

askedTable('grounding/rod-not-only-path', 'grounding.rod', ['only-path'], 'hazard', {
  right: ['auxiliary'],
  notApplicable: [CORDS_ONLY],
});

const rod = (diameter: string, lengthFt: number, listed: string) => ({
  'grounding.rod': 'auxiliary',
  'grounding.rodDiameterIn': diameter,
  'grounding.rodLengthFt': lengthFt,
  'grounding.rodListed': listed,
});
ruleTable('grounding/rod-size', {
  holds: [rod('5/8', 8, 'no'), rod('1/2', 8, 'yes'), rod('3/4', 10, 'no')],
  violation: [
    [rod('1/2', 8, 'no'), { severity: 'correction', found: '1/2', allowed: '5/8' }],
    [rod('3/8', 8, 'yes'), { found: '3/8', allowed: '1/2' }],
    [rod('5/8', 7.9, 'yes'), { found: 7.9, allowed: 8, unit: 'ft' }],
  ],
  unproven: [
    [{ ...rod('5/8', 8, 'no'), 'grounding.rodListed': undefined }, ['grounding.rodListed']],
    [{ 'grounding.rod': undefined }, ['grounding.rod']],
  ],
  notApplicable: [{}, { ...CORDS_ONLY, ...rod('1/2', 8, 'no') }],
});

askedTable('grounding/electrode-for-derived', 'grounding.derivedElectrode', ['no'], 'correction', {
  base: { ...SWITCH, 'neutral.switched': 'yes', 'grounding.derivedElectrode': 'yes' },
  notApplicable: [{}, CORDS_ONLY],
});
