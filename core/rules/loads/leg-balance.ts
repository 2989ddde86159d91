import { everyEdition } from '../../codebook';
import { BRIDGED_FACTS, bridged, rounded } from '../../electrical';
import { PLAN_FACTS, circuitName, legSums, loadToMove, plannedLoads, type LegSums } from '../../loads';
import { firstOf, holds, rule, violation, without } from '../rule';

export default rule({
  id: 'loads/leg-balance',
  holds: 'The two legs carry about the same.',
  severity: 'advisory',
  cites: everyEdition('guidance'),
  facts: [
    'transfer.otherKind', ...BRIDGED_FACTS, ...PLAN_FACTS, 'loads.circuits.neutralGroup',
  ], // prettier-ignore
  notApplicable: firstOf(
    without('inlet'),
    (look) => (look.has('singleCircuit') ? 'one circuit alone has no two legs' : undefined),
    (look) => (bridged(look) ? 'one pole feeds both legs' : undefined),
  ),
  check: (look) => {
    const planned = plannedLoads(look);
    const { A, B } = legSums(planned);
    const percent = look.number('balancePercent');
    const heavier = Math.max(A, B);
    if (heavier === 0) return holds('Nothing runs.');
    const share = look.step(
      'Lighter leg, as a share of the heavier',
      rounded((Math.min(A, B) / heavier) * 100),
      '%',
      `${Math.min(A, B)} W ÷ ${heavier} W`,
    );
    const detail = { found: share, allowed: percent, unit: '%' };
    const words = `${A} W on leg A, ${B} W on leg B.`;
    if (share >= percent) return holds(words, detail);
    const right = (sums: LegSums) => 100 * Math.min(sums.A, sums.B) >= percent * Math.max(sums.A, sums.B);
    const move = loadToMove(look, planned, right);
    return violation(
      words,
      move
        ? `Move ${circuitName(look, move.index)} to the other leg: the lighter then carries ${percent} % of the heavier or more.`
        : `No single move brings the lighter leg to ${percent} % of the heavier: move several circuits, or choose others to run.`,
      detail,
    );
  },
});
