import { everyEdition } from '../../codebook';
import { continuousW, OUTLET_W_FACTS } from '../../electrical';
import { holds, onlyWith, rule, violation } from '../rule';

export default rule({
  id: 'transfer/automatic-capacity',
  holds: 'A source that takes over by itself carries all that transfers, or its load is managed.',
  severity: 'hazard',
  cites: everyEdition('702.4'),
  facts: [
    'transfer.kind', 'transfer.otherKind', 'transfer.loadManaged', 'transfer.transferredW', 'source.kind', ...OUTLET_W_FACTS, 'source.fuel', 'source.altitudeFt', 'source.airF', 'source.makerSiteW',
  ], // prettier-ignore
  notApplicable: onlyWith('automatic', 'a person chooses the load'),
  check: (look) => {
    if (look.need('transfer.loadManaged') === 'yes') return holds('Load is shed and added automatically.');
    const load = look.attempt((side) => side.need('transfer.transferredW'));
    const source = look.attempt(continuousW);
    look.requireAll(load, source);
    const detail = { found: load.value!, allowed: source.value!, unit: 'W' };
    const words = `${load.value} W transfers by itself, ${source.value} W source.`;
    return load.value! <= source.value!
      ? holds(words, detail)
      : violation(words, `Add automatic load management, or transfer ${source.value} W at most.`, detail);
  },
});
