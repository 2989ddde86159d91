import { everyEdition } from '../../codebook';
import { AHEAD_FACTS, aheadOfInlet, FEED_FACTS, feedV } from '../../electrical';
import { holds, rule, violation, without } from '../rule';

export default rule({
  id: 'transfer/rated',
  holds: 'The transfer equipment is listed as such, and rated for the amps and volts of the device that feeds it.',
  severity: 'correction',
  cites: everyEdition('702.5', '110.3(B)'),
  not: 'Its utility side: transfer/utility-side-rated. An interlocked breaker smaller than the outlet’s is no fault: it protects what is behind it.',
  facts: [
    'transfer.kind', 'transfer.otherKind', 'transfer.listedAsTransfer', 'transfer.ratingA', 'transfer.ratingV', 'breaker.ratingA', ...AHEAD_FACTS,
    ...FEED_FACTS,
  ], // prettier-ignore
  notApplicable: without('inlet'),
  check: (look) => {
    // Between source and interlock stands the backfed breaker; where there is none, the outlet’s device alone.
    const interlocked = look.has('backfedBreaker');
    const said = look.attempt((side) =>
      side.needAll('transfer.listedAsTransfer', 'transfer.ratingA', 'transfer.ratingV'),
    );
    const device = look.attempt((side) => (interlocked ? side.need('breaker.ratingA') : aheadOfInlet(side).flowsA));
    look.requireAll(said, device);
    const [ratedA, ratedV, deviceA] = [look.need('transfer.ratingA'), look.need('transfer.ratingV'), device.value!];
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
    const words = `${ratedA} A rated, ${interlocked ? `${deviceA} A backfed breaker` : aheadOfInlet(look).words}.`;
    return ratedA >= deviceA
      ? holds(words, detail)
      : violation(words, `Fit equipment rated ${deviceA} A or more.`, detail);
  },
});
