import { cordAt } from '../../case';
import { CONFIGURATIONS, everyEdition } from '../../codebook';
import { firstViolation, holds, rule, violation, withoutCord } from '../rule';

const REMEDY =
  'Stop the source and see it stand still (a battery: output off), outlet breaker off, and prove both ends dead with a tester that is tried before and after; only then unplug it and put it out of use. Use a listed four-wire cord.';

export default rule({
  id: 'cord/no-tied-hots',
  holds: 'No cord ties the two hots of a four-wire 120/240 V face together.',
  severity: 'hazard',
  cites: everyEdition('110.3(B)', '406.7'),
  not: 'A cord that ties both hots to one pole of a 120 V face: that is a bridged feed, judged with neutral and loads.',
  facts: ['cord.bridges', 'cord.sourceEnd', 'cord.inletEnd'],
  notApplicable: withoutCord,
  check: (look) =>
    firstViolation(look, 'cord', (side, i) => {
      const at = cordAt(i);
      if (side.need(at.bridges) === 'no') return undefined;
      if (CONFIGURATIONS[side.need(at.sourceEnd)].poles !== 3) return undefined;
      const both = side.known(at.inletEnd);
      return violation(
        both !== undefined && CONFIGURATIONS[both].poles === 3
          ? `Cord ${i + 1} has four-wire ends and ties their hots together: it was altered, and shorts the two legs or feeds both from one pole.`
          : `Cord ${i + 1} ties the two hots of a four-wire face together: it shorts the legs or feeds both from one pole.`,
        REMEDY,
      );
    }) ?? holds('No cord ties the hots of a four-wire face.'),
});
