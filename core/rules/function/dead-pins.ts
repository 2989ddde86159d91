import { everyEdition } from '../../codebook';
import { holds, rule, violation, without } from '../rule';

/** A neutral that is bonded elsewhere may stand so far above ground while the house draws current, V. */
const NEUTRAL_V = 5;

export default rule({
  id: 'function/dead-pins',
  holds: 'A meter finds no voltage at the inlet’s hot pins while the utility is on.',
  severity: 'hazard',
  cites: everyEdition('406.7', '702.5'),
  not: 'Ghost volts: until a low-impedance reading says otherwise, pins with volts are live. A neutral pin may honestly show a volt or two.',
  facts: ['transfer.kind', 'transfer.otherKind', 'function.pinsV', 'function.pinsLowZV', 'function.neutralPinV'],
  notApplicable: without('inlet'),
  check: (look) => {
    const mostV = look.number('deadPinsV');
    const highV = look.known('function.pinsV');
    const lowV = highV !== undefined && highV > mostV ? look.known('function.pinsLowZV') : undefined;
    const foundV = lowV ?? highV;
    const detail = { found: foundV, allowed: mostV, unit: 'V' };
    if (foundV !== undefined && foundV > mostV)
      return violation(
        lowV === undefined && foundV < 60
          ? `${foundV} V at bare pins; they count as live until a low-impedance reading says otherwise.`
          : `${foundV} V at bare pins.`,
        'Stop work and let nobody near the inlet. Open the main, prove the pins dead with a tester that is tried before and after; then open the feeder, and find where it meets the utility.',
        detail,
      );
    const neutralV = look.known('function.neutralPinV');
    if (neutralV !== undefined && neutralV > NEUTRAL_V) {
      look.step('A neutral pin may honestly show', NEUTRAL_V, 'V', 'guidance');
      return violation(
        `${neutralV} V from the neutral pin to ground: it is no neutral, or its way to the panel is open.`,
        'Stop work and let nobody near the inlet. Open the main, prove the pins dead, and follow the white conductor to the panel.',
        { found: neutralV, allowed: NEUTRAL_V, unit: 'V' },
      );
    }
    look.needAll('function.pinsV', 'function.neutralPinV');
    return holds(
      lowV === undefined ? `${foundV} V at the pins.` : `${lowV} V at the pins with a low-impedance meter.`,
      detail,
    );
  },
});
