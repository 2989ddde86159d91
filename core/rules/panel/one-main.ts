import { everyEdition } from '../../codebook';
import { holds, rule, violation, without } from '../rule';

const FOUND = {
  several: 'Several mains feed this bus; an interlock on one leaves the others to join the source to the utility.',
  'split-bus': 'A split bus: only a part hangs on the main that the interlock blocks, the rest stays on the utility.',
  'two-feeds': 'Two feeds or meters stand on one bus; with one blocked the other joins the source to the utility.',
} as const;

export default rule({
  id: 'panel/one-main',
  holds: 'One main parts the whole bus from the utility.',
  severity: 'hazard',
  cites: everyEdition('702.5', '110.3(B)'),
  not: 'A second meter that has no bus in common with this panel: that is none of its feeds.',
  facts: ['transfer.kind', 'transfer.otherKind', 'panel.mains'],
  notApplicable: without('wired'),
  check: (look) => {
    const mains = look.need('panel.mains');
    if (mains === 'one') return holds('One main.');
    if (look.has('ownPanel'))
      return holds('Several mains, but the source feeds a panel of its own: what was moved to it is switched at once.');
    if (look.has('wholeHouse') && mains !== 'two-feeds')
      return holds('Several mains, but the switch stands ahead of them all: everything is switched at once.');
    // Circuits that a switch takes off this bus, one by one, meet the source nowhere else.
    if (look.has('splicedIn'))
      return holds('Several mains, but the source never reaches this bus: each circuit is switched by itself.');
    return violation(
      FOUND[mains],
      'Do not energize. An interlock cannot serve this panel: use a transfer switch ahead of the whole bus, or a panel of moved circuits.',
    );
  },
});
