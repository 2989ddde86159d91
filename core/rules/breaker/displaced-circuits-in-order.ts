import { everyEdition } from '../../codebook';
import { holds, rule, violation, without } from '../rule';

export default rule({
  id: 'breaker/displaced-circuits-in-order',
  holds: 'Where circuits were moved to make room, breaker and conductor still match.',
  severity: 'correction',
  cites: everyEdition('240.4', '110.3(B)'),
  facts: ['transfer.kind', 'transfer.otherKind', 'breaker.displaced'],
  notApplicable: without('backfedBreaker'),
  check: (look) => {
    const moved = look.need('breaker.displaced');
    if (moved === 'none') return holds('No circuit was moved.');
    return moved === 'moved-matching'
      ? holds('The moved circuits have breakers that match their conductors.')
      : violation(
          'A moved circuit no longer has a breaker that matches its conductors.',
          'Give each moved circuit a breaker for its conductor size (14 AWG 15 A, 12 AWG 20 A, 10 AWG 30 A copper), and correct the directory.',
        );
  },
});
