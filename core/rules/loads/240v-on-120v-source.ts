import { everyEdition } from '../../codebook';
import { bridged } from '../../electrical';
import { circuitName, needOfEach, plannedCircuits } from '../../loads';
import { firstOf, holds, rule, violation, without } from '../rule';

export default rule({
  id: 'loads/240v-on-120v-source',
  holds: 'Where one pole of the source feeds both legs, every 240 V circuit stays off.',
  severity: 'hazard',
  cites: everyEdition('110.3(B)', '702.4'),
  facts: ['transfer.kind', 'source.voltage', 'cord.bridges', 'loads.circuits.plan', 'loads.circuits.volts'],
  notApplicable: firstOf(without('inlet'), (look) =>
    bridged(look) ? undefined : 'the two legs are not fed from one pole',
  ),
  check: (look) => {
    const planned = plannedCircuits(look);
    needOfEach(look, planned, 'volts');
    const wrong = planned.find((i) => look.need(`loads.circuits[${i}].volts`) === '240');
    return wrong === undefined
      ? holds('Every 240 V circuit stays off.')
      : violation(
          `${circuitName(look, wrong)} would get 0 V between its legs.`,
          'Keep its breaker off and locked while the source runs, or use a 120/240 V source.',
          { found: 0, allowed: 240, unit: 'V' },
        );
  },
});
