import { everyEdition } from '../../codebook';
import { holds, rule, violation, without } from '../rule';

export default rule({
  id: 'panel/bus-rating',
  holds: 'The bus is rated for the breaker that feeds it; source and utility never feed it together.',
  severity: 'correction',
  cites: everyEdition('408.30', '408.36'),
  facts: ['transfer.kind', 'transfer.otherKind', 'panel.busA', 'panel.mainA'],
  notApplicable: without('wired'),
  check: (look) => {
    look.needAll('panel.busA', 'panel.mainA');
    const [busA, mainA] = [look.need('panel.busA'), look.need('panel.mainA')];
    const detail = { found: mainA, allowed: busA, unit: 'A' };
    const words = `${busA} A bus, ${mainA} A breaker feeds it.`;
    return mainA <= busA ? holds(words, detail) : violation(words, `Feed it through ${busA} A or less.`, detail);
  },
});
