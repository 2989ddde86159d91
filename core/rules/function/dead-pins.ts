import { everyEdition } from '../../codebook';
import { holds, rule, violation, without } from '../rule';

export default rule({
  id: 'function/dead-pins',
  holds: 'A meter finds no voltage at the inlet’s pins while the utility is on.',
  severity: 'hazard',
  cites: everyEdition('406.7', '702.5'),
  facts: ['transfer.kind', 'function.pinsV'],
  notApplicable: without('inlet'),
  check: (look) => {
    const foundV = look.need('function.pinsV');
    const mostV = look.number('deadPinsV');
    const detail = { found: foundV, allowed: mostV, unit: 'V' };
    return foundV <= mostV
      ? holds(`${foundV} V at the pins.`, detail)
      : violation(
          `${foundV} V at bare pins.`,
          'Stop work. Open the feeder, and find where it meets the utility.',
          detail,
        );
  },
});
