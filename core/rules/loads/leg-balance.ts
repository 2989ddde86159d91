import { everyEdition } from '../../codebook';
import { bridged, rounded } from '../../electrical';
import { legSums, plannedLoads } from '../../loads';
import { firstOf, holds, rule, violation, without } from '../rule';

export default rule({
  id: 'loads/leg-balance',
  holds: 'The two legs carry about the same.',
  severity: 'advisory',
  cites: everyEdition('guidance'),
  facts: [
    'transfer.kind', 'source.voltage', 'cord.bridges',
    ...['plan', 'volts', 'runningW', 'slot'].map((key) => `loads.circuits.${key}`),
  ], // prettier-ignore
  notApplicable: firstOf(
    without('inlet'),
    (look) =>
      look.need('transfer.kind') === 'single-circuit-switch' ? 'one circuit alone has no two legs' : undefined,
    (look) => (bridged(look) ? 'one pole feeds both legs' : undefined),
  ),
  check: (look) => {
    const { A, B } = legSums(plannedLoads(look));
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
    return share >= percent
      ? holds(words, detail)
      : violation(
          words,
          `Bring the lighter leg to ${percent} % of the heavier: move circuits, or choose others to run.`,
          detail,
        );
  },
});
