import { cordAt } from '../../case';
import { AMBIENT_FACTOR, everyEdition, ambientFactor, fahrenheitToC, type ColumnC } from '../../codebook';
import { BRIDGED_FACTS, CORD_FACTS, bridged, cordAmpacityA, feedOf, rounded } from '../../electrical';
import { PLAN_FACTS, ampereAtOnce, plannedLoads } from '../../loads';
import { firstOf, firstViolation, holds, rule, violation, withoutCord } from '../rule';

export default rule({
  id: 'cord/ambient',
  holds:
    'In the hottest air where it runs, by the temperature marked on its jacket, the cord still carries what is planned.',
  severity: 'advisory',
  cites: everyEdition('400.5', 'guidance'),
  not: 'Sun on the jacket, and coils (cord/not-coiled-under-load). The outlet’s breaker is judged without heat: cord/ampacity.',
  facts: ['source.kind', 'source.airF', 'cord.part', 'cord.markedC', ...CORD_FACTS, ...BRIDGED_FACTS, ...PLAN_FACTS],
  notApplicable: firstOf(withoutCord, (look) =>
    look.need('source.kind') === 'power-station'
      ? 'a power station may stand in cool rooms; its air is not recorded'
      : undefined,
  ),
  check: (look) => {
    const plan = look.attempt(plannedLoads);
    const twoLegs = look.attempt((side) => feedOf(side) === '120/240' && !bridged(side));
    look.requireAll(plan, twoLegs);
    const legs = twoLegs.value ? (['A', 'B'] as const) : [undefined];
    const found = look.step(
      'Most at once in the cord',
      Math.max(...legs.map((leg) => ampereAtOnce(plan.value!, leg))),
      'A',
      'watts ÷ volts of what is planned',
    );
    return (
      firstViolation(look, 'cord', (side, i) => {
        const at = cordAt(i);
        if (side.need(at.part) !== 'cord') return undefined;
        side.needAll(at.markedC, 'source.airF');
        const airF = side.need('source.airF');
        const ambientC = side.step('Air', fahrenheitToC(airF), '°C', `${airF} °F`);
        const marked = Math.min(90, Number(side.need(at.markedC))) as ColumnC;
        const factor = side.step(
          `Ambient ${ambientC} °C, ${marked} °C column`,
          Math.min(1, ambientFactor(ambientC, marked) ?? 0),
          '×',
          AMBIENT_FACTOR.cites,
        );
        const tableA = cordAmpacityA(side, i);
        const allowed = side.step('Cord in this heat', rounded(tableA * factor), 'A', `${tableA} A × ${factor}`);
        return found <= allowed
          ? undefined
          : violation(
              `${allowed} A carried by cord ${i + 1} in ${airF} °F (${ambientC} °C), ${found} A planned.`,
              'On such days run less, lay the cord in the shade, or use a heavier one or one marked for more heat.',
              { found, allowed, unit: 'A' },
            );
      }) ?? holds('The heat leaves every cord enough for what is planned.')
    );
  },
});
