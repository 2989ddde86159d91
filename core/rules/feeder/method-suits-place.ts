import { stretchAt } from '../../case';
import { METHODS, everyEdition, isWet, madeForWet, type WiringMethod } from '../../codebook';
import { holds, rule, violation, withoutFeeder } from '../rule';
import { stretchName, worstStretch } from './worst-stretch';

/** USE-2 may emerge from the earth for so many ft, as far as it must be guarded there. */
const EMERGES_FT = 8;
const WET = everyEdition('300.5(B)', '300.9', '310.10');

export default rule({
  id: 'feeder/method-suits-place',
  holds: 'Every run is of a wiring method, and an insulation, made for the place where it runs.',
  severity: 'correction',
  cites: everyEdition('300.5(B)', '300.9', '330.10', '334.12', '338.12', '340.12', '400.12'),
  facts: [
    'inlet.builtIn',
    'transfer.kind', 'transfer.otherKind',
    ...['place', 'method', 'insulation', 'sunMarked', 'wetMarked', 'burialMarked', 'lengthFt', 'protected'].map((key) => `feeder.stretches.${key}`),
  ], // prettier-ignore
  notApplicable: withoutFeeder,
  check: (look) =>
    worstStretch(look, (side, index) => {
      const at = stretchAt(index);
      side.needAll(at.place, at.method);
      const place = side.need(at.place);
      const name = side.need(at.method);
      const method: WiringMethod = METHODS[name];
      const detail = { found: name };
      const wrong = (words: string, remedy: string) => ({ least: 0, finding: violation(words, remedy, detail) });
      const where = stretchName(side, index);
      const not = method.not[place];
      if (not) {
        side.step(`${name} ${place}`, 'not permitted', '', not);
        return wrong(
          `${method.label} must not run there (${where}, ${place}).`,
          place === 'outdoors' || place === 'underground'
            ? 'Use conductors with a W in their type in a raceway, or UF-B where it may run.'
            : 'Use NM-B, MC, or conductors in a raceway.',
        );
      }
      if (method.wetIfMarked && isWet(place) && side.need(at.wetMarked) === 'no')
        return wrong(
          `${method.label} without the marking for wet places runs there (${where}, ${place}).`,
          'Use cable marked for it (MC with a jacket over its armor), or conductors with a W in a raceway.',
        );
      if (method.burialIfMarked && place === 'underground' && side.need(at.burialMarked) === 'no')
        return wrong(
          `${method.label} without the marking for direct burial lies in the earth (${where}).`,
          'Use cable marked for direct burial, or conductors with a W in a raceway.',
        );
      if (name === 'USE-2' && place === 'outdoors') {
        side.needAll(at.lengthFt, at.protected);
        side.step('USE-2 above the earth, at most', EMERGES_FT, 'ft', everyEdition('338.12(B)', '300.5(D)'));
        if (side.need(at.lengthFt) > EMERGES_FT || side.need(at.protected) === 'no')
          return wrong(
            `USE-2 runs exposed (${where}); it may only emerge, guarded, to an enclosure.`,
            'Change to a raceway or another method where it leaves the earth.',
          );
      }
      if (method.insulationC === undefined && isWet(place)) {
        const insulation = side.need(at.insulation);
        if (!madeForWet(insulation)) {
          side.step(`${insulation} ${place}`, 'wet inside', '', WET);
          return wrong(
            `${insulation} is not made for the wet, and ${method.raceway ? 'a raceway' : 'a cable'} ${place} is wet (${where}).`,
            'Run THWN-2, XHHW-2 or another type with a W.',
          );
        }
      }
      if (name === 'UF-B' && place === 'outdoors' && side.need(at.sunMarked) === 'no')
        return wrong(
          `UF-B in the sun without the marking for it (${where}).`,
          'Use cable marked sunlight resistant, or sleeve it.',
        );
      return { least: 1, finding: holds(`${method.label} may run there.`, detail) };
    }),
});
