import { circuitAt } from '../../case';
import { everyEdition } from '../../codebook';
import { circuitName } from '../../loads';
import { firstViolation, holds, rule, violation } from '../rule';

export default rule({
  id: 'source/240v-loads-need-240v-source',
  holds: 'A load of 240 V that is meant to run has a 240 V source.',
  severity: 'hazard',
  cites: everyEdition('110.3(B)', '702.4'),
  facts: ['source.voltage', 'loads.circuits.plan', 'loads.circuits.volts'],
  notApplicable: (look) => (look.need('source.voltage') === '120' ? undefined : 'the source gives 240 V'),
  check: (look) =>
    firstViolation(look, look.circuits, (side, i) => {
      if (side.need(circuitAt(i).plan) !== 'run') return undefined;
      return side.need(circuitAt(i).volts) === '240'
        ? violation(
            `${circuitName(look, i)} needs 240 V; this source gives 120 V.`,
            'Use a 120/240 V source, or keep this load off.',
            { found: 120, allowed: 240, unit: 'V' },
          )
        : undefined;
    }) ?? holds('No 240 V load is meant to run.'),
});
