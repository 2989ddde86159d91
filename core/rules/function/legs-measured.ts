import { everyEdition } from '../../codebook';
import { BRIDGED_FACTS, LEG_FACTS, bridged, legsTell } from '../../electrical';
import { holds, rule, violation, whereBothLegsAreFed } from '../rule';

export default rule({
  id: 'function/legs-measured',
  holds: 'Both legs are fed, and stand to each other as the source says.',
  severity: 'correction',
  cites: everyEdition('guidance', '110.3(B)'),
  not: 'An open neutral, which a balanced load hides: function/neutral-unbroken.',
  facts: [...BRIDGED_FACTS, ...LEG_FACTS],
  notApplicable: whereBothLegsAreFed,
  check: (look) => {
    const told = legsTell(look);
    const [a, b, across] = [look.need('function.legAV'), look.need('function.legBV'), look.need('function.legsV')];
    if (told === 'open-neutral')
      return holds('Both legs are fed; what stands between them is function/neutral-unbroken’s.', {
        found: across,
        allowed: across,
        unit: 'V',
      });
    if (told === 'leg-dead') {
      const dead = a <= b ? 'A' : 'B';
      return violation(
        `Leg ${dead} has ${Math.min(a, b)} V: it is not fed.`,
        'Stop the source and unplug it; then find the open pole: outlet breaker, cord, inlet, backfed breaker, or both poles on one leg.',
      );
    }
    const meantV = look.step('Leg to leg as the source says', bridged(look) ? 0 : 240, 'V', 'one pole or two');
    const detail = { found: across, allowed: meantV, unit: 'V' };
    if (told === 'one-pole')
      return violation(
        `${across} V from leg to leg: both legs hang on one pole of the source.`,
        'Stop the source and unplug it; then find what bridges the legs: cord, adapter, or a breaker with both poles on one leg.',
        detail,
      );
    if (told === 'two-poles-unsaid')
      return violation(
        `${across} V from leg to leg, though one pole is said to feed both.`,
        'Look again at source and cords: the record does not fit the meter.',
        detail,
      );
    if (told === 'three-phase')
      return violation(
        `${across} V from leg to leg: two legs of a three-phase source, which is not what a 240 V load is made for.`,
        'Use a single-phase 120/240 V source, or have the loads and the neutral judged for 208 V by a licensed person.',
        detail,
      );
    return holds(`${a} V, ${b} V, ${across} V from leg to leg.`, detail);
  },
});
