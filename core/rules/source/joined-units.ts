import { everyEdition } from '../../codebook';
import { holds, rule, violation } from '../rule';

export default rule({
  id: 'source/joined-units',
  holds: 'Units that work together are joined by the maker’s own kit, and none goes on alone with half a house.',
  severity: 'correction',
  cites: everyEdition('110.3(B)', 'listing'),
  not: 'Their power: record what both give together, and as outlet breaker the one of the kit’s outlet, never the sum of both.',
  facts: ['source.units', 'source.pairListed', 'source.pairStops', 'source.outlet'],
  notApplicable: (look) => (look.need('source.units') === 'one' ? 'there is one unit alone' : undefined),
  check: (look) => {
    const units = look.need('source.units');
    if (look.known('source.pairListed') === 'no')
      return violation(
        'The two units are joined by something that their makers do not name.',
        'Use one unit, or the makers’ own kit for these two.',
      );
    look.needAll('source.pairListed');
    if (units === 'parallel-120') return holds('The maker’s own kit; it gives 120 V on one pole.');
    return look.need('source.pairStops') === 'yes'
      ? holds('The maker’s own kit, and both stop when one stops.')
      : violation(
          'When one unit stops the other goes on: one leg dead or out of step, and 240 V loads with half their volts.',
          'Set them up as their maker says for 120/240 V, so that both stop together; until then no 240 V load and no shared neutral on them.',
        );
  },
});
