import { everyEdition } from '../../codebook';
import { bridged } from '../../electrical';
import { holds, rule, violation, whereBothLegsAreFed } from '../rule';

/** Below this a leg counts as not fed at all, V. */
const FED_V = 60;
/** Above this the two legs stand against each other, V. */
const ACROSS_V = 180;

export default rule({
  id: 'function/legs-measured',
  holds: 'Both legs are fed, and stand to each other as the source says.',
  severity: 'correction',
  cites: everyEdition('guidance', '110.3(B)'),
  facts: ['transfer.kind', 'source.voltage', 'cord.bridges', 'function.legAV', 'function.legBV', 'function.legsV'],
  notApplicable: whereBothLegsAreFed,
  check: (look) => {
    look.needAll('function.legAV', 'function.legBV', 'function.legsV');
    const [a, b, across] = [look.need('function.legAV'), look.need('function.legBV'), look.need('function.legsV')];
    look.step('A leg counts as fed from', FED_V, 'V', 'guidance');
    const dead = a < FED_V ? 'A' : b < FED_V ? 'B' : undefined;
    if (dead)
      return violation(
        `Leg ${dead} has ${dead === 'A' ? a : b} V: it is not fed.`,
        'Find the open pole: breaker, inlet, cord, or both poles on one leg.',
      );
    const onePole = bridged(look);
    look.step('Two poles are told from one by', ACROSS_V, 'V', 'guidance');
    const meantV = look.step('Leg to leg as the source says', onePole ? 0 : 240, 'V', 'one pole or two');
    const detail = { found: across, allowed: meantV, unit: 'V' };
    if (!onePole && across < ACROSS_V)
      return violation(
        `${across} V from leg to leg: both legs hang on one pole of the source.`,
        'Find what bridges the legs: cord, adapter, or a breaker with both poles on one leg.',
        detail,
      );
    if (onePole && across >= ACROSS_V)
      return violation(
        `${across} V from leg to leg, though one pole is said to feed both.`,
        'Look again at source and cords: the record does not fit the meter.',
        detail,
      );
    return holds(`${a} V, ${b} V, ${across} V from leg to leg.`, detail);
  },
});
