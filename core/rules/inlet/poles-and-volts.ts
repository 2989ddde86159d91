import { CONFIGURATIONS, everyEdition } from '../../codebook';
import { FEED_FACTS, feedOf } from '../../electrical';
import { holds, rule, violation, without } from '../rule';

export default rule({
  id: 'inlet/poles-and-volts',
  holds: 'The inlet has the poles and volts of the receptacle that feeds it.',
  severity: 'correction',
  cites: everyEdition('406.7', '110.3(B)'),
  facts: ['transfer.kind', 'transfer.otherKind', ...FEED_FACTS, 'inlet.configuration'],
  notApplicable: without('inlet'),
  check: (look) => {
    look.needAll('source.outlet', 'inlet.configuration');
    const outlet = CONFIGURATIONS[look.need('source.outlet')];
    const inlet = CONFIGURATIONS[look.need('inlet.configuration')];
    const detail = { found: inlet.voltsV, allowed: outlet.voltsV, unit: 'V' };
    look.step('Receptacle', `${outlet.poles}-pole, ${outlet.wires}-wire, ${outlet.voltsV} V`, '', 'its configuration');
    look.step('Inlet', `${inlet.poles}-pole, ${inlet.wires}-wire, ${inlet.voltsV} V`, '', 'its configuration');
    if (inlet.poles === outlet.poles) return holds('Inlet and receptacle have the same poles and volts.', detail);
    if (inlet.poles > outlet.poles && feedOf(look) === '120')
      return holds(
        'A 120 V receptacle feeds both legs of the inlet; what the neutral carries is judged with the loads.',
        detail,
      );
    return violation(
      inlet.poles < outlet.poles
        ? 'The inlet has fewer poles than the receptacle; one leg would have nowhere to go.'
        : 'The inlet has more poles than the receptacle; an adapter would have to bridge two of them.',
      'Feed the inlet from a receptacle with the same poles and volts, or change the inlet.',
      detail,
    );
  },
});
