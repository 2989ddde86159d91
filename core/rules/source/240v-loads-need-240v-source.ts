import { circuitAt } from '../../case';
import { everyEdition } from '../../codebook';
import { FEED_FACTS, feedOf } from '../../electrical';
import { circuitName } from '../../loads';
import { firstViolation, holds, rule, violation } from '../rule';

export default rule({
  id: 'source/240v-loads-need-240v-source',
  holds: 'A load of 240 V that is meant to run has a 240 V source.',
  severity: 'correction',
  cites: everyEdition('110.3(B)', '702.4'),
  facts: [...FEED_FACTS, 'loads.circuits.plan', 'loads.circuits.volts'],
  notApplicable: (look) => (feedOf(look) === '120' ? undefined : 'the receptacle in use gives 240 V'),
  check: (look) => {
    look.step('The receptacle in use gives', 120, 'V', 'its configuration and the selector');
    return (
      firstViolation(look, 'loads.circuits', (side, i) => {
        if (side.need(circuitAt(i).plan) !== 'run') return undefined;
        return side.need(circuitAt(i).volts) === '240'
          ? violation(
              `${circuitName(look, i)} needs 240 V; the receptacle in use gives 120 V.`,
              'Feed it from a 120/240 V receptacle, or keep this load off.',
              { found: 120, allowed: side.step('The load needs', 240, 'V', 'its circuit'), unit: 'V' },
            )
          : undefined;
      }) ?? holds('No 240 V load is meant to run.')
    );
  },
});
