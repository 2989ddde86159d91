import { everyEdition } from '../../codebook';
import {
  AHEAD_FACTS,
  STRETCH_FACTS,
  atOutlet,
  rounded,
  smallestSizeOfAmpacity,
  stretchAmpacity,
} from '../../electrical';
import { firstOf, holds, rule, violation, withoutFeeder } from '../rule';
import { stretchName, worstStretch } from './worst-stretch';

export default rule({
  id: 'feeder/nameplate-115',
  holds:
    'A feeder from a source without its own overcurrent device carries 115 % of the nameplate current, or all of it where the source’s design prevents overload.',
  severity: 'correction',
  cites: everyEdition('445.13'),
  facts: [
    'inlet.builtIn',
    'transfer.otherKind', ...AHEAD_FACTS, ...STRETCH_FACTS,
  ], // prettier-ignore
  notApplicable: firstOf(withoutFeeder, (look) =>
    look.need('source.outletDevice') === 'own'
      ? 'the source has an overcurrent device of its own ahead of the outlet'
      : undefined,
  ),
  check: (look) =>
    worstStretch(look, (side, index) => {
      const needed = side.attempt((one) => atOutlet(one).ampsA);
      const ampacity = side.attempt((one) => stretchAmpacity(one, index));
      side.requireAll(needed, ampacity);
      const neededA = needed.value!;
      const { ampacityA } = ampacity.value!;
      const detail = { found: rounded(ampacityA), allowed: neededA, unit: 'A' };
      const words = `${rounded(ampacityA)} A ampacity (${stretchName(side, index)}), ${neededA} A needed.`;
      if (ampacityA >= neededA) return { least: ampacityA, finding: holds(words, detail) };
      const better = smallestSizeOfAmpacity(side, index, neededA);
      const remedy = better
        ? `${better} AWG would be the smallest conductor here; or have the maker’s overcurrent device fitted.`
        : 'No conductor of the tables carries this here; have the maker’s overcurrent device fitted.';
      return { least: ampacityA, finding: violation(words, remedy, detail) };
    }),
});
