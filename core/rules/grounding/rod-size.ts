import { everyEdition } from '../../codebook';
import { SWITCHED_FACTS, neutralSwitched } from '../../electrical';
import { firstOf, holds, rule, violation, without } from '../rule';

const SIZE = everyEdition('250.52(A)(5)');
/** Least rod in contact with earth, ft. */
const LENGTH_FT = 8;
/** Diameters that are made, in, from thin to thick. */
const DIAMETERS = ['3/8', '1/2', '5/8', '3/4'];

export default rule({
  id: 'grounding/rod-size',
  holds: 'A rod, where there is one, is 8 ft in the earth and ⅝ in thick, or ½ in if listed.',
  severity: 'correction',
  weighs: 'advisory where the rod is an extra, and not the derived source’s electrode',
  cites: everyEdition('250.52(A)(5)', '250.54'),
  not: 'Whether an electrode is required: grounding/electrode-for-derived. A rod beside a source that uses the house’s ground is an extra (250.54).',
  facts: [
    'transfer.kind',
    'transfer.otherKind',
    'grounding.rod',
    'grounding.rodLengthFt',
    'grounding.rodDiameterIn',
    'grounding.rodListed',
    ...SWITCHED_FACTS,
    'grounding.derivedElectrode',
  ],
  notApplicable: firstOf(without('wired'), (look) =>
    look.need('grounding.rod') === 'none' ? 'there is no rod; an auxiliary one is nowhere required' : undefined,
  ),
  check: (look) => {
    look.needAll('grounding.rodLengthFt', 'grounding.rodDiameterIn', 'grounding.rodListed');
    const lengthFt = look.need('grounding.rodLengthFt');
    const mark = look.need('grounding.rodDiameterIn');
    look.step('Least length in contact with earth', LENGTH_FT, 'ft', SIZE);
    const least = look.step('Least diameter', look.need('grounding.rodListed') === 'yes' ? '1/2' : '5/8', 'in', SIZE);
    // As an extra it need be no electrode (250.54); as that of a derived source it is one.
    const electrode = look.attempt(
      (side) => neutralSwitched(side) && ['one-rod', 'two-rods'].includes(side.need('grounding.derivedElectrode')),
    );
    look.adopt(electrode);
    const extra = look.need('grounding.rod') === 'auxiliary' && electrode.value === false;
    const weighs = extra ? { severity: 'advisory' as const } : {};
    const remedy = 'Drive a listed rod of 8 ft, or one of ⅝ in and 8 ft; or take it away where it is only an extra.';
    if (lengthFt < LENGTH_FT)
      return violation(`${lengthFt} ft in the earth, ${LENGTH_FT} ft needed.`, remedy, {
        found: lengthFt,
        allowed: LENGTH_FT,
        unit: 'ft',
        ...weighs,
      });
    const detail = { found: mark, allowed: least, unit: 'in' };
    return DIAMETERS.indexOf(mark) >= DIAMETERS.indexOf(least)
      ? holds(`${mark} in by ${lengthFt} ft.`, detail)
      : violation(`${mark} in thick, ${least} in needed.`, remedy, { ...detail, ...weighs });
  },
});
