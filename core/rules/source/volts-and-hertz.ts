import { everyEdition } from '../../codebook';
import { BRIDGED_FACTS, LEG_FACTS, bridged, legsTell } from '../../electrical';
import { Missing } from '../../electrical';
import { firstOf, holds, rule, violation, whereBothLegsAreFed } from '../rule';

const REMEDY = 'Have the governor and the voltage set as the maker says; check again under load.';

export default rule({
  id: 'source/volts-and-hertz',
  holds: 'Under load the source gives 114 to 126 V a leg, 228 to 252 V leg to leg, and 58 to 63 Hz.',
  severity: 'advisory',
  cites: everyEdition('guidance'),
  not: 'Legs that differ by more than cord and source explain: they point at a fault (function/neutral-unbroken, function/legs-measured), never at the governor.',
  facts: [...BRIDGED_FACTS, ...LEG_FACTS, 'function.hertz'],
  notApplicable: firstOf(whereBothLegsAreFed, (look) => {
    const told = look.attempt(legsTell);
    return told.value !== undefined && told.value !== 'as-meant'
      ? 'the volts point at a fault, which is found under function; no governor mends it'
      : undefined;
  }),
  check: (look) => {
    look.needAll('function.legAV', 'function.legBV', 'function.legsV', 'function.hertz');
    const told = look.attempt(legsTell);
    if (told.missing.length > 0) throw new Missing(told.missing, told.why);
    const legs = [look.need('function.legAV'), look.need('function.legBV')];
    const across = look.need('function.legsV');
    const hertz = look.need('function.hertz');
    const onePole = bridged(look);
    const [least, most] = [look.number('legLeastV'), look.number('legMostV')];
    for (const [i, volts] of legs.entries())
      if (volts < least || volts > most)
        return violation(`${volts} V on leg ${'AB'[i]}, ${least} to ${most} V tolerable.`, REMEDY, {
          found: volts,
          allowed: volts < least ? least : most,
          unit: 'V',
        });
    if (!onePole) {
      const [low, high] = [look.number('legsLowV'), look.number('legsHighV')];
      if (across < low || across > high)
        return violation(`${across} V leg to leg, ${low} to ${high} V good.`, REMEDY, {
          found: across,
          allowed: across < low ? low : high,
          unit: 'V',
        });
    }
    const [slow, fast] = [look.number('hertzLow'), look.number('hertzHigh')];
    if (hertz < slow || hertz > fast)
      return violation(`${hertz} Hz under load, ${slow} to ${fast} Hz good.`, REMEDY, {
        found: hertz,
        allowed: hertz < slow ? slow : fast,
        unit: 'Hz',
      });
    const [low, high] = [look.number('legLowV'), look.number('legHighV')];
    return legs.every((volts) => volts >= low && volts <= high)
      ? holds(`${legs.join(' and ')} V, ${hertz} Hz.`)
      : holds(`${legs.join(' and ')} V, ${hertz} Hz: tolerable, though outside ${low} to ${high} V.`);
  },
});
