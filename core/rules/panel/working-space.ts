import { everyEdition } from '../../codebook';
import { lacking, type Look } from '../../electrical';
import { holds, rule, violation, without } from '../rule';

/** Most A of a panel that an existing dwelling may keep under a low ceiling (110.26(A)(3), exception). */
const LOW_CEILING_A = 200;

/** Whether a low height is allowed: a panel of 200 A or less that was in the dwelling before. Throws `Missing` while nobody looked. */
function excused(look: Look): boolean {
  if (look.need('panel.existing') === 'no') return false;
  const busA = look.need('panel.busA');
  look.step('Existing dwelling, low ceiling allowed up to', LOW_CEILING_A, 'A', everyEdition('110.26(A)(3)'));
  return busA <= LOW_CEILING_A;
}

export default rule({
  id: 'panel/working-space',
  holds: 'In front of the panel 30 in of width, 36 in of depth and 6½ ft of height are free.',
  severity: 'correction',
  cites: everyEdition('110.26'),
  not: 'The transfer equipment’s own space: transfer/working-space.',
  facts: [
    'transfer.kind', 'transfer.otherKind', 'panel.widthIn', 'panel.depthIn', 'panel.heightFt', 'panel.existing', 'panel.busA',
  ], // prettier-ignore
  notApplicable: without('wired'),
  check: (look) => {
    const sides = [
      ['width', 'panel.widthIn', 'workingWidthIn', 'in'],
      ['depth', 'panel.depthIn', 'workingDepthIn', 'in'],
      ['height', 'panel.heightFt', 'workingHeightFt', 'ft'],
    ] as const;
    const found = sides.map(([, path]) => look.attempt((side) => side.need(path)));
    for (const [i, [name, , least, unit]] of sides.entries()) {
      look.adopt(found[i]!);
      const has = found[i]!.value;
      const needs = look.number(least);
      if (has !== undefined && has < needs) {
        if (name === 'height' && excused(look)) continue;
        return violation(
          `${has} ${unit} of ${name}, ${needs} ${unit} needed.`,
          'Clear the space, and keep it clear; nothing is stored there.',
          {
            found: has,
            allowed: needs,
            unit,
          },
        );
      }
    }
    lacking(found);
    return holds('The working space is clear.');
  },
});
