import { everyEdition } from '../../codebook';
import { circuitName, needOfEach } from '../../loads';
import { holds, onlyWith, rule, violation } from '../rule';

export default rule({
  id: 'transfer/240v-circuits-paired',
  holds: 'The two handles of a 240 V circuit move together.',
  severity: 'correction',
  cites: everyEdition('210.4(B)', '240.15(B)', '110.3(B)'),
  facts: ['transfer.kind', 'loads.circuits.moved', 'loads.circuits.volts', 'loads.circuits.paired'],
  notApplicable: onlyWith(['load-side-switch'], 'only a load-side switch has a handle for each pole'),
  check: (look) => {
    const all = Array.from({ length: look.circuits }, (_, i) => i);
    needOfEach(look, all, 'moved', 'volts');
    const two = all.filter(
      (i) => look.need(`loads.circuits[${i}].moved`) === 'yes' && look.need(`loads.circuits[${i}].volts`) === '240',
    );
    needOfEach(look, two, 'paired');
    const loose = two.find((i) => look.need(`loads.circuits[${i}].paired`) === 'no');
    return loose === undefined
      ? holds(two.length > 0 ? 'Both handles of each 240 V circuit are tied.' : 'No 240 V circuit is on the switch.')
      : violation(
          `The handles of ${circuitName(look, loose)} are not tied: one leg on the line and one on the generator meet in the load.`,
          'Fit the maker’s handle tie, and use two adjacent handles for each 240 V circuit.',
        );
  },
});
