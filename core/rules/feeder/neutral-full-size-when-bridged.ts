import { AREA_CMIL, everyEdition } from '../../codebook';
import { hotAndNeutral } from '../../electrical';
import { holds, rule, violation, whereBridged } from '../rule';
import { stretchName, worstStretch } from './worst-stretch';

export default rule({
  id: 'feeder/neutral-full-size-when-bridged',
  holds: 'Where one pole of the source feeds both legs, the neutral is as large as the hots: it carries their sum.',
  severity: 'hazard',
  cites: everyEdition('220.61', '310.15'),
  facts: [
    'transfer.kind', 'source.voltage', 'cord.bridges', 'feeder.stretches.metal', 'feeder.stretches.sizeAwg', 'feeder.stretches.neutralAwg',
  ], // prettier-ignore
  notApplicable: whereBridged,
  check: (look) =>
    worstStretch(look, (side, index) => {
      const { hot: hotSize, neutral: neutralSize } = hotAndNeutral(side, index);
      const detail = { found: neutralSize, allowed: hotSize, unit: 'AWG' };
      const words = `${neutralSize} AWG neutral beside ${hotSize} AWG hots (${stretchName(side, index)}); it carries the sum of both legs.`;
      return {
        least: AREA_CMIL.rows[neutralSize]! / AREA_CMIL.rows[hotSize]!,
        finding:
          AREA_CMIL.rows[neutralSize]! >= AREA_CMIL.rows[hotSize]!
            ? holds(words, detail)
            : violation(words, `Pull a neutral of ${hotSize} AWG, or use a 120/240 V source.`, detail),
      };
    }),
});
