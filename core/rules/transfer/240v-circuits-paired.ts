import { circuitAt } from '../../case';
import { everyEdition } from '../../codebook';
import { circuitName } from '../../loads';
import { firstViolation, holds, onlyWith, rule, violation } from '../rule';

export default rule({
  id: 'transfer/240v-circuits-paired',
  holds: 'The two handles of a 240 V circuit move together.',
  severity: 'hazard',
  cites: everyEdition('702.5', '240.15(B)', '110.3(B)'),
  facts: [
    'transfer.kind',
    'transfer.otherKind',
    'loads.circuits.moved',
    'loads.circuits.volts',
    'loads.circuits.paired',
  ],
  notApplicable: onlyWith('handlePerPole', 'only a load-side switch has a handle for each pole'),
  check: (look) =>
    firstViolation(look, 'loads.circuits', (side, i) => {
      if (side.need(circuitAt(i).moved) === 'no' || side.need(circuitAt(i).volts) === '120') return undefined;
      return side.need(circuitAt(i).paired) === 'no'
        ? violation(
            `The handles of ${circuitName(look, i)} are not tied: one leg on the line and one on the generator meet through the load.`,
            'Do not energize. With both sources off, fit the maker’s handle tie, and use two adjacent handles for each 240 V circuit.',
          )
        : undefined;
    }) ?? holds('The handles of every 240 V circuit on the switch are tied.'),
});
