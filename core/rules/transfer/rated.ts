import { everyEdition } from '../../codebook';
import { holds, rule, violation, without } from '../rule';

export default rule({
  id: 'transfer/rated',
  holds: 'The transfer means is listed as such, and rated for the amps and volts of the source.',
  severity: 'correction',
  cites: everyEdition('702.5', '110.3(B)'),
  facts: [
    'transfer.kind',
    'transfer.listedAsTransfer',
    'transfer.ratingA',
    'transfer.ratingV',
    'source.outletBreakerA',
    'source.voltage',
  ],
  notApplicable: without('inlet'),
  check: (look) => {
    look.needAll(
      'transfer.listedAsTransfer',
      'transfer.ratingA',
      'transfer.ratingV',
      'source.outletBreakerA',
      'source.voltage',
    );
    const [ratedA, ratedV, deviceA] = [
      look.need('transfer.ratingA'),
      look.need('transfer.ratingV'),
      look.need('source.outletBreakerA'),
    ];
    const sourceV = look.need('source.voltage') === '120' ? 120 : 240;
    if (look.need('transfer.listedAsTransfer') === 'no')
      return violation(
        'It is not listed as transfer equipment.',
        'Fit equipment listed for transfer, or an interlock kit listed for this use.',
      );
    if (ratedV < sourceV)
      return violation(`${ratedV} V rated, ${sourceV} V source.`, `Fit equipment rated ${sourceV} V.`, {
        found: ratedV,
        allowed: sourceV,
        unit: 'V',
      });
    const detail = { found: ratedA, allowed: deviceA, unit: 'A' };
    return ratedA >= deviceA
      ? holds(`${ratedA} A rated, ${deviceA} A outlet breaker at the source.`, detail)
      : violation(
          `${ratedA} A rated, ${deviceA} A outlet breaker at the source.`,
          `Fit equipment rated ${deviceA} A or more.`,
          detail,
        );
  },
});
