import { FILL_BY_EYE_PERCENT, everyEdition } from '../../codebook';
import { Missing } from '../../electrical';
import { holds, onlyWith, rule, violation } from '../rule';

/** Most of a gutter’s cross-section, %: conductors alone, and with splices and taps. */
const CONDUCTORS_PERCENT = 40;
const SPLICES_PERCENT = 75;

export default rule({
  id: 'transfer/panel-splice-fill',
  holds: 'Conductors fill the panel’s gutter to 40 % at most, with splices to 75 %.',
  severity: 'correction',
  cites: everyEdition('312.8'),
  facts: [
    'transfer.kind',
    'transfer.otherKind',
    'transfer.conductorFillPercent',
    'transfer.spliceFillPercent',
    'transfer.fillCounted',
  ],
  notApplicable: onlyWith('splicedIn', 'no circuit is spliced in the panel'),
  check: (look) => {
    look.needAll('transfer.conductorFillPercent', 'transfer.spliceFillPercent');
    const parts = [
      ['conductors', look.need('transfer.conductorFillPercent'), CONDUCTORS_PERCENT],
      ['conductors and splices', look.need('transfer.spliceFillPercent'), SPLICES_PERCENT],
    ] as const;
    const bands = [FILL_BY_EYE_PERCENT.conductors, FILL_BY_EYE_PERCENT.splices];
    for (const [i, [what, found, counted]] of parts.entries()) {
      const [room, full] = bands[i]!;
      const between = found > room && found <= full;
      if (between && look.need('transfer.fillCounted') === 'no')
        throw new Missing(
          ['transfer.fillCounted'],
          `${found} % filled by ${what}, judged by eye: between ${room} and ${full} % no eye can tell; count conductors and areas.`,
        );
      const allowed = look.step(`Most that ${what} may fill`, between ? counted : full, '%', everyEdition('312.8'));
      if (found > allowed)
        return violation(
          `${found} % filled by ${what}, ${allowed} % allowed.`,
          'Take splices out into a box beside the panel.',
          { found, allowed, unit: '%' },
        );
    }
    return holds('The gutter has room.', { found: parts[1][1], allowed: SPLICES_PERCENT, unit: '%' });
  },
});
