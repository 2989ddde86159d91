import { everyEdition } from '../../codebook';
import { firstOf, holds, rule, violation, without } from '../rule';

/** Least rod: ft in contact with earth; in of diameter, unlisted and listed. */
const LENGTH_FT = 8;
const DIAMETER_IN = 5 / 8;
const LISTED_IN = 1 / 2;
const INCHES: Readonly<Record<string, number>> = { '3/8': 0.375, '1/2': 0.5, '5/8': 0.625, '3/4': 0.75 };

export default rule({
  id: 'grounding/rod-size',
  holds: 'A rod, where there is one, is 8 ft in the earth and ⅝ in thick, or ½ in if listed.',
  severity: 'correction',
  cites: everyEdition('250.52(A)(5)'),
  facts: ['transfer.kind', 'grounding.rod', 'grounding.rodLengthFt', 'grounding.rodDiameterIn', 'grounding.rodListed'],
  notApplicable: firstOf(without('transfer'), (look) =>
    look.need('grounding.rod') === 'none' ? 'there is no rod, and none is required' : undefined,
  ),
  check: (look) => {
    look.needAll('grounding.rodLengthFt', 'grounding.rodDiameterIn', 'grounding.rodListed');
    const lengthFt = look.need('grounding.rodLengthFt');
    const mark = look.need('grounding.rodDiameterIn');
    const leastIn = look.need('grounding.rodListed') === 'yes' ? LISTED_IN : DIAMETER_IN;
    const least = look.step(
      'Least diameter',
      leastIn === LISTED_IN ? '1/2' : '5/8',
      'in',
      everyEdition('250.52(A)(5)'),
    );
    const remedy = 'Drive a listed rod of 8 ft, or one of ⅝ in and 8 ft; or take the rod away, since none is required.';
    if (lengthFt < LENGTH_FT)
      return violation(`${lengthFt} ft in the earth, ${LENGTH_FT} ft needed.`, remedy, {
        found: lengthFt,
        allowed: LENGTH_FT,
        unit: 'ft',
      });
    const detail = { found: mark, allowed: least, unit: 'in' };
    return INCHES[mark]! >= leastIn
      ? holds(`${mark} in by ${lengthFt} ft.`, detail)
      : violation(`${mark} in thick, ${least} in needed.`, remedy, detail);
  },
});
