import { stretchAt } from '../../case';
import { METHODS, everyEdition, isWet, madeForWet, type WiringMethod } from '../../codebook';
import { holds, rule, violation, without } from '../rule';
import { stretchName, worstStretch } from './worst-stretch';

const WET = everyEdition('300.5(B)', '300.9', '310.10');

export default rule({
  id: 'feeder/method-suits-place',
  holds: 'Every stretch is of a wiring method, and an insulation, made for the place where it runs.',
  severity: 'correction',
  cites: everyEdition('300.5(B)', '300.9', '334.12', '338.12', '340.12', '400.12'),
  facts: ['transfer.kind', ...['place', 'method', 'insulation', 'sunMarked'].map((key) => `feeder.stretches.${key}`)],
  notApplicable: without('feeder'),
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
      if (method.insulationC === undefined && isWet(place)) {
        const insulation = side.need(at.insulation);
        if (!madeForWet(insulation)) {
          side.step(`${insulation} in a raceway ${place}`, 'wet inside', '', WET);
          return wrong(
            `${insulation} is not made for the wet, and a raceway ${place} is wet inside (${where}).`,
            'Pull THWN-2, XHHW-2 or another type with a W.',
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
