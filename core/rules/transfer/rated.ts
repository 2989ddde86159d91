import { everyEdition } from '../../codebook';
import { absence } from '../../case';
import { FEED_FACTS, feedV } from '../../electrical';
import { holds, kindOf, rule, violation, without } from '../rule';

export default rule({
  id: 'transfer/rated',
  holds: 'The transfer equipment is listed as such, and rated for the amps and volts of the device that feeds it.',
  severity: 'correction',
  cites: everyEdition('702.5', '110.3(B)'),
  not: 'Its utility side: transfer/utility-side-rated. An interlocked breaker smaller than the outlet’s is no fault: it protects what is behind it.',
  facts: [
    'transfer.kind', 'transfer.otherKind', 'transfer.listedAsTransfer', 'transfer.ratingA', 'transfer.ratingV', 'source.outletBreakerA', 'breaker.ratingA',
    ...FEED_FACTS,
  ], // prettier-ignore
  notApplicable: without('inlet'),
  check: (look) => {
    // Between source and interlock stands the backfed breaker; where there is none, the outlet’s device alone.
    const interlocked = absence('backfed breaker', kindOf(look)) === undefined;
    const device = interlocked ? ('breaker.ratingA' as const) : ('source.outletBreakerA' as const);
    look.needAll('transfer.listedAsTransfer', 'transfer.ratingA', 'transfer.ratingV', device);
    const [ratedA, ratedV, deviceA] = [look.need('transfer.ratingA'), look.need('transfer.ratingV'), look.need(device)];
    const fedV = look.step('Volts of the receptacle in use', feedV(look), 'V', 'its configuration and the selector');
    if (look.need('transfer.listedAsTransfer') === 'no')
      return violation(
        'It is not listed as transfer equipment.',
        'Fit equipment listed for transfer, or an interlock kit listed for this use.',
      );
    if (ratedV < fedV)
      return violation(`${ratedV} V rated, ${fedV} V feed.`, `Fit equipment rated ${fedV} V.`, {
        found: ratedV,
        allowed: fedV,
        unit: 'V',
      });
    const detail = { found: ratedA, allowed: deviceA, unit: 'A' };
    const words = `${ratedA} A rated, ${deviceA} A ${interlocked ? 'backfed breaker' : 'outlet breaker at the source'}.`;
    return ratedA >= deviceA
      ? holds(words, detail)
      : violation(words, `Fit equipment rated ${deviceA} A or more.`, detail);
  },
});
