import { cordAt } from '../../case';
import { everyEdition } from '../../codebook';
import { firstViolation, holds, rule, violation, withoutCord } from '../rule';

/** The house end goes first: the source is seen to stand still, the house is only believed dead, and the other end would be fed by it. */
const TWO_PLUGS_REMEDY =
  'Stop work. Stop the source and see it stand still (a battery: output off), open the outlet’s breaker and the house main, and prove the house end dead with a tester that is tried before and after. Then draw the house end first: the source is seen to stand still, the house is only believed dead. Draw the source end, prove both ends dead again, and only then put the cord out of use for good.';

export default rule({
  id: 'cord/no-double-plug',
  holds: 'No cord has a plug with bare blades at both ends.',
  severity: 'hazard',
  cites: everyEdition('406.7(B)'),
  facts: ['cord.inletEndGender', 'cord.part'],
  notApplicable: withoutCord,
  check: (look) =>
    firstViolation(look, 'cord', (side, i) =>
      side.need(cordAt(i).inletEndGender) === 'plug'
        ? violation(`Cord ${i + 1} has blades at both ends; whoever pulls one end holds live blades.`, TWO_PLUGS_REMEDY)
        : side.need(cordAt(i).part) === 'two-plug'
          ? violation(
              `Cord ${i + 1} joins two plugs into one end; with one of them pulled, its blades are live from the other.`,
              'Stop the source and see it stand still (a battery: output off), both outlet breakers and the house main off; prove the blades dead with a tester that is tried before and after; only then unplug both and put the joint out of use. Feed the inlet from one receptacle.',
            )
          : undefined,
    ) ?? holds('The house end is a connector; no bare blade can be live.'),
});
