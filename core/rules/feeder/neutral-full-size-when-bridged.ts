import { AREA_CMIL, CONFIGURATIONS, everyEdition } from '../../codebook';
import { AHEAD_FACTS, aheadOfInlet, hotAndNeutral, rounded, STRETCH_FACTS, stretchAmpacityOf } from '../../electrical';
import { firstOf, holds, rule, violation, whereBridged, withoutFeeder } from '../rule';
import { stretchName, worstStretch } from './worst-stretch';

export default rule({
  id: 'feeder/neutral-full-size-when-bridged',
  holds:
    'Where one pole of the source feeds both legs, the neutral carries their sum: what its one pole gives, or twice the device where that has two poles.',
  severity: 'hazard',
  cites: everyEdition('220.61', '310.15', '240.4'),
  facts: [
    'inlet.builtIn',
    'transfer.otherKind', 'source.outletPoles', ...AHEAD_FACTS, ...STRETCH_FACTS, 'feeder.stretches.neutralAwg',
  ], // prettier-ignore
  notApplicable: firstOf(whereBridged, withoutFeeder),
  check: (look) =>
    worstStretch(look, (side, index) => {
      const { hot: hotSize, neutral: neutralSize } = hotAndNeutral(side, index);
      const detail = { found: neutralSize, allowed: hotSize, unit: 'AWG' };
      const where = stretchName(side, index);
      // A face with one hot has one pole; with two hots on one winding, each pole lets its whole rating pass onto the neutral.
      const onePole =
        CONFIGURATIONS[side.need('source.outlet')].poles === 2 ||
        (side.need('source.voltage') === '120' && side.need('source.outletPoles') === '1');
      const deviceA = aheadOfInlet(side).ampsA;
      if (onePole) {
        // The neutral carries what that pole gives; hots that are larger change nothing.
        const ampacityA = rounded(stretchAmpacityOf(side, index, neutralSize).ampacityA);
        const carries = { found: ampacityA, allowed: deviceA, unit: 'A' };
        const words = `${neutralSize} AWG neutral (${where}) carries ${ampacityA} A; one pole of ${deviceA} A feeds both legs.`;
        if (AREA_CMIL.rows[neutralSize]! >= AREA_CMIL.rows[hotSize]!)
          return { least: Infinity, finding: holds(words, detail) };
        return {
          least: ampacityA / deviceA,
          finding:
            ampacityA >= deviceA
              ? holds(words, carries)
              : violation(words, `Run a neutral of ${hotSize} AWG, or use a 120/240 V source.`, carries),
        };
      }
      const words = `${neutralSize} AWG neutral beside ${hotSize} AWG hots (${where}); it carries the sum of both legs.`;
      if (AREA_CMIL.rows[neutralSize]! < AREA_CMIL.rows[hotSize]!)
        return {
          least: AREA_CMIL.rows[neutralSize]! / AREA_CMIL.rows[hotSize]!,
          finding: violation(words, `Run a neutral of ${hotSize} AWG, or use a 120/240 V source.`, detail),
        };
      const sumA = side.step('Both poles on one neutral', rounded(2 * deviceA), 'A', `2 × ${deviceA} A`);
      const ampacityA = rounded(stretchAmpacityOf(side, index, neutralSize).ampacityA);
      const sums = { found: ampacityA, allowed: sumA, unit: 'A' };
      const said = `${ampacityA} A carried by the neutral (${where}); both poles of the outlet breaker together let ${sumA} A pass onto it.`;
      return {
        least: ampacityA / sumA,
        finding:
          ampacityA >= sumA
            ? holds(said, sums)
            : violation(
                said,
                'Feed it from one pole with one device of the neutral’s ampacity, or use a 120/240 V source.',
                sums,
              ),
      };
    }),
});
