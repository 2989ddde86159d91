import { AREA_CMIL, everyEdition } from '../../codebook';
import { AHEAD_FACTS, aheadOfInlet, hotAndNeutral, rounded, STRETCH_FACTS, stretchAmpacityOf } from '../../electrical';
import { holds, rule, violation, withoutFeeder } from '../rule';
import { stretchName, worstStretch } from './worst-stretch';

export default rule({
  id: 'feeder/neutral-size',
  holds: 'The neutral carries the largest unbalanced current that the source outlet’s breaker lets pass.',
  severity: 'correction',
  not: 'A feed from one pole, where the neutral carries the sum: feeder/neutral-full-size-when-bridged.',
  cites: everyEdition('220.61'),
  facts: [
    'inlet.builtIn',
    'transfer.otherKind', ...AHEAD_FACTS, ...STRETCH_FACTS, 'feeder.stretches.neutralAwg',
  ], // prettier-ignore
  notApplicable: withoutFeeder,
  check: (look) =>
    worstStretch(look, (side, index) => {
      const { hot: hotSize, neutral: neutralSize } = hotAndNeutral(side, index);
      const detail = { found: neutralSize, allowed: hotSize, unit: 'AWG' };
      if (AREA_CMIL.rows[neutralSize]! >= AREA_CMIL.rows[hotSize]!)
        return { least: Infinity, finding: holds(`${neutralSize} AWG neutral beside ${hotSize} AWG hots.`, detail) };
      const ampacity = side.attempt((one) => stretchAmpacityOf(one, index, neutralSize).ampacityA);
      const device = side.attempt((one) => aheadOfInlet(one).ampsA);
      side.requireAll(ampacity, device);
      const [ampacityA, deviceA] = [rounded(ampacity.value!), device.value!];
      const words = `${neutralSize} AWG neutral (${stretchName(side, index)}) carries ${ampacityA} A; up to ${deviceA} A may return on it.`;
      return {
        least: ampacityA,
        finding:
          ampacityA >= deviceA
            ? holds(words, { found: ampacityA, allowed: deviceA, unit: 'A' })
            : violation(words, `Run a neutral of ${hotSize} AWG, like the hots.`, {
                found: ampacityA,
                allowed: deviceA,
                unit: 'A',
              }),
      };
    }),
});
