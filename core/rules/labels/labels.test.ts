import { CORDS_ONLY, SWITCH, ruleTable } from '../../test/rule-table';

const saying = (text: string) => expect.stringContaining(text) as unknown as string;

ruleTable('labels/inlet-system-type', {
  holds: [{}, { 'labels.inletSign': 'separately', 'neutral.switched': 'yes' }],
  violation: [
    [{ 'labels.inletSign': 'separately' }, { severity: 'correction', remedy: saying('NONSEPARATELY') }],
    [{ 'neutral.switched': 'yes' }, { remedy: saying('A SEPARATELY') }],
    [{ 'labels.inletSign': 'none' }, { remedy: saying('NONSEPARATELY') }],
    [{ 'labels.inletSign': 'none', 'neutral.switched': undefined }, { remedy: saying('once the neutral') }],
    { 'labels.inletSign': 'other' },
  ],
  unproven: [
    [{ 'labels.inletSign': undefined }, ['labels.inletSign']],
    [{ 'neutral.switched': undefined }, ['neutral.switched']],
  ],
  notApplicable: [CORDS_ONLY],
});

ruleTable('labels/generator-breaker', {
  holds: [{}],
  violation: [[{ 'labels.generatorBreaker': 'no' }, { severity: 'correction' }]],
  unproven: [[{ 'labels.generatorBreaker': 'not-seen' }, ['labels.generatorBreaker']]],
  notApplicable: [SWITCH, CORDS_ONLY],
});
