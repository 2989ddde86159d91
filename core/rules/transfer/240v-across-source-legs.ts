import { circuitAt } from '../../case';
import { everyEdition } from '../../codebook';
import { BRIDGED_FACTS, bridged } from '../../electrical';
import { circuitName } from '../../loads';
import { firstOf, firstViolation, holds, onlyWith, rule, violation } from '../rule';

export default rule({
  id: 'transfer/240v-across-source-legs',
  holds: 'The two handles of a 240 V circuit take the two legs of the source.',
  severity: 'correction',
  cites: everyEdition('110.3(B)'),
  not: 'The slots in the house panel, which say nothing of the source’s legs.',
  facts: [
    ...BRIDGED_FACTS,
    'transfer.otherKind',
    ...['moved', 'volts', 'sourceLeg'].map((key) => `loads.circuits.${key}`),
  ],
  notApplicable: firstOf(onlyWith('handlePerPole', 'only a load-side switch has a handle for each pole'), (look) =>
    bridged(look) ? 'the source has one pole' : undefined,
  ),
  check: (look) =>
    firstViolation(look, 'loads.circuits', (side, i) => {
      if (side.need(circuitAt(i).moved) === 'no' || side.need(circuitAt(i).volts) === '120') return undefined;
      const leg = side.need(circuitAt(i).sourceLeg);
      return leg === 'both'
        ? undefined
        : violation(
            `Both handles of ${circuitName(look, i)} take leg ${leg} of the source: 0 V between them.`,
            'Use two handles that take different legs, as the switch’s lettering shows.',
          );
    }) ?? holds('Every 240 V circuit stands across both legs of the source.'),
});
