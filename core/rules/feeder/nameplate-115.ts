import { everyEdition } from '../../codebook';
import { STRETCH_FACTS, feedV, rounded, smallestSizeOfAmpacity, stretchAmpacity } from '../../electrical';
import { firstOf, holds, rule, violation, without } from '../rule';
import { stretchName, worstStretch } from './worst-stretch';

export default rule({
  id: 'feeder/nameplate-115',
  holds: 'A feeder from a source without its own overcurrent device carries 115 % of the nameplate current.',
  severity: 'correction',
  cites: everyEdition('445.13'),
  facts: [
    'transfer.otherKind', 'source.outletDevice', 'source.runningW', ...STRETCH_FACTS,
  ], // prettier-ignore
  notApplicable: firstOf(without('feeder'), (look) =>
    look.need('source.outletDevice') === 'own'
      ? 'the source has an overcurrent device of its own ahead of the outlet'
      : undefined,
  ),
  check: (look) =>
    worstStretch(look, (side, index) => {
      const power = side.attempt((one) => one.need('source.runningW'));
      const volts = side.attempt((one) => feedV(one));
      const ampacity = side.attempt((one) => stretchAmpacity(one, index));
      side.requireAll(power, volts, ampacity);
      const neededA = side.step(
        '115 % of the nameplate current',
        rounded((1.15 * power.value!) / volts.value!),
        'A',
        `1.15 × ${power.value} W ÷ ${volts.value} V`,
      );
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
