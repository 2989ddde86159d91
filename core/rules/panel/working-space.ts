import { everyEdition } from '../../codebook';
import { lacking } from '../../electrical';
import { holds, rule, violation, without } from '../rule';

export default rule({
  id: 'panel/working-space',
  holds: 'In front of the panel 30 in of width, 36 in of depth and 6½ ft of height are free.',
  severity: 'correction',
  cites: everyEdition('110.26'),
  facts: ['transfer.kind', 'panel.widthIn', 'panel.depthIn', 'panel.heightFt'],
  notApplicable: without('transfer'),
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
      if (has !== undefined && has < needs)
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
    lacking(found);
    return holds('The working space is clear.');
  },
});
